//! A piece of the barn's own tack.

use cavesson_core::bounds::FieldError;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::gear;
use cavesson_store::barn::gear::Gear;
use uuid::Uuid;

use crate::http::problem::{Answer, Problem};

/// The piece of that id; where there is none, an error at `field`.
pub(super) async fn piece(barn: &mut BarnTransaction, field: &str, gear_id: Uuid) -> Answer<Gear> {
    let shelf = gear::list(barn).await?;
    let found = shelf.into_iter().find(|piece| piece.gear_id == gear_id);
    found.ok_or_else(|| {
        Problem::fields_not_found(vec![FieldError::new(
            field,
            "no such piece on the tack shelf; name one of the barn's own",
        )])
    })
}
