//! What a program means for its horses: rides a week, and the levels it leads to.

use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::RIDES_A_WEEK;
use cavesson_core::horse::goal::check_levels;
use cavesson_core::ladder::Level;
use cavesson_store::horse::program;
use serde::Deserialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Decider;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(set_rides))
        .routes(route!(set_leads_to))
}

/// How often the horses of a program are ridden.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct RidesAWeek {
    #[schema(minimum = 0, maximum = 12)]
    rides_a_week: u8,
}

/// What the horses of a program are to hold in the end.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct LeadsTo {
    #[schema(max_items = 60)]
    levels: Vec<Level>,
}

/// Say how many rides a week a program wants for each of its horses.
#[utoipa::path(
    put, path = "/api/programs/{program_id}/rides-a-week", operation_id = "set_rides_a_week", tag = "programs",
    params(("program_id" = Uuid, Path)), request_body = RidesAWeek,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "No such program in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn set_rides(
    Decider(signed): Decider,
    UrlPath(program_id): UrlPath<Uuid>,
    Body(sheet): Body<RidesAWeek>,
) -> Answer<StatusCode> {
    RIDES_A_WEEK
        .check("/rides_a_week", f64::from(sheet.rides_a_week))
        .map_err(Problem::field)?;
    let mut barn = signed.write().await?;
    if !program::set_rides_a_week(&mut barn, program_id, sheet.rides_a_week).await? {
        return Err(no_program());
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Say which levels a program leads to. A horse's goal may take them over.
#[utoipa::path(
    put, path = "/api/programs/{program_id}/leads-to", operation_id = "set_leads_to", tag = "programs",
    params(("program_id" = Uuid, Path)), request_body = LeadsTo,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "No such program in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A level that its ladder does not have, or one named twice", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn set_leads_to(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(program_id): UrlPath<Uuid>,
    Body(sheet): Body<LeadsTo>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    let programs = program::in_use(&mut barn).await?;
    let kept = programs.iter().find(|one| one.program_id == program_id);
    let kept = kept.ok_or_else(no_program)?;
    let on = app.known.ladders.of(signed.barn.barn_id, kept);
    check_levels("/levels", &sheet.levels, &[], &on.ladder).map_err(Problem::field)?;
    program::set_leads_to(&mut barn, program_id, &sheet.levels).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

fn no_program() -> Problem {
    Problem::not_found("no such program in this barn")
}
