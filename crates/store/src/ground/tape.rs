//! Films as marks. The films themselves are never here.

use cavesson_core::tape::TapeSheet;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::stored::lenient_value;

/// A tape of a horse.
#[derive(Debug, Clone, PartialEq)]
pub struct Tape {
    /// Its id, made where it was marked.
    pub tape_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// What is kept of it.
    pub sheet: TapeSheet,
    /// Who kept it first.
    pub made_by: Uuid,
    /// When it was last kept.
    pub kept_at: Timestamp,
}

/// The tapes of a horse, latest day first, at most so many. One of a newer version is left out.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    at_most: i64,
) -> StoreResult<Vec<Tape>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select tape_id, sheet, made_by, kept_at as "kept_at: jiff_sqlx::Timestamp"
           from tape where barn_id = $1 and horse_id = $2
           order by day desc, kept_at desc, tape_id limit $3"#,
        barn_id,
        horse_id,
        at_most
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Some(Tape {
                tape_id: row.tape_id,
                horse_id,
                sheet: read(row.tape_id, row.sheet)?,
                made_by: row.made_by,
                kept_at: row.kept_at.to_jiff(),
            })
        })
        .collect())
}

fn read(tape_id: Uuid, stored: Value) -> Option<TapeSheet> {
    lenient_value(stored)
        .inspect_err(|why| tracing::warn!(%why, %tape_id, "tape"))
        .ok()
}

/// Keeps a tape in the place of what was kept of it. False when it is known of another horse.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, tape: &Tape) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let sheet = serde_json::to_value(&tape.sheet).map_err(StoreError::Unstorable)?;
    let done = sqlx::query!(
        "insert into tape (barn_id, tape_id, horse_id, name, day, sheet, made_by, kept_at)
         values ($1, $2, $3, $4, $5, $6, $7, $8)
         on conflict (barn_id, tape_id) do update
           set name = excluded.name, day = excluded.day, sheet = excluded.sheet,
               kept_at = excluded.kept_at
         where tape.horse_id = excluded.horse_id",
        barn_id,
        tape.tape_id,
        tape.horse_id,
        tape.sheet.name.trim(),
        tape.sheet.day.to_sqlx() as _,
        sheet,
        tape.made_by,
        tape.kept_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Takes a tape out; false when there is none. What was logged from it stays.
///
/// # Errors
/// When the query fails.
pub async fn take_out(barn: &mut BarnTransaction, tape_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "delete from tape where barn_id = $1 and tape_id = $2",
        barn_id,
        tape_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}
