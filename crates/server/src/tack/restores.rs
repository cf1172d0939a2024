//! The way back for a horse that fights the bit.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::Side;
use cavesson_core::bounds::FieldError;
use cavesson_core::evidence::days_of;
use cavesson_core::gear::restore::{PartSide, RestorePart, RestorePlan, Restored, restored};
use cavesson_core::ladder::Role;
use cavesson_core::yard::GearKind;
use cavesson_store::barn::person;
use cavesson_store::tack::restore;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::shelf::piece;
use crate::App;
use crate::horse_record::Judged;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(plan))
        .routes(route!(end))
}

/// A way back, and how far it is.
#[derive(Serialize, ToSchema)]
struct RestoreShown {
    restore_id: Uuid,
    #[serde(flatten)]
    plan: RestorePlan,
    #[schema(value_type = String, format = Date)]
    began: Date,
    #[schema(value_type = Option<String>, format = Date)]
    ended: Option<Date>,
    /// How far it is, or was on its last day.
    restored: Restored,
}

/// The ways back of a horse.
#[derive(Serialize, ToSchema)]
struct Restores {
    /// The horse's program has the level that is asked on the way back.
    on_program: bool,
    /// The one that goes on first.
    ways: Vec<RestoreShown>,
}

/// The ways back of a horse, and how far each is.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/restores", operation_id = "list_restores", tag = "tack",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The one that goes on first", body = Restores),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<Restores>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let ways = restore::of_horse(&mut barn, horse_id).await?;
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    Ok(Json(Restores {
        on_program: judged.ladder().first_in(Role::Restore).is_some(),
        ways: ways
            .into_iter()
            .map(|way| {
                let on = way.ended.unwrap_or(judged.on);
                RestoreShown {
                    restore_id: way.restore_id,
                    restored: restored(
                        &parts(&judged, way.began, on),
                        way.began,
                        way.plan.weeks,
                        on,
                    ),
                    plan: way.plan,
                    began: way.began,
                    ended: way.ended,
                }
            })
            .collect(),
    }))
}

/// The asks of the way back, side by side, day by day.
fn parts(judged: &Judged, began: Date, on: Date) -> Vec<PartSide> {
    let mut found = Vec::new();
    let ladder = judged.ladder();
    for part in RestorePart::ALL {
        let is_part = |index: &usize| ladder.levels[*index].level.rung.0 == part.rung();
        let Some(index) = ladder.levels_in(Role::Restore).find(is_part) else {
            continue;
        };
        let asks = judged.file.asks_until(index, on);
        let asks = &asks[asks.partition_point(|ask| ask.day < began)..];
        for side in [Side::Left, Side::Right] {
            let days = days_of(asks, side);
            found.push(PartSide { part, side, days });
        }
    }
    found
}

/// Begin the way back, or plan the one that goes on anew.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/restore", operation_id = "plan_restore", tag = "tack",
    params(("horse_id" = Uuid, Path)), request_body = RestorePlan,
    responses(
        (status = 204, description = "It goes on"),
        (status = 404, description = "No such horse, piece or rider", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn plan(
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(plan): Body<RestorePlan>,
) -> Answer<StatusCode> {
    plan.check().map_err(Problem::field)?;
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    let mild = piece(&mut barn, "/gear_id", plan.gear_id).await?;
    if mild.sheet.kind == GearKind::Shank || mild.sheet.measures.leverage().is_some() {
        return Err(Problem::field(FieldError::new(
            "/gear_id",
            "must be something mild without shanks: a snaffle, a bosal or a halter",
        )));
    }
    let members = person::members(&mut barn).await?;
    let rides = |id: &Uuid| {
        members.iter().any(|member| {
            member.person.person_id == *id
                && member.left_at.is_none()
                && member.person.role.records()
        })
    };
    if let Some(index) = plan.riders.iter().position(|id| !rides(id)) {
        return Err(Problem::fields_not_found(vec![FieldError::new(
            format!("/riders/{index}"),
            "nobody of this barn who rides has this id",
        )]));
    }
    let new = restore::Restore {
        restore_id: Uuid::now_v7(),
        horse_id,
        plan,
        began: signed.today(),
        ended: None,
    };
    restore::put(&mut barn, &new).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// The way back is over.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/restore/end", operation_id = "end_restore", tag = "tack",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Over"),
        (status = 404, description = "No way back goes on", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn end(Trainer(signed): Trainer, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    if !restore::end(&mut barn, horse_id, signed.today()).await? {
        return Err(Problem::not_found("no way back goes on with this horse"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
