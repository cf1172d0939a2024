//! How the ground of a place lies.

use axum::Json;
use axum::http::StatusCode;
use cavesson_core::ground::GroundLay;
use cavesson_store::ground::lay;
use cavesson_store::ground::lay::Lay;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(put))
        .routes(route!(take_away))
}

/// How a place lies.
#[derive(Serialize, ToSchema)]
struct LayOfPlace {
    /// Null while nobody has drawn it.
    lay: Option<GroundLay>,
}

fn no_place() -> Problem {
    Problem::not_found("no place of this barn has this id")
}

/// How the ground of a place lies.
#[utoipa::path(
    get, path = "/api/places/{place_id}/lay", operation_id = "show_lay", tag = "ground",
    params(("place_id" = Uuid, Path)),
    responses((status = 200, description = "As it was drawn", body = LayOfPlace))
)]
async fn show(signed: Signed, UrlPath(place_id): UrlPath<Uuid>) -> Answer<Json<LayOfPlace>> {
    let lay = match lay::of_place(&mut signed.look().await?, place_id).await? {
        Lay::NoPlace => return Err(no_place()),
        Lay::NotDrawn => None,
        Lay::Drawn(lay) => Some(lay),
    };
    Ok(Json(LayOfPlace { lay }))
}

/// Draw how the ground of a place lies, or draw it anew.
#[utoipa::path(
    put, path = "/api/places/{place_id}/lay", operation_id = "draw_lay", tag = "ground",
    params(("place_id" = Uuid, Path)), request_body = GroundLay,
    responses((status = 204, description = "Drawn"))
)]
async fn put(
    Trainer(signed): Trainer,
    UrlPath(place_id): UrlPath<Uuid>,
    Body(lay): Body<GroundLay>,
) -> Answer<StatusCode> {
    lay.check().map_err(Problem::field)?;
    write(&signed, place_id, Some(&lay)).await
}

/// Take the drawing of a place away. Courses that lie in it stay.
#[utoipa::path(
    delete, path = "/api/places/{place_id}/lay", operation_id = "take_lay_away", tag = "ground",
    params(("place_id" = Uuid, Path)),
    responses((status = 204, description = "Taken away"))
)]
async fn take_away(
    Trainer(signed): Trainer,
    UrlPath(place_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    write(&signed, place_id, None).await
}

async fn write(signed: &Signed, place_id: Uuid, lay: Option<&GroundLay>) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !lay::put(&mut barn, place_id, lay).await? {
        return Err(no_place());
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
