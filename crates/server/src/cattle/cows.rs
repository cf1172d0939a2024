//! One cow: its sheet, signs, treatments, works.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::cattle::cow::CowSheet;
use cavesson_core::cattle::herd::CowStanding;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::cattle_lot;
use cavesson_store::cattle::cow;
use cavesson_store::cattle::cow_health;
use cavesson_store::cattle::ride_work;
use cavesson_store::cattle::ride_work::Wanted;
use cavesson_store::cattle::ride_work::Work;
use jiff::Timestamp;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::health::{SignOfCow, TreatmentOfCow};
use super::herd::{self, headings};
use super::not_found::{no_cow, no_lot};
use super::works::WorkShown;
use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(add))
        .routes(route!(change))
        .routes(route!(put_away))
        .routes(route!(take_out))
}

/// A cow and the lot it is in.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCow {
    /// The lot.
    lot_id: Uuid,
    /// What is written down of it.
    sheet: CowSheet,
}

/// What was added.
#[derive(Serialize, ToSchema)]
struct CowAdded {
    cow_id: Uuid,
}

/// A cow with all that is known of it.
#[derive(Serialize, ToSchema)]
struct CowPage {
    cow_id: Uuid,
    lot_id: Uuid,
    /// What its lot is called.
    lot: String,
    sheet: CowSheet,
    /// How it stands today.
    standing: CowStanding,
    /// When it went; null while it is there.
    #[schema(value_type = Option<String>, format = DateTime)]
    put_away_at: Option<Timestamp>,
    /// The last day on which it may not be sold for meat; null when it may.
    #[schema(value_type = Option<String>, format = Date)]
    withdrawn_until: Option<Date>,
    /// Each time it was headed, first to last: it stopped, or it went through.
    stopped: Vec<bool>,
    /// Signs that it is not well, latest first.
    signs: Vec<SignOfCow>,
    /// What it was given, latest first.
    treatments: Vec<TreatmentOfCow>,
    /// Its works, latest first.
    works: Vec<WorkShown>,
}

/// A cow.
#[utoipa::path(
    get, path = "/api/cows/{cow_id}", operation_id = "show_cow", tag = "cattle",
    params(("cow_id" = Uuid, Path)),
    responses((status = 200, description = "The cow", body = CowPage))
)]
async fn show(Recorder(signed): Recorder, UrlPath(cow_id): UrlPath<Uuid>) -> Answer<Json<CowPage>> {
    let today = signed.today();
    let mut barn = signed.look().await?;
    let stored = cow::find(&mut barn, cow_id).await?.ok_or_else(no_cow)?;
    let lots = cattle_lot::list(&mut barn).await?;
    let lot = lots.iter().find(|lot| lot.lot_id == stored.lot_id);
    let wanted = Wanted {
        cow_id: Some(cow_id),
        ..Wanted::default()
    };
    let works = ride_work::list(&mut barn, wanted).await?;
    let signs = cow_health::signs(&mut barn, cow_id).await?;
    let given = cow_health::treatments(&mut barn, Some(cow_id)).await?;
    let own: Vec<&Work> = works.iter().collect();
    let now = herd::now(stored, lot, &own, today)?;
    Ok(Json(CowPage {
        cow_id,
        lot_id: now.cow.lot_id,
        lot: lot.map_or_else(String::new, |lot| lot.sheet.name.clone()),
        sheet: now.cow.sheet,
        standing: now.standing,
        put_away_at: now.cow.put_away_at,
        withdrawn_until: cavesson_core::cattle::health::withdrawn_until(
            given.iter().map(|one| &one.treatment),
            today,
        ),
        stopped: works.iter().flat_map(headings).collect(),
        signs: signs.into_iter().map(SignOfCow::from).collect(),
        treatments: given.into_iter().map(TreatmentOfCow::from).collect(),
        works: works.into_iter().rev().map(WorkShown::from).collect(),
    }))
}

/// Add a cow to a lot.
#[utoipa::path(
    post, path = "/api/cows", operation_id = "add_cow", tag = "cattle", request_body = NewCow,
    responses(
        (status = 201, description = "Added", body = CowAdded),
        (status = 409, description = "Another cow of the lot has the tag", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    Trainer(signed): Trainer,
    Body(new): Body<NewCow>,
) -> Answer<(StatusCode, Json<CowAdded>)> {
    let mut barn = signed.write().await?;
    check(&signed, &mut barn, &new).await?;
    let cow_id = Uuid::now_v7();
    cow::add(&mut barn, cow_id, new.lot_id, &new.sheet).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(CowAdded { cow_id })))
}

/// Change what is written down of a cow, or the lot it is in.
#[utoipa::path(
    put, path = "/api/cows/{cow_id}", operation_id = "change_cow", tag = "cattle", request_body = NewCow,
    params(("cow_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "Another cow of the lot has the tag", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(cow_id): UrlPath<Uuid>,
    Body(new): Body<NewCow>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    check(&signed, &mut barn, &new).await?;
    if !cow::change(&mut barn, cow_id, new.lot_id, &new.sheet).await? {
        return Err(no_cow());
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

async fn check(signed: &Signed, barn: &mut BarnTransaction, new: &NewCow) -> Answer<()> {
    new.sheet.check(signed.today()).map_err(|errors| {
        let errors: Vec<_> = errors.into_iter().map(|e| e.under("/sheet")).collect();
        Problem::fields(errors)
    })?;
    if !cattle_lot::is_there(barn, new.lot_id).await? {
        return Err(no_lot());
    }
    Ok(())
}

/// A cow went: sold, or home to where it came from. Its works stay.
#[utoipa::path(
    post, path = "/api/cows/{cow_id}/put-away", operation_id = "put_away_cow", tag = "cattle",
    params(("cow_id" = Uuid, Path)),
    responses((status = 204, description = "It went"))
)]
async fn put_away(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(cow_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    put(&signed, cow_id, Some(app.clock.now())).await
}

/// A cow is there again.
#[utoipa::path(
    post, path = "/api/cows/{cow_id}/take-out", operation_id = "take_out_cow", tag = "cattle",
    params(("cow_id" = Uuid, Path)),
    responses(
        (status = 204, description = "It is there again"),
        (status = 409, description = "Another cow of the lot has its tag by now", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn take_out(Trainer(signed): Trainer, UrlPath(cow_id): UrlPath<Uuid>) -> Answer<StatusCode> {
    put(&signed, cow_id, None).await
}

async fn put(signed: &Signed, cow_id: Uuid, at: Option<Timestamp>) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !cow::put_away(&mut barn, cow_id, at).await? {
        return Err(no_cow());
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
