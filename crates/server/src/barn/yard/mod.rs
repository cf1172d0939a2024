//! The yard: what a barn has beside people and horses.
//!
//! - [`places`]: where horses are ridden
//! - [`gear`]: headgear, saddles, what is used on the ground
//! - [`cattle`]: lots of cattle
//! - [`answers`]: what is answered alike for all of them

mod answers;
mod cattle;
mod gear;
mod places;

use utoipa_axum::router::OpenApiRouter;

use crate::App;

/// The yard's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(places::routes())
        .merge(gear::routes())
        .merge(cattle::routes())
}
