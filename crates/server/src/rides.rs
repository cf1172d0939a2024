//! Rides.

use axum::Json;
use axum::extract::State;
use cavesson_core::horse::RideMark;
use cavesson_core::ladder::{FaultId, Level};
use cavesson_core::ride::Strip;
use cavesson_core::ride::strip::strips;
use cavesson_store::{rep, ride};
use jiff::Timestamp;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::horses::Horse;
use crate::known::Judged;
use crate::levels::LevelBrief;
use crate::problem::{Answer, Problem};
use crate::signed::Signed;
use crate::url::UrlPath;

/// The rides' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(show))
}

/// A ride with its strips.
#[derive(Serialize, ToSchema)]
struct Ride {
    ride_id: Uuid,
    horse: Horse,
    rider: String,
    #[schema(value_type = String, format = Date)]
    day: Date,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    #[schema(value_type = Option<String>, format = DateTime)]
    finished_at: Option<Timestamp>,
    /// What made it unlike the others.
    marks: Vec<RideMark>,
    /// One for each level that was asked, in the order of asking.
    blocks: Vec<RideBlock>,
}

/// A part of a ride with one aim.
#[derive(Serialize, ToSchema)]
struct RideBlock {
    level: LevelBrief,
    strip: Strip,
    /// Faults seen in it, beside those on its reps.
    faults: Vec<FaultId>,
    /// Faults that can show in such work.
    may_show: Vec<FaultChip>,
}

/// A fault that can be seen.
#[derive(Serialize, ToSchema)]
struct FaultChip {
    fault: FaultId,
    /// What the chip says.
    name: String,
}

/// One ride, rep by rep.
#[utoipa::path(
    get, path = "/api/rides/{ride_id}", operation_id = "show_ride", tag = "rides", params(("ride_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The ride", body = Ride),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    mut signed: Signed,
    UrlPath(ride_id): UrlPath<Uuid>,
) -> Answer<Json<Ride>> {
    let owner = signed.only_horses_of();
    let ride = ride::find(&mut signed.transaction, ride_id, owner)
        .await?
        .ok_or_else(|| Problem::not_found("no such ride in this barn"))?;
    let year = signed.now().year();
    let horse = Horse::new(signed.horse(ride.horse_id).await?, year);
    let levels = rep::levels_of_ride(&mut signed.transaction, ride_id).await?;
    let judged = app
        .known
        .judged_horse(&mut signed.transaction, ride.horse_id, ride.day)
        .await?;
    let blocks = levels
        .iter()
        .filter_map(|level| block(&judged, ride_id, ride.day, level))
        .collect();
    Ok(Json(Ride {
        ride_id,
        horse,
        rider: ride.rider,
        day: ride.day,
        started_at: ride.started_at,
        finished_at: ride.finished_at,
        marks: ride.marks,
        blocks,
    }))
}

/// The ride's strip of one level; none for a level the horse's ladder does not have.
fn block(judged: &Judged, ride_id: Uuid, day: Date, level: &Level) -> Option<RideBlock> {
    let ladder = judged.ladder();
    let at = ladder.at(level)?;
    let reps = judged.known.reps.get(level)?;
    let strip = strips(reps, at, ladder, day)
        .into_iter()
        .find(|strip| strip.ride_id == ride_id)?;
    let track = &ladder.tracks[at.track].id;
    let may_show = ladder
        .faults
        .iter()
        .filter(|fault| fault.shows_in(track, &level.skill, at.measure, at.sides))
        .map(|fault| FaultChip {
            fault: fault.id.clone(),
            name: fault.name.clone(),
        })
        .collect();
    let seen = judged.known.faults.iter();
    Some(RideBlock {
        level: LevelBrief::of(at, ladder),
        strip,
        faults: seen
            .filter(|chip| chip.ride_id == ride_id && chip.level == *level)
            .map(|chip| chip.fault.clone())
            .collect(),
        may_show,
    })
}
