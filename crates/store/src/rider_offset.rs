//! How riders differ, as it was found on a day.

use cavesson_core::evidence::rider::RiderOffset;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;

use crate::{BarnTransaction, StoreResult};

/// The riders as they were last compared, on or before `on`.
///
/// # Errors
/// When the query fails.
pub async fn latest(barn: &mut BarnTransaction, on: Date) -> StoreResult<Vec<RiderOffset>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select rider_id, logit_offset, logit_sd, asks, horses from rider_offset
         where barn_id = $1 and day = (
             select max(day) from rider_comparison where barn_id = $1 and day <= $2)
         order by rider_id",
        barn_id,
        on.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| RiderOffset {
            rider_id: row.rider_id,
            offset: row.logit_offset,
            sd: row.logit_sd,
            asks: row.asks.unsigned_abs(),
            horses: row.horses.unsigned_abs(),
        })
        .collect())
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
