//! A lot with its cattle and settlings.

use axum::http::StatusCode;
use axum::response::{IntoResponse, Response};
use axum::{Extension, Json};
use cavesson_core::bounds::CATTLE_OF_LOT;
use cavesson_core::cattle::cow::{CowKind, CowSheet};
use cavesson_core::cattle::herd::CowStanding;
use cavesson_core::cattle::rows::{self, CowRows, Usual};
use cavesson_core::cattle::settle::{Settled, Settling};
use cavesson_core::yard::{CattleKind, CattleLotSheet};
use cavesson_store::cattle::cow;
use cavesson_store::cattle::cow_health;
use cavesson_store::cattle::settling;
use jiff::Timestamp;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::herd::{self, CowNow};
use super::not_found::no_lot;
use crate::App;
use crate::http::audit::keep::Unchanged;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(add_rows))
        .routes(route!(put_settling))
        .routes(route!(take_out_settling))
}

/// A cow in the list of its lot.
#[derive(Serialize, ToSchema)]
pub struct CowOfLot {
    pub cow_id: Uuid,
    pub sheet: CowSheet,
    /// How it stands today.
    pub standing: CowStanding,
    /// The last day on which it may not be sold for meat; null when it may.
    #[schema(value_type = Option<String>, format = Date)]
    pub withdrawn_until: Option<Date>,
    /// When it went; null while it is there.
    #[schema(value_type = Option<String>, format = DateTime)]
    pub put_away_at: Option<Timestamp>,
}

/// A herd that was settled.
#[derive(Serialize, ToSchema)]
struct SettlingOfLot {
    settling_id: Uuid,
    #[serde(flatten)]
    settling: Settling,
    /// Who wrote it down.
    by: String,
}

/// A lot with its cattle.
#[derive(Serialize, ToSchema)]
struct LotWithCattle {
    lot_id: Uuid,
    sheet: CattleLotSheet,
    /// When it was put away; null while it is in use.
    #[schema(value_type = Option<String>, format = DateTime)]
    put_away_at: Option<Timestamp>,
    /// Whether it stands settled today.
    settled: Settled,
    /// When it was settled, latest first; at most 30.
    settlings: Vec<SettlingOfLot>,
    /// Its cattle by tag, those that went last.
    cattle: Vec<CowOfLot>,
}

/// Rows with cattle.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCowRows {
    /// CSV, or rows pasted from a sheet.
    #[schema(max_length = 200_000)]
    text: String,
    /// Add them; otherwise they are only read.
    add: bool,
}

/// How a herd was settled.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewSettling {
    /// The lot.
    lot_id: Uuid,
    /// How it went.
    settling: Settling,
}

/// Settlings that are listed.
const SETTLINGS: i64 = 30;

/// A lot of cattle, cow by cow.
#[utoipa::path(
    get, path = "/api/cattle/{lot_id}", operation_id = "show_cattle_lot", tag = "cattle",
    params(("lot_id" = Uuid, Path)),
    responses((status = 200, description = "The lot", body = LotWithCattle))
)]
async fn show(
    Recorder(signed): Recorder,
    UrlPath(lot_id): UrlPath<Uuid>,
) -> Answer<Json<LotWithCattle>> {
    let today = signed.today();
    let mut barn = signed.look().await?;
    let mut found = herd::of_lot(&mut barn, lot_id, today)
        .await?
        .ok_or_else(no_lot)?;
    let mut settlings = settling::list(&mut barn, Some(lot_id), SETTLINGS).await?;
    settlings.reverse();
    let given = cow_health::treatments(&mut barn, None).await?;
    let lot = found.lots.pop().ok_or_else(no_lot)?;
    let shown = |CowNow { cow, standing }: CowNow| {
        let own = given.iter().filter(|one| one.cow_id == cow.cow_id);
        CowOfLot {
            cow_id: cow.cow_id,
            withdrawn_until: cavesson_core::cattle::health::withdrawn_until(
                own.map(|one| &one.treatment),
                today,
            ),
            sheet: cow.sheet,
            standing,
            put_away_at: cow.put_away_at,
        }
    };
    Ok(Json(LotWithCattle {
        lot_id,
        sheet: lot.lot.sheet,
        put_away_at: lot.lot.put_away_at,
        settled: lot.settled,
        settlings: settlings
            .into_iter()
            .map(|one| SettlingOfLot {
                settling_id: one.settling_id,
                settling: one.settling,
                by: one.by,
            })
            .collect(),
        cattle: found.cattle.into_iter().map(shown).collect(),
    }))
}

