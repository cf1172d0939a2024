//! Tack on horses.
//!
//! - [`on_horse`]: which pieces a horse may wear, how they sit, and why somebody may not ride in one
//! - [`rigs_worn`]: the history of a horse's rigs, and soft shares by rig
//! - [`bit_changes`]: changing the bit, step by step
//! - [`restores`]: the way back for a horse that fights the bit
//! - [`two_reins`]: rides in the two-rein and in bosals
//! - [`hands`]: hand weight by rider

mod bit_changes;
mod hands;
mod on_horse;
mod restores;
mod rigs_worn;
mod two_reins;

use cavesson_core::bounds::FieldError;
use cavesson_store::BarnTransaction;
use cavesson_store::gear::{self, Gear};
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::problem::{Answer, Problem};

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

/// The piece of that id; where there is none, an error at `field`.
async fn piece(barn: &mut BarnTransaction, field: &str, gear_id: Uuid) -> Answer<Gear> {
    let shelf = gear::list(barn).await?;
    let found = shelf.into_iter().find(|piece| piece.gear_id == gear_id);
    found.ok_or_else(|| {
        Problem::fields_not_found(vec![FieldError::new(
            field,
            "no such piece on the tack shelf; name one of the barn's own",
        )])
    })
}
