//! Cattle: the herd book, which cow for which horse, works.
//!
//! - [`herd`]: cattle with how they stand today
//! - [`lots`]: a lot with its cattle and settlings
//! - [`cows`]: one cow: its sheet, signs, treatments, works
//! - [`match_day`]: which cow for which horse on a day
//! - [`pen`]: what a device takes along to the pen
//! - [`not_found`]: what is said where there is none
//! - [`cow_rounds`]: rounds on the cow of the trainer, and who is best at it
//! - [`flag`]: the flag: what is ordered on a screen, and where it is
//! - [`works`]: works of a horse, where its turns come apart

pub(crate) mod cow_rounds;
mod cows;
pub(crate) mod flag;
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
