//! Changing the bit, step by step.

use cavesson_core::gear::protocol::StepTaken;
use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// A change of bit.
#[derive(Debug, Clone, PartialEq)]
pub struct BitChange {
    /// Its id.
    pub change_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The new piece.
    pub gear_id: Uuid,
    /// What the horse wore before.
    pub from_gear_id: Option<Uuid>,
    /// When it began.
    pub started_at: Timestamp,
    /// The barn's calendar day of that.
    pub day: Date,
    /// The steps as they went; those another version wrote and this one cannot read end it.
    pub steps: Vec<StepTaken>,
}

/// Keeps a change; it only grows: a shorter log of an older look changes nothing. False when
/// it is known of another horse, piece or begin.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, change: &BitChange, by: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let steps = serde_json::to_value(&change.steps).map_err(StoreError::Unstorable)?;
    let done = sqlx::query!(
        "insert into bit_change (barn_id, change_id, horse_id, gear_id, from_gear_id, started_at, day,
                                 steps, made_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
         on conflict (barn_id, change_id) do update
           set steps = case when jsonb_array_length(excluded.steps) >= jsonb_array_length(bit_change.steps)
                            then excluded.steps else bit_change.steps end
         where bit_change.horse_id = excluded.horse_id and bit_change.gear_id = excluded.gear_id
           and bit_change.started_at = excluded.started_at",
        barn_id,
        change.change_id,
        change.horse_id,
        change.gear_id,
        change.from_gear_id,
        change.started_at.to_sqlx() as _,
        change.day.to_sqlx() as _,
        steps,
        by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The changes of a horse, latest first.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<BitChange>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select change_id, gear_id, from_gear_id, started_at as "started_at: jiff_sqlx::Timestamp",
                  day as "day: jiff_sqlx::Date", steps
           from bit_change where barn_id = $1 and horse_id = $2
           order by started_at desc, change_id limit 50"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| BitChange {
            change_id: row.change_id,
            horse_id,
            gear_id: row.gear_id,
            from_gear_id: row.from_gear_id,
            started_at: row.started_at.to_jiff(),
            day: row.day.to_jiff(),
            steps: row
                .steps
                .as_array()
                .into_iter()
                .flatten()
                .map_while(|step| serde_json::from_value(step.clone()).ok())
                .collect(),
        })
        .collect())
}
