//! How riders differ, as it was found on a day.

use cavesson_core::evidence::rider::RiderOffset;
use cavesson_core::evidence::riders_from::RidersFrom;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;

use crate::BarnTransaction;
use crate::StoreResult;

/// The last day, on or before `on`, on which the riders were compared.
///
/// # Errors
/// When the query fails.
pub async fn last_compared(barn: &mut BarnTransaction, on: Date) -> StoreResult<Option<Date>> {
    let barn_id = barn.barn_id();
    let day = sqlx::query_scalar!(
        r#"select max(day) as "day: jiff_sqlx::Date" from rider_comparison
           where barn_id = $1 and day <= $2"#,
        barn_id,
        on.to_sqlx() as _
    )
    .fetch_one(barn.connection())
    .await?;
    Ok(day.map(|day| day.to_jiff()))
}

/// Every comparison until a day, the earliest first.
///
/// # Errors
/// When the query fails.
pub async fn until(barn: &mut BarnTransaction, last: Date) -> StoreResult<Vec<RidersFrom>> {
    let barn_id = barn.barn_id();
    let days = sqlx::query_scalar!(
        r#"select day as "day: jiff_sqlx::Date" from rider_comparison
           where barn_id = $1 and day <= $2 order by day"#,
        barn_id,
        last.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    let rows = sqlx::query!(
        r#"select day as "day: jiff_sqlx::Date", rider_id, logit_offset, logit_sd, asks, horses
           from rider_offset where barn_id = $1 and day <= $2 order by day, rider_id"#,
        barn_id,
        last.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    let mut comparisons: Vec<RidersFrom> = days
        .into_iter()
        .map(|day| RidersFrom {
            from: day.to_jiff(),
            riders: Vec::new(),
        })
        .collect();
    for row in rows {
        let day = row.day.to_jiff();
        if let Ok(at) = comparisons.binary_search_by_key(&day, |one| one.from) {
            comparisons[at].riders.push(RiderOffset {
                rider_id: row.rider_id,
                offset: row.logit_offset,
                sd: row.logit_sd,
                asks: row.asks.unsigned_abs(),
                horses: row.horses.unsigned_abs(),
            });
        }
    }
    Ok(comparisons)
}

/// Whether the riders were compared on `day`.
///
/// # Errors
/// When the query fails.
pub async fn is_compared(barn: &mut BarnTransaction, day: Date) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select exists(select from rider_comparison where barn_id = $1 and day = $2) as "known!""#,
        barn_id,
        day.to_sqlx() as _
    )
    .fetch_one(barn.connection())
    .await?)
}

/// Keeps the comparison of a day; one that was kept before stays. Whether it was kept.
///
/// # Errors
/// When the query fails.
pub async fn keep(
    barn: &mut BarnTransaction,
    day: Date,
    offsets: &[RiderOffset],
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let new = sqlx::query!(
        "insert into rider_comparison (barn_id, day) values ($1, $2) on conflict do nothing",
        barn_id,
        day.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?
    .rows_affected();
    if new == 0 {
        return Ok(false);
    }
    for rider in offsets {
        sqlx::query!(
            "insert into rider_offset (barn_id, day, rider_id, logit_offset, logit_sd, asks, horses)
             values ($1, $2, $3, $4, $5, $6, $7)",
            barn_id,
            day.to_sqlx() as _,
            rider.rider_id,
            rider.offset,
            rider.sd,
            i32::try_from(rider.asks).unwrap_or(i32::MAX),
            i32::try_from(rider.horses).unwrap_or(i32::MAX)
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(true)
}
