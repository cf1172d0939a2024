//! Places to ride.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::yard::PlaceSheet;
use cavesson_store::barn::place;
use jiff::Timestamp;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::answers::Added;
use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::shelf::{self, on_shelf};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

on_shelf!(
    Place,
    place,
    PlaceSheet,
    "nothing in this barn's yard has this id"
);

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(add))
        .routes(route!(change))
        .routes(route!(put_away))
        .routes(route!(take_out))
}

/// A place.
#[derive(Serialize, ToSchema)]
struct PlaceOfYard {
    place_id: Uuid,
    #[serde(flatten)]
    sheet: PlaceSheet,
    /// When it was put away; null while it is in use.
    #[schema(value_type = Option<String>, format = DateTime)]
    put_away_at: Option<Timestamp>,
}

/// All places by name, those put away last.
#[utoipa::path(
    get, path = "/api/places", operation_id = "list_places", tag = "yard",
    responses((status = 200, description = "All of them", body = [PlaceOfYard]))
)]
async fn list(signed: Signed) -> Answer<Json<Vec<PlaceOfYard>>> {
    let stored = place::list(&mut signed.look().await?).await?;
    Ok(Json(
        stored
            .into_iter()
            .map(|stored| PlaceOfYard {
                place_id: stored.place_id,
                sheet: stored.sheet,
                put_away_at: stored.put_away_at,
            })
            .collect(),
    ))
}

/// Add a place.
#[utoipa::path(
    post, path = "/api/places", operation_id = "add_place", tag = "yard", request_body = PlaceSheet,
    responses(
        (status = 201, description = "Added", body = Added),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    Trainer(signed): Trainer,
    Body(sheet): Body<PlaceSheet>,
) -> Answer<(StatusCode, Json<Added>)> {
    sheet.check().map_err(Problem::fields)?;
    let id = Uuid::now_v7();
    let mut barn = signed.write().await?;
    place::add(&mut barn, id, &sheet).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(Added { id })))
}

/// Change what is written down of a place.
#[utoipa::path(
    put, path = "/api/places/{place_id}", operation_id = "change_place", tag = "yard",
    params(("place_id" = Uuid, Path)), request_body = PlaceSheet,
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(place_id): UrlPath<Uuid>,
    Body(sheet): Body<PlaceSheet>,
) -> Answer<StatusCode> {
    sheet.check().map_err(Problem::fields)?;
    shelf::change::<Place>(&signed, place_id, &sheet).await
}

/// Put a place away. What it was used for stays.
#[utoipa::path(
    post, path = "/api/places/{place_id}/put-away", operation_id = "put_away_place", tag = "yard",
    params(("place_id" = Uuid, Path)),
    responses((status = 204, description = "Put away"))
)]
async fn put_away(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(place_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    shelf::put_away::<Place>(&signed, place_id, Some(app.clock.now())).await
}

/// Use a place again.
#[utoipa::path(
    post, path = "/api/places/{place_id}/take-out", operation_id = "take_out_place", tag = "yard",
    params(("place_id" = Uuid, Path)),
    responses((status = 204, description = "In use again"))
)]
async fn take_out(
    Trainer(signed): Trainer,
    UrlPath(place_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    shelf::put_away::<Place>(&signed, place_id, None).await
}
