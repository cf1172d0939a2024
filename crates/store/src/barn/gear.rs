//! Gear by name, kind and measures.

use cavesson_core::rep::HandWeight;
use cavesson_core::yard::{GearKind, GearSheet};
use jiff::Timestamp;
use serde::Serialize;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::barn::shelf::put_away;
use crate::stored::lenient_value;
use crate::stored::read_word;

/// A piece of gear of the barn.
#[derive(Debug, Clone, PartialEq)]
pub struct Gear {
    /// Its id.
    pub gear_id: Uuid,
    /// What is written down of it.
    pub sheet: GearSheet,
    /// When it was put away; none while it is in use.
    pub put_away_at: Option<Timestamp>,
}

/// All of them by name, those put away last. A kind of another version is left out.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction) -> StoreResult<Vec<Gear>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select gear_id, name, kind, note, measures, quiet_hands, most_hand, put_away_at as "put_away_at: jiff_sqlx::Timestamp"
           from gear where barn_id = $1 order by put_away_at is not null, name"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            let kind = read_word("gear kind", &row.kind, GearKind::from_word);
            let kind = kind.inspect_err(|why| tracing::warn!(%why, "gear")).ok()?;
            Some(Gear {
                gear_id: row.gear_id,
                sheet: GearSheet {
                    name: row.name,
                    kind,
                    note: row.note,
                    measures: lenient_value(row.measures)
                        .inspect_err(|why| tracing::warn!(%why, "gear measures"))
                        .unwrap_or_default(),
                    quiet_hands: row.quiet_hands,
                    most_hand: row.most_hand.and_then(hand_of),
                },
                put_away_at: row.put_away_at.map(|at| at.to_jiff()),
            })
        })
        .collect())
}

/// Adds a piece of gear.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn add(barn: &mut BarnTransaction, gear_id: Uuid, sheet: &GearSheet) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into gear (barn_id, gear_id, name, kind, note, measures, quiet_hands, most_hand)
         values ($1, $2, $3, $4, $5, $6, $7, $8)",
        barn_id,
        gear_id,
        sheet.name.trim(),
        sheet.kind.word(),
        sheet.note.trim(),
        to_value(&sheet.measures)?,
        sheet.quiet_hands,
        sheet.most_hand.map(hand_word).transpose()?
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
    gear_id: Uuid,
    sheet: &GearSheet,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update gear set name = $3, kind = $4, note = $5, measures = $6, quiet_hands = $7,
                most_hand = $8
         where barn_id = $1 and gear_id = $2",
        barn_id,
        gear_id,
        sheet.name.trim(),
        sheet.kind.word(),
        sheet.note.trim(),
        to_value(&sheet.measures)?,
        sheet.quiet_hands,
        sheet.most_hand.map(hand_word).transpose()?
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

put_away!("gear", "gear_id");

fn to_value(what: &impl Serialize) -> StoreResult<Value> {
    serde_json::to_value(what).map_err(StoreError::Unstorable)
}

fn hand_word(hand: HandWeight) -> StoreResult<String> {
    Ok(to_value(&hand)?.as_str().unwrap_or_default().to_owned())
}

fn hand_of(word: String) -> Option<HandWeight> {
    serde_json::from_value(Value::String(word)).ok()
}

/// Those of `ids` that are in the barn.
///
/// # Errors
/// When the query fails.
pub async fn known(barn: &mut BarnTransaction, ids: &[Uuid]) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_scalar!(
        "select gear_id from gear where barn_id = $1 and gear_id = any($2)",
        barn_id,
        ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows)
}
