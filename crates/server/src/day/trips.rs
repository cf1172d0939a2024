//! Trips with the trailer, and the share on which nothing was asked.

use axum::Json;
use cavesson_core::week::Trips;
use cavesson_core::week::trips::TRIPS_WEEKS;
use cavesson_store::day::booking;
use cavesson_store::horse::horses;
use jiff::ToSpan;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;
use crate::route;

/// Days ahead whose bookings count: what is planned is on its way.
const DAYS_AHEAD: i64 = 14;

/// The trips' route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(list))
}

/// The trips of a horse.
#[derive(Serialize, ToSchema)]
struct TripsOfHorse {
    horse_id: Uuid,
    trips: Trips,
    /// How many quiet outings would bring the share to what is wanted.
    wanting: u32,
    /// The same in a sentence.
    text: String,
}

/// The trips of the last twelve weeks and the coming two, of every horse that made one.
#[utoipa::path(
    get, path = "/api/trips", operation_id = "list_trips", tag = "days",
    responses((status = 200, description = "Trips by horse", body = [TripsOfHorse]))
)]
async fn list(signed: Signed) -> Answer<Json<Vec<TripsOfHorse>>> {
    let today = signed.today();
    let wanted = signed.barn.quiet_pct();
    let mut barn = signed.look().await?;
    let horses = horses::list(&mut barn, signed.only_horses_of()).await?;
    let from = today.saturating_sub((TRIPS_WEEKS * 7).days());
    let to = today.saturating_add(DAYS_AHEAD.days());
    let trips = booking::trips(&mut barn, from, to).await?;
    Ok(Json(
        trips
            .into_iter()
            .filter(|(id, _)| horses.iter().any(|horse| horse.horse_id == *id))
            .map(|(horse_id, trips)| TripsOfHorse {
                horse_id,
                trips,
                wanting: trips.wanting(wanted),
                text: trips.text(wanted),
            })
            .collect(),
    ))
}
