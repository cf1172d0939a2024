//! Whether the server and its database answer.

use axum::Json;
use axum::extract::State;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::http::problem::{Answer, Problem};
use crate::route;

/// The health route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(show))
}

#[derive(Serialize, ToSchema)]
struct Health {
    /// The program's version.
    version: &'static str,
}

/// Answers when the database does.
#[utoipa::path(
    get, path = "/api/health", operation_id = "show_health", tag = "health",
    responses((status = 200, description = "Server and database answer", body = Health))
)]
async fn show(State(app): State<App>) -> Answer<Json<Health>> {
    app.pool
        .acquire()
        .await
        .map_err(|error| Problem::from(cavesson_store::StoreError::from(error)))?;
    Ok(Json(Health {
        version: env!("CARGO_PKG_VERSION"),
    }))
}
