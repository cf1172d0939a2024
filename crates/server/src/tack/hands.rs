//! Hand weight by rider over time. A trainer sees everybody's, others their own.

use std::collections::HashMap;

use axum::Json;
use cavesson_core::gear::hands::{self, HandAsk, RiderHands, WEEKS, most_hand, rider_hands};
use cavesson_core::person::Role;
use cavesson_store::barn::gear;
use cavesson_store::barn::gear::Gear;
use cavesson_store::barn::person;
use cavesson_store::tack::hand;
use cavesson_store::tack::hand::HandOfAsk;
use jiff::ToSpan;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::problem::Answer;
use crate::http::signed_in::Recorder;
use crate::route;

/// The route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// The hands of one rider.
#[derive(Serialize, ToSchema)]
struct HandsShown {
    name: String,
    #[serde(flatten)]
    hands: RiderHands,
    /// A kind word to the trainer; null where none is needed, or another asks.
    says: Option<String>,
}

/// Hand weight by rider over the last twelve weeks.
#[utoipa::path(
    get, path = "/api/hands", operation_id = "show_hands", tag = "tack",
    responses((status = 200, description = "Rider by rider", body = [HandsShown]))
)]
async fn show(Recorder(signed): Recorder) -> Answer<Json<Vec<HandsShown>>> {
    let today = signed.today();
    let mut barn = signed.look().await?;
    let asks = hand::between(&mut barn, today.saturating_sub((7 * WEEKS).days()), today).await?;
    let shelf: HashMap<Uuid, Gear> = gear::list(&mut barn)
        .await?
        .into_iter()
        .map(|piece| (piece.gear_id, piece))
        .collect();
    let names: HashMap<Uuid, String> = person::names(&mut barn).await?.into_iter().collect();
    let decides = signed.person.role == Role::Trainer;
    let asks: Vec<HandAsk> = asks
        .into_iter()
        .filter(|ask| decides || ask.rider_id == signed.person.person_id)
        .map(|ask| as_hand_ask(&ask, &shelf))
        .collect();
    let shown = rider_hands(&asks, today).into_iter().map(|of_rider| {
        let name = names.get(&of_rider.rider_id).cloned().unwrap_or_default();
        let says = (decides && of_rider.worth_a_word).then(|| hands::says(&name, &of_rider));
        HandsShown {
            name,
            hands: of_rider,
            says,
        }
    });
    let mut shown: Vec<HandsShown> = shown.collect();
    shown.sort_by(|a, b| a.name.cmp(&b.name));
    Ok(Json(shown))
}

fn as_hand_ask(ask: &HandOfAsk, shelf: &HashMap<Uuid, Gear>) -> HandAsk {
    let piece = ask.gear_id.and_then(|id| shelf.get(&id));
    let of_piece = piece.and_then(|piece| piece.sheet.allows());
    HandAsk {
        rider_id: ask.rider_id,
        day: ask.day,
        hand: ask.hand,
        allowed: of_piece.or_else(|| ask.rig.map(most_hand)),
    }
}
