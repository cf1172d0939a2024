//! Notes that the trainer chose for a horse's owner.

use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A note for the owner.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct OwnerNote {
    /// Its id, made on the device.
    pub note_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The day it speaks of.
    pub day: Date,
    /// Its words.
    pub text: String,
}

/// Adds a note; false when one with its id is there already.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    note: &OwnerNote,
    made_by: Uuid,
    at: Timestamp,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into owner_note (barn_id, note_id, horse_id, day, text, made_by, made_at)
         values ($1, $2, $3, $4, $5, $6, $7) on conflict (barn_id, note_id) do nothing",
        barn_id,
        note.note_id,
        note.horse_id,
        note.day.to_sqlx() as _,
        note.text,
        made_by,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The notes of a horse since a day that were not taken back, latest first.
///
/// # Errors
/// When the query fails.
pub async fn since(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    from: Date,
) -> StoreResult<Vec<OwnerNote>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select note_id, day as "day: jiff_sqlx::Date", text from owner_note
           where barn_id = $1 and horse_id = $2 and day >= $3 and taken_back_at is null
           order by day desc, made_at desc, note_id"#,
        barn_id,
        horse_id,
        from.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    let notes = rows.into_iter().map(|row| OwnerNote {
        note_id: row.note_id,
        horse_id,
        day: row.day.to_jiff(),
        text: row.text,
    });
    Ok(notes.collect())
}

/// Takes a note back, or brings it back; false when there is none.
///
/// # Errors
/// When the query fails.
pub async fn take_back(
    barn: &mut BarnTransaction,
    note_id: Uuid,
    at: Option<Timestamp>,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update owner_note set taken_back_at = $3 where barn_id = $1 and note_id = $2",
        barn_id,
        note_id,
        at.map(|at| at.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// What was written of a horse since a day and might be told: the closing lines of its rides
/// and the words of its care, with their days, latest first.
///
/// # Errors
/// When the query fails.
pub async fn to_choose_from(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    from: Date,
) -> StoreResult<Vec<(Date, String)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select day as "day!: jiff_sqlx::Date", text as "text!" from (
               select day, note as text from ride
               where barn_id = $1 and horse_id = $2 and day >= $3 and note <> ''
               union
               select day, text from care
               where barn_id = $1 and horse_id = $2 and day >= $3 and text <> ''
           ) written order by day desc, text limit 30"#,
        barn_id,
        horse_id,
        from.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| (row.day.to_jiff(), row.text))
        .collect())
}
