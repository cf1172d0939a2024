//! The way back for a horse that fights the bit.

use cavesson_core::gear::restore::RestorePlan;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A way back.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Restore {
    /// Its id.
    pub restore_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// How it is planned.
    pub plan: RestorePlan,
    /// Its first day.
    pub began: Date,
    /// Its last; none while it goes on.
    pub ended: Option<Date>,
}

/// The ways back of a horse, latest first.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<Restore>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select restore_id, gear_id, weeks, riders, began as "began: jiff_sqlx::Date",
                  ended as "ended: jiff_sqlx::Date"
           from restore where barn_id = $1 and horse_id = $2
           order by ended is not null, began desc, restore_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Restore {
            restore_id: row.restore_id,
            horse_id,
            plan: RestorePlan {
                gear_id: row.gear_id,
                weeks: u8::try_from(row.weeks).unwrap_or(u8::MAX),
                riders: row.riders,
            },
            began: row.began.to_jiff(),
            ended: row.ended.map(|day| day.to_jiff()),
        })
        .collect())
}

/// Begins a way back, or plans the one that goes on anew.
///
/// # Errors
/// When a query fails.
pub async fn put(barn: &mut BarnTransaction, restore: &Restore) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into restore (barn_id, restore_id, horse_id, gear_id, weeks, riders, began)
         values ($1, $2, $3, $4, $5, $6, $7)
         on conflict (barn_id, horse_id) where ended is null do update
           set gear_id = excluded.gear_id, weeks = excluded.weeks, riders = excluded.riders",
        barn_id,
        restore.restore_id,
        restore.horse_id,
        restore.plan.gear_id,
        i32::from(restore.plan.weeks),
        &restore.plan.riders,
        restore.began.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Ends the way back that goes on; false when none does.
///
/// # Errors
/// When the query fails.
pub async fn end(barn: &mut BarnTransaction, horse_id: Uuid, on: Date) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update restore set ended = greatest(began, $3)
         where barn_id = $1 and horse_id = $2 and ended is null",
        barn_id,
        horse_id,
        on.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}
