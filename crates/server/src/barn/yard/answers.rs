//! What is answered alike for places, gear and cattle.

use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

/// What was added.
#[derive(Serialize, ToSchema)]
#[schema(as = AddedToYard)]
pub(super) struct Added {
    pub(super) id: Uuid,
}
