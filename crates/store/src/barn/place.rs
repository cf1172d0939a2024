//! Arenas and pens.

use cavesson_core::yard::{PlaceKind, PlaceSheet};
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::barn::shelf::put_away;
use crate::stored::read_word;

/// A place of the barn.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Place {
    /// Its id.
    pub place_id: Uuid,
    /// What is written down of it.
    pub sheet: PlaceSheet,
    /// When it was put away; none while it is in use.
    pub put_away_at: Option<Timestamp>,
}

/// All of them by name, those put away last. A kind of another version is left out.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction) -> StoreResult<Vec<Place>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select place_id, name, kind, horses_at_once, opens as "opens: jiff_sqlx::Time",
                  closes as "closes: jiff_sqlx::Time", put_away_at as "put_away_at: jiff_sqlx::Timestamp"
           from place where barn_id = $1 order by put_away_at is not null, name"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            let kind = read_word("place kind", &row.kind, PlaceKind::from_word);
            let kind = kind.inspect_err(|why| tracing::warn!(%why, "place")).ok()?;
            Some(Place {
                place_id: row.place_id,
                sheet: PlaceSheet {
                    name: row.name,
                    kind,
                    horses_at_once: row.horses_at_once.try_into().unwrap_or(1),
                    opens: row.opens.map(|time| time.to_jiff()),
                    closes: row.closes.map(|time| time.to_jiff()),
                },
                put_away_at: row.put_away_at.map(|at| at.to_jiff()),
            })
        })
        .collect())
}

/// Adds a place.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn add(
    barn: &mut BarnTransaction,
    place_id: Uuid,
    sheet: &PlaceSheet,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into place (barn_id, place_id, name, kind, horses_at_once, opens, closes)
         values ($1, $2, $3, $4, $5, $6, $7)",
        barn_id,
        place_id,
        sheet.name.trim(),
        sheet.kind.word(),
        i32::from(sheet.horses_at_once),
        sheet.opens.map(|time| time.to_sqlx()) as _,
        sheet.closes.map(|time| time.to_sqlx()) as _
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
    place_id: Uuid,
    sheet: &PlaceSheet,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update place set name = $3, kind = $4, horses_at_once = $5, opens = $6, closes = $7
         where barn_id = $1 and place_id = $2",
        barn_id,
        place_id,
        sheet.name.trim(),
        sheet.kind.word(),
        i32::from(sheet.horses_at_once),
        sheet.opens.map(|time| time.to_sqlx()) as _,
        sheet.closes.map(|time| time.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

put_away!("place", "place_id");
