//! Care: flags that come before any training, and checks of teeth and bit seat.

use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::NOTE_LETTERS;
use cavesson_core::horse::care::check_care_day;
use cavesson_core::horse::{CareKind, CareNote};
use cavesson_core::text::check_optional_text;
use cavesson_store::{care, horse};
use jiff::civil::Date;
use serde::Deserialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::known::keep::judge_and_keep;
use crate::problem::{Answer, Problem};
use crate::route;
use crate::signed::Recorder;
use crate::url::UrlPath;

/// Care's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(add))
        .routes(route!(clear))
}

/// A note of care.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewCare {
    /// Made on the device (UUIDv7).
    care_id: Uuid,
    kind: CareKind,
    /// The day it was noted, or the check was made; not after today.
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// In your words.
    #[serde(default)]
    #[schema(max_length = 600)]
    text: String,
}

/// Whether a flag is cleared.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct Clearing {
    /// True clears it as of today, false opens it again.
    cleared: bool,
}

/// Note pain, unlevel steps, a rig that does not fit, or a check.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/care", operation_id = "add_care", tag = "care",
    params(("horse_id" = Uuid, Path)), request_body = NewCare,
    responses(
        (status = 201, description = "Noted"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A day in the future, or too long a note", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewCare>,
) -> Answer<StatusCode> {
    let today = signed.today();
    let mut barn = signed.write().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    check_care_day("/day", new.day, horse.foaled, today).map_err(Problem::field)?;
    check_optional_text(NOTE_LETTERS, "/text", &new.text).map_err(Problem::field)?;
    let note = CareNote {
        care_id: new.care_id,
        kind: new.kind,
        day: new.day,
        cleared_on: None,
        text: new.text,
    };
    horse::raise_versions(&mut barn, &[horse_id]).await?;
    let made_by = signed.person.person_id;
    if !care::add(&mut barn, horse_id, &note, made_by).await? {
        return Err(Problem::id_conflict("/care_id", note.care_id));
    }
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], today).await;
    Ok(StatusCode::CREATED)
}

/// Clear a flag, or open it again.
#[utoipa::path(
    put, path = "/api/care/{care_id}", operation_id = "clear_care", tag = "care",
    params(("care_id" = Uuid, Path)), request_body = Clearing,
    responses(
        (status = 204, description = "Done"),
        (status = 404, description = "No such note in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn clear(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(care_id): UrlPath<Uuid>,
    Body(clearing): Body<Clearing>,
) -> Answer<StatusCode> {
    let today = signed.today();
    let mut barn = signed.write().await?;
    let horse_id = care::horse_of(&mut barn, care_id)
        .await?
        .ok_or_else(|| Problem::not_found("no such note in this barn"))?;
    // The horse first, as everywhere: two who store something about it wait in turn.
    horse::raise_versions(&mut barn, &[horse_id]).await?;
    care::clear(&mut barn, care_id, clearing.cleared.then_some(today)).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], today).await;
    Ok(StatusCode::NO_CONTENT)
}
