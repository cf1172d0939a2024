//! What is answered alike for places, gear and cattle.

use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::http::problem::Problem;

/// What was added.
#[derive(Serialize, ToSchema)]
#[schema(as = AddedToYard)]
pub(super) struct Added {
    pub(super) id: Uuid,
}

pub(super) fn none_of_it() -> Problem {
    Problem::not_found("nothing in this barn's yard has this id")
}