/// Read rows with cattle; with `add`, add them all, unless any of them doesn't fit.
#[utoipa::path(
    post, path = "/api/cattle/{lot_id}/rows", operation_id = "add_cow_rows", tag = "cattle", request_body = NewCowRows,
    params(("lot_id" = Uuid, Path)),
    responses((status = 200, description = "The cattle of the rows, and what doesn't fit; with anything that doesn't, nothing was added", body = CowRows))
)]
async fn add_rows(
    Trainer(signed): Trainer,
    UrlPath(lot_id): UrlPath<Uuid>,
    Body(new): Body<NewCowRows>,
) -> Answer<Response> {
    let today = signed.today();
    let mut barn = signed.write().await?;
    let found = herd::of_lot(&mut barn, lot_id, today)
        .await?
        .ok_or_else(no_lot)?;
    let here = found.cattle.iter().map(|now| &now.cow);
    let taken: Vec<String> = here
        .filter(|cow| cow.put_away_at.is_none())
        .map(|cow| cow.sheet.tag.clone())
        .collect();
    let kind = found.lots.first().map(|now| now.lot.sheet.kind);
    let usual = Usual {
        kind: match kind {
            Some(CattleKind::Steers) => CowKind::Steer,
            Some(CattleKind::Cows) => CowKind::Cow,
            _ => CowKind::Heifer,
        },
        today,
        taken: &taken,
    };
    let read = rows::read(&new.text, &usual);
    if new.add && read.errors.is_empty() {
        let after = taken.len() + read.cattle.len();
        CATTLE_OF_LOT
            .check_count("/text", after)
            .map_err(Problem::field)?;
        for sheet in &read.cattle {
            cow::add(&mut barn, Uuid::now_v7(), lot_id, sheet).await?;
        }
        barn.commit().await?;
        return Ok(Json(read).into_response());
    }
    Ok((Extension(Unchanged), Json(read)).into_response())
}

/// Write down how a herd was settled. The same one may be sent again.
#[utoipa::path(
    put, path = "/api/settlings/{settling_id}", operation_id = "put_settling", tag = "cattle",
    params(("settling_id" = Uuid, Path)), request_body = NewSettling,
    responses(
        (status = 204, description = "Written down"),
        (status = 409, description = "This id is known of another lot", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put_settling(
    Recorder(signed): Recorder,
    UrlPath(settling_id): UrlPath<Uuid>,
    Body(new): Body<NewSettling>,
) -> Answer<StatusCode> {
    new.settling.check(signed.today()).map_err(|errors| {
        Problem::fields(
            errors
                .into_iter()
                .map(|e| e.under("/settling"))
                .collect::<Vec<_>>(),
        )
    })?;
    let mut barn = signed.write().await?;
    if !cavesson_store::barn::cattle_lot::is_there(&mut barn, new.lot_id).await? {
        return Err(no_lot());
    }
    let (by, at) = (signed.person.person_id, signed.now().timestamp());
    if !settling::put(&mut barn, settling_id, new.lot_id, &new.settling, by, at).await? {
        return Err(Problem::id_conflict("/settling_id", settling_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Take out a settling that was written down wrongly.
#[utoipa::path(
    delete, path = "/api/settlings/{settling_id}", operation_id = "take_out_settling", tag = "cattle",
    params(("settling_id" = Uuid, Path)),
    responses((status = 204, description = "Taken out"))
)]
async fn take_out_settling(
    Recorder(signed): Recorder,
    UrlPath(settling_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !settling::take_out(&mut barn, settling_id).await? {
        return Err(Problem::not_found("nothing of this id was settled here"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
