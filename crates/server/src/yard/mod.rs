//! The yard: what a barn has beside people and horses.
//!
//! - [`places`]: where horses are ridden
//! - [`gear`]: headgear, saddles, what is used on the ground
//! - [`cattle`]: lots of cattle

mod cattle;
mod gear;
mod places;

use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::problem::Problem;

/// The yard's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(places::routes())
        .merge(gear::routes())
        .merge(cattle::routes())
}

/// What was added.
#[derive(Serialize, ToSchema)]
#[schema(as = AddedToYard)]
struct Added {
    id: Uuid,
}

fn none_of_it() -> Problem {
    Problem::not_found("nothing in this barn's yard has this id")
}
