//! The barn itself: its name, time zone and units.

use axum::Json;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NAME_LETTERS, PERCENT, together};
use cavesson_core::text::check_text;
use cavesson_core::week::trips::QUIET_OUTINGS_PCT;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use jiff::tz::{self, TimeZone};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::barn::units::Units;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::route;

/// The barn's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(change))
        .routes(route!(time_zones))
}

/// The barn.
#[derive(Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct BarnSheet {
    #[schema(min_length = 1, max_length = 80)]
    name: String,
    /// IANA time zone; days are counted there.
    #[schema(example = "America/Denver")]
    time_zone: String,
    units: Units,
    /// Of the trips a horse makes, the percentage on which nothing is to be asked.
    #[serde(default = "quiet_outings")]
    #[schema(minimum = 0, maximum = 100)]
    quiet_outings_pct: u8,
}

fn quiet_outings() -> u8 {
    QUIET_OUTINGS_PCT
}

/// The barn's name, time zone and units.
#[utoipa::path(
    get, path = "/api/barn", operation_id = "show_barn", tag = "barn",
    responses((status = 200, description = "The barn", body = BarnSheet))
)]
async fn show(signed: Signed) -> Json<BarnSheet> {
    let quiet_outings_pct = signed.barn.quiet_pct();
    Json(BarnSheet {
        name: signed.barn.name,
        time_zone: signed.barn.time_zone,
        units: Units::of_word(&signed.barn.units),
        quiet_outings_pct,
    })
}

/// Give the barn another name, time zone or units. Days that have passed stay the days
/// they were.
#[utoipa::path(
    put, path = "/api/barn", operation_id = "change_barn", tag = "barn", request_body = BarnSheet,
    responses((status = 204, description = "Changed"))
)]
async fn change(Trainer(signed): Trainer, Body(sheet): Body<BarnSheet>) -> Answer<StatusCode> {
    together([
        check_text(NAME_LETTERS, "/name", &sheet.name),
        check_time_zone("/time_zone", &sheet.time_zone),
        PERCENT
            .check("/quiet_outings_pct", f64::from(sheet.quiet_outings_pct))
            .map(|_| ()),
    ])
    .map_err(Problem::fields)?;
    let mut barn = signed.write().await?;
    let changed = Barn {
        name: sheet.name.trim().to_owned(),
        time_zone: sheet.time_zone,
        units: sheet.units.word().to_owned(),
        quiet_outings_pct: i32::from(sheet.quiet_outings_pct),
        ..signed.barn.clone()
    };
    barns::change(&mut barn, &changed).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// The time zones there are, by name.
#[utoipa::path(
    get, path = "/api/time-zones", operation_id = "list_time_zones", tag = "barn",
    responses((status = 200, description = "IANA names", body = [String]))
)]
async fn time_zones() -> Json<Vec<String>> {
    Json(
        tz::db()
            .available()
            .map(|name| name.to_string())
            .filter(|name| name.contains('/') || name == "UTC")
            .collect(),
    )
}

/// Checks the name of a time zone.
///
/// # Errors
/// A name that the zones this program knows do not have.
pub fn check_time_zone(field: &str, name: &str) -> Result<(), FieldError> {
    match TimeZone::get(name) {
        Ok(_) => Ok(()),
        Err(_) => Err(FieldError::new(
            field,
            format!("must be an IANA time zone such as America/Denver, found \"{name}\""),
        )),
    }
}
