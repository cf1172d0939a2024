//! Care: flags and checks of a horse.

use cavesson_core::horse::CareNote;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::{BarnTransaction, StoreResult};

/// Keeps a note; false when its id is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    note: &CareNote,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into care (barn_id, care_id, horse_id, kind, day, text, made_by)
         values ($1, $2, $3, $4, $5, $6, $7)
         on conflict (barn_id, care_id) do update set text = excluded.text
         where care.horse_id = excluded.horse_id and care.kind = excluded.kind
           and care.day = excluded.day and care.text = excluded.text",
        barn_id,
        note.care_id,
        horse_id,
        note.kind.word(),
        note.day.to_sqlx() as _,
        note.text.trim(),
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The horse of a note.
///
/// # Errors
/// When the query fails.
pub async fn horse_of(barn: &mut BarnTransaction, care_id: Uuid) -> StoreResult<Option<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select horse_id from care where barn_id = $1 and care_id = $2",
        barn_id,
        care_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// Clears a flag, or opens it again with none.
///
/// # Errors
/// When the query fails.
pub async fn clear(
    barn: &mut BarnTransaction,
    care_id: Uuid,
    cleared_on: Option<Date>,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    // greatest() passes over null: opening again must not clear as of the note's day.
    sqlx::query!(
        "update care set cleared_on = case when $3::date is null then null else greatest(day, $3::date) end
         where barn_id = $1 and care_id = $2",
        barn_id,
        care_id,
        cleared_on.map(|day| day.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
