//! Lots of cattle.

use cavesson_core::yard::{CattleKind, CattleLotSheet};
use jiff::Timestamp;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::barn::shelf::put_away;
use crate::stored::read_word;

/// A lot of cattle of the barn.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct CattleLot {
    /// Its id.
    pub lot_id: Uuid,
    /// What is written down of it.
    pub sheet: CattleLotSheet,
    /// When it was put away; none while it is in use.
    pub put_away_at: Option<Timestamp>,
}

/// All of them by name, those put away last. A kind of another version is left out.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction) -> StoreResult<Vec<CattleLot>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select lot_id, name, kind, head, note, works_a_day, minutes_a_day,
                  put_away_at as "put_away_at: jiff_sqlx::Timestamp"
           from cattle_lot where barn_id = $1 order by put_away_at is not null, name"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            let kind = read_word("cattle_lot kind", &row.kind, CattleKind::from_word);
            let kind = kind
                .inspect_err(|why| tracing::warn!(%why, "cattle_lot"))
                .ok()?;
            Some(CattleLot {
                lot_id: row.lot_id,
                sheet: CattleLotSheet {
                    name: row.name,
                    kind,
                    head: row.head.try_into().unwrap_or(1),
                    note: row.note,
                    works_a_day: row.works_a_day.try_into().unwrap_or(1),
                    minutes_a_day: row.minutes_a_day.try_into().unwrap_or(1),
                },
                put_away_at: row.put_away_at.map(|at| at.to_jiff()),
            })
        })
        .collect())
}

/// Adds a lot of cattle.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn add(
    barn: &mut BarnTransaction,
    lot_id: Uuid,
    sheet: &CattleLotSheet,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into cattle_lot (barn_id, lot_id, name, kind, head, note, works_a_day, minutes_a_day)
         values ($1, $2, $3, $4, $5, $6, $7, $8)",
        barn_id,
        lot_id,
        sheet.name.trim(),
        sheet.kind.word(),
        i32::from(sheet.head),
        sheet.note.trim(),
        i32::from(sheet.works_a_day),
        i32::from(sheet.minutes_a_day)
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Puts this sheet in the place of the one there was; false when there is none.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn change(
    barn: &mut BarnTransaction,
    lot_id: Uuid,
    sheet: &CattleLotSheet,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update cattle_lot set name = $3, kind = $4, head = $5, note = $6, works_a_day = $7,
                minutes_a_day = $8
         where barn_id = $1 and lot_id = $2",
        barn_id,
        lot_id,
        sheet.name.trim(),
        sheet.kind.word(),
        i32::from(sheet.head),
        sheet.note.trim(),
        i32::from(sheet.works_a_day),
        i32::from(sheet.minutes_a_day)
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

put_away!("cattle_lot", "lot_id");

/// Whether the barn has that lot.
///
/// # Errors
/// When the query fails.
pub async fn is_there(barn: &mut BarnTransaction, lot_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select exists (select from cattle_lot where barn_id = $1 and lot_id = $2) as "there!""#,
        barn_id,
        lot_id
    )
    .fetch_one(barn.connection())
    .await?)
}
