//! Cool-out sheets.

use axum::Json;
use axum::http::StatusCode;
use cavesson_core::bounds::NOTE_LETTERS;
use cavesson_core::heat::cool_out::{check, says};
use cavesson_core::heat::{CoolReading, CoolSaid};
use cavesson_core::horse::Sex;
use cavesson_core::text::check_optional_text;
use cavesson_store::ride::cool_out;
use cavesson_store::ride::cool_out::CoolOut;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// Sheets that are shown of a horse.
const SHOWN: i64 = 10;

/// The sheets' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(put))
}

/// A sheet as a device sends it, whole each time.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCoolOut {
    horse_id: Uuid,
    /// When the work ended; minute 0.
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    /// What was taken, each minute once.
    #[schema(max_items = 24)]
    readings: Vec<CoolReading>,
    #[serde(default)]
    #[schema(max_length = 600)]
    note: String,
}

/// A sheet with what it says.
#[derive(Serialize, ToSchema)]
struct CoolOutShown {
    cool_out_id: Uuid,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    readings: Vec<CoolReading>,
    note: String,
    said: CoolSaid,
}

/// The last cool-outs of a horse, latest first.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/cool-outs", operation_id = "list_cool_outs", tag = "care",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "The sheets", body = [CoolOutShown]))
)]
async fn list(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<Vec<CoolOutShown>>> {
    let mut barn = signed.look().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    let sex = Sex::of_word(&horse.sex);
    let sheets = cool_out::of_horse(&mut barn, horse_id, SHOWN).await?;
    Ok(Json(
        sheets
            .into_iter()
            .map(|sheet| CoolOutShown {
                cool_out_id: sheet.cool_out_id,
                started_at: sheet.started_at,
                said: says(&sheet.readings, sex),
                readings: sheet.readings,
                note: sheet.note,
            })
            .collect(),
    ))
}

/// Keep a cool-out sheet. The same sheet may be sent again and again as it grows.
#[utoipa::path(
    put, path = "/api/cool-outs/{cool_out_id}", operation_id = "put_cool_out", tag = "care",
    params(("cool_out_id" = Uuid, Path)), request_body = NewCoolOut,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known of another horse or begin", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    Recorder(signed): Recorder,
    UrlPath(cool_out_id): UrlPath<Uuid>,
    Body(new): Body<NewCoolOut>,
) -> Answer<StatusCode> {
    let mut errors = check(&new.readings).err().unwrap_or_default();
    errors.extend(check_optional_text(NOTE_LETTERS, "/note", &new.note).err());
    errors.extend(signed.check_begun("/started_at", new.started_at).err());
    if !errors.is_empty() {
        return Err(Problem::fields(errors));
    }
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, new.horse_id).await?;
    let sheet = CoolOut {
        cool_out_id,
        horse_id: new.horse_id,
        started_at: new.started_at,
        day: signed.day_of(new.started_at),
        note: new.note,
        readings: new.readings,
    };
    if !cool_out::put(&mut barn, &sheet, signed.person.person_id).await? {
        return Err(Problem::id_conflict("/cool_out_id", cool_out_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
