//! Cattle one by one.

use cavesson_core::cattle::cow::{CowKind, CowSheet, Handling};
use cavesson_core::rep::turn::Tempo;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored::Unreadable;
use crate::stored::read_word;

/// A cow of the barn.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Cow {
    /// Its id.
    pub cow_id: Uuid,
    /// Its lot.
    pub lot_id: Uuid,
    /// What is written down of it.
    pub sheet: CowSheet,
    /// When it went; none while it is there.
    pub put_away_at: Option<Timestamp>,
    /// A sign that it is not well stands open.
    pub not_well: bool,
}

fn tempo_word(tempo: Tempo) -> &'static str {
    match tempo {
        Tempo::Slow => "slow",
        Tempo::Medium => "medium",
        Tempo::Quick => "quick",
    }
}

fn tempo_of(word: &str) -> Option<Tempo> {
    [Tempo::Slow, Tempo::Medium, Tempo::Quick]
        .into_iter()
        .find(|tempo| tempo_word(*tempo) == word)
}

struct Row {
    cow_id: Uuid,
    lot_id: Uuid,
    tag: String,
    kind: String,
    weight_lb: Option<i32>,
    came: jiff_sqlx::Date,
    tempo: String,
    handling: String,
    done: bool,
    note: String,
    put_away_at: Option<jiff_sqlx::Timestamp>,
    not_well: bool,
}

impl Row {
    fn read(self) -> Result<Cow, Unreadable> {
        Ok(Cow {
            cow_id: self.cow_id,
            lot_id: self.lot_id,
            sheet: CowSheet {
                kind: read_word("cow kind", &self.kind, CowKind::from_word)?,
                tempo: read_word("cow tempo", &self.tempo, tempo_of)?,
                handling: read_word("cow handling", &self.handling, Handling::from_word)?,
                tag: self.tag,
                weight_lb: self.weight_lb.and_then(|weight| weight.try_into().ok()),
                came: self.came.to_jiff(),
                done: self.done,
                note: self.note,
            },
            put_away_at: self.put_away_at.map(|at| at.to_jiff()),
            not_well: self.not_well,
        })
    }
}

/// Cattle by lot and tag, those that went last: of all lots that are in use, or of one. A word of
/// another version leaves its cow out.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction, lot_id: Option<Uuid>) -> StoreResult<Vec<Cow>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select c.cow_id, c.lot_id, c.tag, c.kind, c.weight_lb, c.came as "came: _", c.tempo,
                  c.handling, c.done, c.note, c.put_away_at as "put_away_at: _",
                  exists (select from cow_sign s where s.barn_id = c.barn_id and s.cow_id = c.cow_id
                          and s.cleared_on is null) as "not_well!"
           from cow c join cattle_lot l on l.barn_id = c.barn_id and l.lot_id = c.lot_id
           where c.barn_id = $1
             and (c.lot_id = $2 or ($2::uuid is null and l.put_away_at is null and c.put_away_at is null))
           order by c.lot_id, c.put_away_at is not null, length(c.tag), c.tag, c.cow_id"#,
        barn_id,
        lot_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().filter_map(read).collect())
}

/// One cow.
///
/// # Errors
/// When the query fails.
pub async fn find(barn: &mut BarnTransaction, cow_id: Uuid) -> StoreResult<Option<Cow>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query_as!(
        Row,
        r#"select c.cow_id, c.lot_id, c.tag, c.kind, c.weight_lb, c.came as "came: _", c.tempo,
                  c.handling, c.done, c.note, c.put_away_at as "put_away_at: _",
                  exists (select from cow_sign s where s.barn_id = c.barn_id and s.cow_id = c.cow_id
                          and s.cleared_on is null) as "not_well!"
           from cow c where c.barn_id = $1 and c.cow_id = $2"#,
        barn_id,
        cow_id
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(row.and_then(read))
}

fn read(row: Row) -> Option<Cow> {
    row.read()
        .inspect_err(|why| tracing::warn!(%why, "cow"))
        .ok()
}

/// Which of these cattle are the barn's own.
///
/// # Errors
/// When the query fails.
pub async fn known(barn: &mut BarnTransaction, cow_ids: &[Uuid]) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select cow_id from cow where barn_id = $1 and cow_id = any($2)",
        barn_id,
        cow_ids
    )
    .fetch_all(barn.connection())
    .await?)
}

/// Adds a cow.
///
/// # Errors
/// [`crate::StoreError::Taken`] when another cow of the lot has the tag.
pub async fn add(
    barn: &mut BarnTransaction,
    cow_id: Uuid,
    lot_id: Uuid,
    sheet: &CowSheet,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into cow
           (barn_id, cow_id, lot_id, tag, kind, weight_lb, came, tempo, handling, done, note)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)",
        barn_id,
        cow_id,
        lot_id,
        sheet.tag.trim(),
        sheet.kind.word(),
        sheet.weight_lb.map(i32::from),
        sheet.came.to_sqlx() as _,
        tempo_word(sheet.tempo),
        sheet.handling.word(),
        sheet.done,
        sheet.note.trim()
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Puts this lot and sheet in the place of what there was; false when there is none.
///
/// # Errors
/// [`crate::StoreError::Taken`] when another cow of the lot has the tag.
pub async fn change(
    barn: &mut BarnTransaction,
    cow_id: Uuid,
    lot_id: Uuid,
    sheet: &CowSheet,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update cow set lot_id = $3, tag = $4, kind = $5, weight_lb = $6, came = $7, tempo = $8,
                handling = $9, done = $10, note = $11
         where barn_id = $1 and cow_id = $2",
        barn_id,
        cow_id,
        lot_id,
        sheet.tag.trim(),
        sheet.kind.word(),
        sheet.weight_lb.map(i32::from),
        sheet.came.to_sqlx() as _,
        tempo_word(sheet.tempo),
        sheet.handling.word(),
        sheet.done,
        sheet.note.trim()
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// It went at that time; none: it is there again. False when there is none.
///
/// # Errors
/// [`crate::StoreError::Taken`] when another cow of the lot has its tag by now.
pub async fn put_away(
    barn: &mut BarnTransaction,
    cow_id: Uuid,
    at: Option<Timestamp>,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update cow set put_away_at = $3 where barn_id = $1 and cow_id = $2",
        barn_id,
        cow_id,
        at.map(|at| at.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}
