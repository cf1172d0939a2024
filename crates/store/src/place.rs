//! Arenas and pens.

use uuid::Uuid;

use crate::{BarnTransaction, StoreResult};

/// A place to ride.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Place {
    /// Its id.
    pub place_id: Uuid,
    /// What people call it.
    pub name: String,
    /// arena, round_pen, cattle_pen or outside.
    pub kind: String,
}

/// Adds a place.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn add(barn: &mut BarnTransaction, place: &Place) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into place (barn_id, place_id, name, kind) values ($1, $2, $3, $4)",
        barn_id,
        place.place_id,
        place.name,
        place.kind
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
