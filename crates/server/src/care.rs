//! Care: flags that come before any training, and checks of teeth and bit seat.

use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NOTE_LETTERS};
use cavesson_core::horse::{CareKind, CareNote};
use cavesson_store::{care, horse};
use jiff::civil::Date;
use serde::Deserialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::known::keep::judge_and_keep;
use crate::problem::{Answer, Problem};
use crate::signed::Recorder;
use crate::url::UrlPath;

/// Care's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(add))
        .routes(routes!(clear))
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
    says: String,
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
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Owners do not note care", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known with other content", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A day in the future, or too long a note", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Recorder(mut signed): Recorder,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewCare>,
) -> Answer<StatusCode> {
    signed.horse(horse_id).await?;
    let today = signed.now().date();
    if new.day > today {
        return Err(Problem::field(FieldError::new(
            "/day",
            format!("must not lie after today ({today}), found {}", new.day),
        )));
    }
    let letters = new.says.trim().chars().count().max(1);
    NOTE_LETTERS
        .check_count("/says", letters)
        .map_err(Problem::field)?;
    let note = CareNote {
        care_id: new.care_id,
        kind: new.kind,
        day: new.day,
        cleared_on: None,
        says: new.says,
    };
    horse::raise_versions(&mut signed.transaction, &[horse_id]).await?;
    let made_by = signed.person.person_id;
    if !care::add(&mut signed.transaction, horse_id, &note, made_by).await? {
        return Err(Problem::known_otherwise("/care_id", note.care_id));
    }
    let barn_id = signed.barn.barn_id;
    signed.transaction.commit().await?;
    judge_and_keep(&app, barn_id, &[horse_id], today).await?;
    Ok(StatusCode::CREATED)
}

/// Clear a flag, or open it again.
#[utoipa::path(
    put, path = "/api/care/{care_id}", operation_id = "clear_care", tag = "care",
    params(("care_id" = Uuid, Path)), request_body = Clearing,
    responses(
        (status = 204, description = "Done"),
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Owners do not clear flags", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such note in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn clear(
    State(app): State<App>,
    Recorder(mut signed): Recorder,
    UrlPath(care_id): UrlPath<Uuid>,
    Body(clearing): Body<Clearing>,
) -> Answer<StatusCode> {
    let today = signed.now().date();
    let barn = &mut signed.transaction;
    let horse_id = care::clear(barn, care_id, clearing.cleared.then_some(today))
        .await?
        .ok_or_else(|| Problem::not_found("no such note in this barn"))?;
    horse::raise_versions(barn, &[horse_id]).await?;
    let barn_id = signed.barn.barn_id;
    signed.transaction.commit().await?;
    judge_and_keep(&app, barn_id, &[horse_id], today).await?;
    Ok(StatusCode::NO_CONTENT)
}
