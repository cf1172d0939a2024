//! Times that timing eyes measured, until a run takes them.

use axum::Json;
use axum::http::StatusCode;
use cavesson_core::bounds::{NAME_LETTERS, RUN_S};
use cavesson_core::device::Device;
use cavesson_core::device::timer::EyeFault;
use cavesson_core::text::check_text;
use cavesson_store::ground::timed_run;
use cavesson_store::ground::timed_run::TimedRun;
use jiff::{SignedDuration, Timestamp};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::barn::devices::check_plugged_in;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Recorder;
use crate::http::url::UrlPath;
use crate::route;

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(put))
}

/// How far back times are listed, and how many.
const BACK: SignedDuration = SignedDuration::from_hours(24 * 14);
const LISTED: i64 = 100;

/// A time as it comes from the eyes.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewTimedRun {
    /// What the eyes are called.
    #[schema(min_length = 1, max_length = 80)]
    eyes: String,
    /// When the run was over.
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
    /// Seconds from line to line, to the thousandth.
    #[schema(minimum = 5, maximum = 1800)]
    time_s: f64,
    /// What went wrong on the way.
    #[serde(default)]
    #[schema(max_items = 20)]
    faults: Vec<EyeFault>,
}

/// A time of the eyes.
#[derive(Serialize, ToSchema)]
#[schema(as = TimedRun)]
struct Shown {
    timed_id: Uuid,
    /// What the eyes are called.
    eyes: String,
    /// When the run was over.
    #[schema(value_type = String, format = DateTime)]
    at: Timestamp,
    /// Seconds from line to line.
    time_s: f64,
    /// What went wrong on the way.
    faults: Vec<EyeFault>,
    /// A run of a ride has it.
    taken: bool,
}

/// The times of the last 14 days, latest first; at most 100.
#[utoipa::path(
    get, path = "/api/timed-runs", operation_id = "list_timed_runs", tag = "ground",
    responses((status = 200, description = "Latest first", body = [Shown]))
)]
async fn list(Recorder(signed): Recorder) -> Answer<Json<Vec<Shown>>> {
    let since = signed.now().timestamp() - BACK;
    let listed = timed_run::since(&mut signed.look().await?, since, LISTED).await?;
    let shown = |timed_run::Listed { timed, taken }| Shown {
        timed_id: timed.timed_id,
        eyes: timed.eyes,
        at: timed.at,
        time_s: f64::from(timed.time_ms) / 1000.0,
        faults: timed.faults,
        taken,
    };
    Ok(Json(listed.into_iter().map(shown).collect()))
}

/// Keep a time of the eyes. The same one may be sent again.
#[utoipa::path(
    put, path = "/api/timed-runs/{timed_id}", operation_id = "put_timed_run", tag = "ground",
    params(("timed_id" = Uuid, Path)), request_body = NewTimedRun,
    responses(
        (status = 204, description = "Kept"),
        (status = 409, description = "This id is known with another time, or the eyes are unplugged", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    Recorder(signed): Recorder,
    UrlPath(timed_id): UrlPath<Uuid>,
    Body(new): Body<NewTimedRun>,
) -> Answer<StatusCode> {
    let errors: Vec<_> = [
        check_text(NAME_LETTERS, "/eyes", &new.eyes).err(),
        signed.check_begun("/at", new.at).err(),
        RUN_S.check("/time_s", new.time_s).err(),
        cavesson_core::bounds::EYE_FAULTS
            .check_count("/faults", new.faults.len())
            .err(),
    ]
    .into_iter()
    .flatten()
    .collect();
    if !errors.is_empty() {
        return Err(Problem::fields(errors));
    }
    let timed = TimedRun {
        timed_id,
        eyes: new.eyes,
        at: new.at,
        time_ms: (new.time_s * 1000.0).round() as i32,
        faults: new.faults,
    };
    let mut barn = signed.write().await?;
    check_plugged_in(&mut barn, Device::Eyes).await?;
    if !timed_run::put(&mut barn, &timed, signed.person.person_id).await? {
        return Err(Problem::id_conflict("/timed_id", timed_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
