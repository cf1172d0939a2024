//! Gear by name, kind and measures.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::gear::school::forbids;
use cavesson_core::gear::show_rules::{Piece, ReinKind};
use cavesson_core::rep::HandWeight;
use cavesson_core::yard::GearSheet;
use cavesson_store::barn::gear;
use cavesson_store::horse::program;
use cavesson_store::horse::program::ProgramVersion;
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
    Gear,
    gear,
    GearSheet,
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

/// A piece of gear.
#[derive(Serialize, ToSchema)]
struct GearOfYard {
    gear_id: Uuid,
    #[serde(flatten)]
    sheet: GearSheet,
    /// The most hand it allows; null for what is not on the head.
    allows: Option<HandWeight>,
    /// The piece as rules of the show ring see it; null where they have none about it.
    for_show: Option<Piece>,
    /// Split or romal, as they ask it.
    reins_for_show: Option<ReinKind>,
    /// The programs of the barn that leave it out.
    left_out_by: Vec<String>,
    /// When it was put away; null while it is in use.
    #[schema(value_type = Option<String>, format = DateTime)]
    put_away_at: Option<Timestamp>,
}

/// All gear by name, those put away last.
#[utoipa::path(
    get, path = "/api/gear", operation_id = "list_gears", tag = "yard",
    responses((status = 200, description = "All of them", body = [GearOfYard]))
)]
async fn list(signed: Signed) -> Answer<Json<Vec<GearOfYard>>> {
    let mut barn = signed.look().await?;
    let stored = gear::list(&mut barn).await?;
    let programs = program::in_use(&mut barn).await?;
    Ok(Json(
        stored
            .into_iter()
            .map(|stored| GearOfYard {
                gear_id: stored.gear_id,
                allows: stored.sheet.allows(),
                for_show: stored
                    .sheet
                    .kind
                    .for_show()
                    .map(|kind| stored.sheet.measures.for_show(kind)),
                reins_for_show: stored.sheet.measures.reins_for_show(),
                left_out_by: left_out_by(&programs, &stored.sheet),
                sheet: stored.sheet,
                put_away_at: stored.put_away_at,
            })
            .collect(),
    ))
}

fn left_out_by(programs: &[ProgramVersion], sheet: &GearSheet) -> Vec<String> {
    let leaves_out = |program: &&ProgramVersion| {
        let content = program.content.as_ref();
        content.is_ok_and(|content| forbids(&content.schools, &sheet.measures))
    };
    let found = programs.iter().filter(leaves_out);
    found.map(|program| program.name.clone()).collect()
}

/// Add a piece of gear.
#[utoipa::path(
    post, path = "/api/gear", operation_id = "add_gear", tag = "yard", request_body = GearSheet,
    responses(
        (status = 201, description = "Added", body = Added),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    Trainer(signed): Trainer,
    Body(sheet): Body<GearSheet>,
) -> Answer<(StatusCode, Json<Added>)> {
    sheet.check().map_err(Problem::fields)?;
    let id = Uuid::now_v7();
    let mut barn = signed.write().await?;
    gear::add(&mut barn, id, &sheet).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(Added { id })))
}

/// Change what is written down of a piece of gear.
#[utoipa::path(
    put, path = "/api/gear/{gear_id}", operation_id = "change_gear", tag = "yard",
    params(("gear_id" = Uuid, Path)), request_body = GearSheet,
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(gear_id): UrlPath<Uuid>,
    Body(sheet): Body<GearSheet>,
) -> Answer<StatusCode> {
    sheet.check().map_err(Problem::fields)?;
    shelf::change::<Gear>(&signed, gear_id, &sheet).await
}

/// Put a piece of gear away. What it was used for stays.
#[utoipa::path(
    post, path = "/api/gear/{gear_id}/put-away", operation_id = "put_away_gear", tag = "yard",
    params(("gear_id" = Uuid, Path)),
    responses((status = 204, description = "Put away"))
)]
async fn put_away(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(gear_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    shelf::put_away::<Gear>(&signed, gear_id, Some(app.clock.now())).await
}

/// Use a piece of gear again.
#[utoipa::path(
    post, path = "/api/gear/{gear_id}/take-out", operation_id = "take_out_gear", tag = "yard",
    params(("gear_id" = Uuid, Path)),
    responses((status = 204, description = "In use again"))
)]
async fn take_out(Trainer(signed): Trainer, UrlPath(gear_id): UrlPath<Uuid>) -> Answer<StatusCode> {
    shelf::put_away::<Gear>(&signed, gear_id, None).await
}
