//! Tack on horses.
//!
//! - [`on_horse`]: which pieces a horse may wear, how they sit, and why somebody may not ride in one
//! - [`rigs_worn`]: the history of a horse's rigs, and soft shares by rig
//! - [`bit_changes`]: changing the bit, step by step
//! - [`restores`]: the way back for a horse that fights the bit
//! - [`two_reins`]: rides in the two-rein and in bosals
//! - [`hands`]: hand weight by rider
//! - [`shelf`]: a piece of the barn's own

mod bit_changes;
mod hands;
mod on_horse;
mod restores;
mod rigs_worn;
mod shelf;
mod two_reins;

use utoipa_axum::router::OpenApiRouter;

use crate::App;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(on_horse::routes())
        .merge(rigs_worn::routes())
        .merge(bit_changes::routes())
        .merge(restores::routes())
        .merge(two_reins::routes())
        .merge(hands::routes())
}
