//! Tomorrow's trail course of a horse: what it holds, and one thing that is new.

use axum::Json;
use axum::extract::State;
use cavesson_core::ground::course_plan::CoursePlan;
use cavesson_core::ground::trail_pick::{Stands, Tomorrow, tomorrow};
use cavesson_core::judge::State as Standing;
use cavesson_core::ladder::Level;
use cavesson_store::ground::course;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

/// Tomorrow's trail course.
#[derive(Serialize, ToSchema)]
struct HorseTrail {
    /// What to ride of it, in which order, and what not.
    tomorrow: Tomorrow,
    /// So that nobody is hurt; null where the ladder has no trail.
    caution: Option<String>,
}

/// What to ride tomorrow of a trail course, by where the horse stands on the ladder.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/trail/{course_id}", operation_id = "show_trail", tag = "ground",
    params(("horse_id" = Uuid, Path), ("course_id" = Uuid, Path)),
    responses((status = 200, description = "By today's ladder", body = HorseTrail))
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath((horse_id, course_id)): UrlPath<(Uuid, Uuid)>,
) -> Answer<Json<HorseTrail>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let none = || Problem::not_found("no trail course of this barn has this id");
    let course = course::one(&mut barn, course_id).await?.ok_or_else(none)?;
    let CoursePlan::Trail(plan) = course.sheet.plan else {
        return Err(none());
    };
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    let track = judged
        .ladder()
        .tracks
        .iter()
        .find(|track| track.id == "trail");
    let caution = track.and_then(|track| track.caution.clone());
    Ok(Json(HorseTrail {
        tomorrow: tomorrow(&plan.obstacles, |level| stands(&judged, level)),
        caution,
    }))
}

/// A level that the horse's ladder does not have is not open to it.
fn stands(judged: &Judged, level: &Level) -> Stands {
    let Some(index) = judged.ladder().position(level) else {
        return Stands::Closed;
    };
    let standing = &judged.standings[index];
    match standing.state {
        Standing::Closed => Stands::Closed,
        _ if standing.counts_as_held() => Stands::Held,
        _ => Stands::Open,
    }
}
