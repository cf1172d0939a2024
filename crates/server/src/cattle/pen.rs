//! What a device takes along to the pen: the cattle, and what the horse's last turns were.

use std::collections::HashMap;

use axum::Json;
use cavesson_core::cattle::lately::CattleLately;
use cavesson_core::cattle::matching::Cow as ToMatch;
use cavesson_core::ladder::{AtHand, Ladder};
use cavesson_core::rep::Turn;
use cavesson_store::BarnTransaction;
use cavesson_store::cattle::ride_work;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::herd;
use crate::App;
use crate::http::problem::Answer;
use crate::http::signed_in::Recorder;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// Asks on cattle that are looked back on.
const LATELY: i64 = 60;

/// What these horses did on cattle lately.
pub async fn lately(
    barn: &mut BarnTransaction,
    horse_ids: &[Uuid],
) -> Answer<HashMap<Uuid, CattleLately>> {
    let mut skills: Vec<String> = Ladder::every_level()
        .levels
        .iter()
        .filter(|level| level.with == Some(AtHand::Cattle))
        .map(|level| level.level.skill.0.clone())
        .collect();
    skills.dedup();
    let asked = ride_work::lately(barn, horse_ids, &skills, LATELY).await?;
    let mut found: HashMap<Uuid, CattleLately> = HashMap::new();
    for one in asked {
        let own = found.entry(one.horse_id).or_default();
        own.worked = true;
        own.turns.extend(one.turn.map(|turn| (one.ride_id, turn)));
    }
    Ok(found)
}

/// A turn of a ride before.
#[derive(Serialize, ToSchema)]
struct TurnBefore {
    ride_id: Uuid,
    turn: Turn,
}

/// A cow at the pen.
#[derive(Serialize, ToSchema)]
struct CowAtPen {
    /// What its tag says.
    tag: String,
    /// What its lot is called.
    lot: String,
    /// How it is for a horse.
    cow: ToMatch,
}

/// What is taken along to the pen.
#[derive(Serialize, ToSchema)]
struct AtPen {
    /// The horse has never worked cattle.
    first: bool,
    /// It had to leave the cattle on the last ride.
    corrected: bool,
    /// Its last turns on cattle, first to last.
    lately: Vec<TurnBefore>,
    /// The cattle of all lots in use, by lot and tag.
    cattle: Vec<CowAtPen>,
}

/// What a device takes along to the pen with a horse.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/pen", operation_id = "show_pen", tag = "cattle",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "Cattle, and the horse's last turns", body = AtPen))
)]
async fn show(Recorder(signed): Recorder, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<AtPen>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let herd = herd::in_use(&mut barn, signed.today()).await?;
    let mut found = lately(&mut barn, &[horse_id]).await?;
    let own = found.remove(&horse_id).unwrap_or_default();
    let cattle = herd
        .to_match()
        .into_iter()
        .zip(&herd.cattle)
        .map(|(cow, now)| CowAtPen {
            tag: now.cow.sheet.tag.clone(),
            lot: herd
                .lot_of(&now.cow)
                .map_or_else(String::new, |lot| lot.lot.sheet.name.clone()),
            cow,
        });
    Ok(Json(AtPen {
        first: !own.worked,
        corrected: own.corrected(),
        cattle: cattle.collect(),
        lately: own
            .turns
            .into_iter()
            .map(|(ride_id, turn)| TurnBefore { ride_id, turn })
            .collect(),
    }))
}
