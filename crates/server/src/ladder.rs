//! The ladder in use.

use axum::Json;
use axum::extract::State;
use cavesson_core::ladder::Ladder;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;

use crate::App;
use crate::problem::Problem;
use crate::signed::Signed;

/// The ladder's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(show))
}

/// Tracks, skills, levels and their gates.
#[utoipa::path(
    get, path = "/api/ladder", operation_id = "show_ladder", tag = "ladder",
    responses(
        (status = 200, description = "The ladder", body = Ladder),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(State(app): State<App>, _signed: Signed) -> Json<Ladder> {
    Json(app.ladder.clone())
}
