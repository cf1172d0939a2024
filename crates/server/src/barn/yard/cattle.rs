//! Lots of cattle.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::yard::CattleLotSheet;
use cavesson_store::barn::cattle_lot;
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
    CattleLot,
    cattle_lot,
    CattleLotSheet,
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

/// A lot of cattle.
#[derive(Serialize, ToSchema)]
struct LotOfYard {
    lot_id: Uuid,
    #[serde(flatten)]
    sheet: CattleLotSheet,
    /// When it was put away; null while it is in use.
    #[schema(value_type = Option<String>, format = DateTime)]
    put_away_at: Option<Timestamp>,
}

/// All lots by name, those put away last.
#[utoipa::path(
    get, path = "/api/cattle", operation_id = "list_cattle_lots", tag = "yard",
    responses((status = 200, description = "All of them", body = [LotOfYard]))
)]
async fn list(signed: Signed) -> Answer<Json<Vec<LotOfYard>>> {
    let stored = cattle_lot::list(&mut signed.look().await?).await?;
    Ok(Json(
        stored
            .into_iter()
            .map(|stored| LotOfYard {
                lot_id: stored.lot_id,
                sheet: stored.sheet,
                put_away_at: stored.put_away_at,
            })
            .collect(),
    ))
}

/// Add a lot of cattle.
#[utoipa::path(
    post, path = "/api/cattle", operation_id = "add_cattle_lot", tag = "yard", request_body = CattleLotSheet,
    responses(
        (status = 201, description = "Added", body = Added),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    Trainer(signed): Trainer,
    Body(sheet): Body<CattleLotSheet>,
) -> Answer<(StatusCode, Json<Added>)> {
    sheet.check().map_err(Problem::fields)?;
    let id = Uuid::now_v7();
    let mut barn = signed.write().await?;
    cattle_lot::add(&mut barn, id, &sheet).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(Added { id })))
}

/// Change what is written down of a lot of cattle.
#[utoipa::path(
    put, path = "/api/cattle/{lot_id}", operation_id = "change_cattle_lot", tag = "yard",
    params(("lot_id" = Uuid, Path)), request_body = CattleLotSheet,
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(lot_id): UrlPath<Uuid>,
    Body(sheet): Body<CattleLotSheet>,
) -> Answer<StatusCode> {
    sheet.check().map_err(Problem::fields)?;
    shelf::change::<CattleLot>(&signed, lot_id, &sheet).await
}

/// Put a lot of cattle away. What it was used for stays.
#[utoipa::path(
    post, path = "/api/cattle/{lot_id}/put-away", operation_id = "put_away_cattle_lot", tag = "yard",
    params(("lot_id" = Uuid, Path)),
    responses((status = 204, description = "Put away"))
)]
async fn put_away(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(lot_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    shelf::put_away::<CattleLot>(&signed, lot_id, Some(app.clock.now())).await
}

/// Use a lot of cattle again.
#[utoipa::path(
    post, path = "/api/cattle/{lot_id}/take-out", operation_id = "take_out_cattle_lot", tag = "yard",
    params(("lot_id" = Uuid, Path)),
    responses((status = 204, description = "In use again"))
)]
async fn take_out(Trainer(signed): Trainer, UrlPath(lot_id): UrlPath<Uuid>) -> Answer<StatusCode> {
    shelf::put_away::<CattleLot>(&signed, lot_id, None).await
}
