//! Cattle: the herd book, which cow for which horse, works.
//!
//! - [`herd`]: cattle with how they stand today
//! - [`lots`]: a lot with its cattle and settlings
//! - [`cows`]: one cow: its sheet, signs, treatments, works
//! - [`match_day`]: which cow for which horse on a day
//! - [`pen`]: what a device takes along to the pen
//! - [`not_found`]: what is said where there is none
//! - [`works`]: works of a horse, where its turns come apart

mod cows;
mod health;
pub mod herd;
mod lots;
pub mod match_day;
mod not_found;
pub mod pen;
mod works;

use utoipa_axum::router::OpenApiRouter;

use crate::App;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(lots::routes())
        .merge(cows::routes())
        .merge(health::routes())
        .merge(match_day::routes())
        .merge(pen::routes())
        .merge(works::routes())
}
