//! How the ground of places lies.

use cavesson_core::ground::GroundLay;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::stored::lenient_value;

/// The lay of a place.
#[derive(Debug, Clone, PartialEq)]
pub enum Lay {
    /// There is no such place.
    NoPlace,
    /// Nobody has drawn it yet.
    NotDrawn,
    /// As it lies.
    Drawn(GroundLay),
}

/// How the ground of a place lies. One that cannot be read any more counts as not drawn.
///
/// # Errors
/// When the query fails.
pub async fn of_place(barn: &mut BarnTransaction, place_id: Uuid) -> StoreResult<Lay> {
    let barn_id = barn.barn_id();
    let row = sqlx::query!(
        "select lay from place where barn_id = $1 and place_id = $2",
        barn_id,
        place_id
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(match row {
        None => Lay::NoPlace,
        Some(row) => row.lay.and_then(read).map_or(Lay::NotDrawn, Lay::Drawn),
    })
}

fn read(stored: Value) -> Option<GroundLay> {
    lenient_value(stored)
        .inspect_err(|why| tracing::warn!(%why, "lay of a place"))
        .ok()
}

/// Puts this lay in the place of the one there was; none takes it away. False when there is no
/// such place.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    place_id: Uuid,
    lay: Option<&GroundLay>,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let lay = lay.map(serde_json::to_value).transpose();
    let done = sqlx::query!(
        "update place set lay = $3 where barn_id = $1 and place_id = $2",
        barn_id,
        place_id,
        lay.map_err(StoreError::Unstorable)?
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}
