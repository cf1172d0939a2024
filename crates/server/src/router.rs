//! All routes. The OpenAPI document comes from them and is served beside them.

use std::sync::Arc;
use std::time::Duration;

use axum::extract::{DefaultBodyLimit, Request};
use axum::middleware::{Next, from_fn, from_fn_with_state};
use axum::response::{IntoResponse, Response};
use axum::routing::get;
use axum::{Json, Router};
use cavesson_core::calc::join_variants;
use tower_governor::GovernorLayer;
use tower_governor::governor::GovernorConfigBuilder;
use tower_http::compression::CompressionLayer;
use tower_http::trace::TraceLayer;
use tower_sessions::cookie::SameSite;
use tower_sessions::{Expiry, SessionManagerLayer};
use utoipa::OpenApi;
use utoipa_axum::router::OpenApiRouter;

use crate::barn::{
    access_links, account, barns, devices, health, live, news, people, session, yard,
};
use crate::cattle::{cow_rounds, flag};
use crate::day::{bookings, busy, days, trips, weather};
use crate::horse::{
    board, card_blocks, care, horse_page, horses, ladder, levels, loads, overrules, placings,
    program_goals, program_preview, programs,
};
use crate::http::audit::keep::{Keeper, keep};
use crate::http::body::MOST_BYTES;
use crate::http::problem::Problem;
use crate::http::session_store::PostgresSessions;
use crate::http::signed_in::UNUSED;
use crate::http::{audit, web};
use crate::plan::{calendars, roads, today, weeks};
use crate::records::{archives, calc, imports, reviews, sheets};
use crate::ride::{batches, cards, cool_outs, intakes, offline_pack, ride_moved, rides};
use crate::{App, Settings, cattle, ground, owners, tack};

/// How long a request may take.
const MOST_SECONDS: u64 = 20;

#[derive(OpenApi)]
#[openapi(info(
    title = "Cavesson",
    description = "Plans the rides of western performance horses, records every ask and answer, and judges from them when a horse may advance. Times are seconds, forces newtons; days are the barn's own calendar days. Errors are problem+json (RFC 9457).",
    license(name = "Apache-2.0", identifier = "Apache-2.0")
))]
struct Document;

fn api() -> OpenApiRouter<App> {
    OpenApiRouter::with_openapi(Document::openapi())
        .merge(session::routes())
        .merge(account::routes())
        .merge(access_links::routes())
        .merge(barns::routes())
        .merge(people::routes())
        .merge(yard::routes())
        .merge(tack::routes())
        .merge(ground::routes())
        .merge(days::routes())
        .merge(trips::routes())
        .merge(weather::routes())
        .merge(busy::routes())
        .merge(calendars::routes())
        .merge(today::routes())
        .merge(horses::routes())
        .merge(horse_page::routes())
        .merge(board::routes())
        .merge(programs::routes())
        .merge(program_preview::routes())
        .merge(overrules::routes())
        .merge(placings::routes())
        .merge(news::routes())
        .merge(offline_pack::routes())
        .merge(care::routes())
        .merge(loads::routes())
        .merge(owners::routes())
        .merge(reviews::routes())
        .merge(sheets::routes())
        .merge(imports::routes())
        .merge(devices::routes())
        .merge(audit::routes())
        .merge(cool_outs::routes())
        .merge(cow_rounds::routes())
        .merge(cattle::routes())
        .merge(flag::routes())
        .merge(card_blocks::routes())
        .merge(cards::routes())
        .merge(intakes::routes())
        .merge(levels::routes())
        .merge(rides::routes())
        .merge(ride_moved::routes())
        .merge(batches::routes())
        .merge(ladder::routes())
        .merge(bookings::routes())
        .merge(weeks::routes())
        .merge(roads::routes())
        .merge(program_goals::routes())
        .merge(calc::routes())
        .merge(health::routes())
}

/// Where passwords and words of links are tried: counted by network address.
fn limited() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .merge(session::sign_in_routes())
        .merge(account::limited_routes())
        .merge(access_links::open_routes())
        .merge(calendars::open_routes())
        .merge(owners::open_routes())
}

/// What lasts as long as somebody listens, or a whole barn is on its way.
fn lasting() -> OpenApiRouter<App> {
    live::routes()
        .merge(flag::live_routes())
        .merge(archives::lasting_routes())
        .merge(sheets::lasting_routes())
        .merge(imports::lasting_routes())
}

/// The OpenAPI document.
pub fn openapi() -> serde_json::Value {
    let derived = api().merge(lasting()).merge(limited()).into_openapi();
    let mut document = serde_json::to_value(&derived).expect("a document is JSON");
    let schemas = document["components"]["schemas"].clone();
    if let Some(definitions) = schemas.as_object() {
        join_variants(&mut document["components"]["schemas"], definitions);
    }
    document
}

/// The whole service.
pub fn build(app: App, settings: &Settings) -> Router {
    let sessions = SessionManagerLayer::new(PostgresSessions {
        pool: app.pool.clone(),
        clock: app.clock.clone(),
    })
    .with_name("cavesson")
    .with_same_site(SameSite::Strict)
    .with_secure(settings.secure_cookie)
    .with_expiry(Expiry::OnInactivity(time::Duration::seconds(
        UNUSED.as_secs(),
    )));
    let document = openapi();
    let keeper = Keeper::new(app.clone(), &document);
    let document = Json(document);
    let (limited, _) = limited().split_for_parts();
    let (open, _) = api().split_for_parts();
    let (live, _) = lasting().split_for_parts();
    let api = open
        .merge(limit_tries(limited, settings.sign_in_tries))
        .route("/api/openapi.json", get(async move || document))
        .route("/api/{*unknown}", get(no_address).post(no_address))
        .method_not_allowed_fallback(async || Problem::method())
        .with_state(app.clone())
        .route_layer(from_fn_with_state(keeper.clone(), keep))
        .layer(DefaultBodyLimit::max(MOST_BYTES))
        .layer(from_fn(in_time))
        // Who listens for changes listens longer than that.
        .merge(
            live.with_state(app)
                .route_layer(from_fn_with_state(keeper, keep)),
        )
        .layer(sessions);
    let all = match &settings.web_folder {
        Some(folder) => api.merge(web::routes(folder)),
        None => api.fallback(no_address),
    };
    web::guard(all)
        .layer(CompressionLayer::new())
        .layer(TraceLayer::new_for_http())
}

/// Answers that a request took too long, instead of letting it wait for ever.
async fn in_time(request: Request, next: Next) -> Response {
    let most = Duration::from_secs(MOST_SECONDS);
    match tokio::time::timeout(most, next.run(request)).await {
        Ok(answer) => answer,
        Err(_) => Problem::timed_out().into_response(),
    }
}

async fn no_address() -> Problem {
    Problem::not_found("no such address; see /api/openapi.json")
}

/// Tries are counted by network address.
fn limit_tries(router: Router<App>, tries: u32) -> Router<App> {
    let config = GovernorConfigBuilder::default()
        .per_second(2)
        .burst_size(tries)
        .finish()
        .expect("a rate and a burst above zero");
    router.layer(GovernorLayer::new(Arc::new(config)).error_handler(|error| {
        let wait_s = match error {
            tower_governor::GovernorError::TooManyRequests { wait_time, .. } => wait_time,
            _ => 2,
        };
        Problem::too_many_tries(wait_s.max(1)).into_response()
    }))
}
