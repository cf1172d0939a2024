//! Notes that the trainer chose for a horse's owner: nothing else that was written down is
//! shown to them.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{NOTE_LETTERS, together};
use cavesson_core::horse::care::check_care_day;
use cavesson_core::text::check_text;
use cavesson_store::owners::owner_note;
use cavesson_store::owners::owner_note::OwnerNote;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Trainer;
use crate::http::url::UrlPath;
use crate::route;

/// Days of written words that can be chosen from.
const CHOOSE_DAYS: i64 = 45;

/// The notes' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(add))
        .routes(route!(to_choose_from))
        .routes(route!(take_back))
        .routes(route!(bring_back))
}

/// A note for the owner, to be kept.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewOwnerNote {
    /// Made on the device.
    note_id: Uuid,
    /// The day it speaks of.
    #[schema(value_type = String, format = Date)]
    day: Date,
    #[schema(min_length = 1, max_length = 600)]
    text: String,
}

/// Words that were written of the horse and might be told.
#[derive(Serialize, ToSchema)]
struct WrittenWords {
    #[schema(value_type = String, format = Date)]
    day: Date,
    text: String,
}

/// Tell the owner something.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/owner-notes", operation_id = "add_owner_note", tag = "owners",
    params(("horse_id" = Uuid, Path)), request_body = NewOwnerNote,
    responses(
        (status = 201, description = "Kept; also when it was kept before"),
        (status = 422, description = "No words, too many, or a day that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(new): Body<NewOwnerNote>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    together([
        check_text(NOTE_LETTERS, "/text", &new.text),
        check_care_day("/day", new.day, horse.foaled, signed.today()),
    ])
    .map_err(Problem::fields)?;
    let note = OwnerNote {
        note_id: new.note_id,
        horse_id,
        day: new.day,
        text: new.text.trim().to_owned(),
    };
    owner_note::add(&mut barn, &note, signed.person.person_id, app.clock.now()).await?;
    barn.commit().await?;
    Ok(StatusCode::CREATED)
}

/// What was written of a horse lately and might be told: closing lines of rides, words of care.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/owner-notes/written", operation_id = "list_written_words", tag = "owners",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "The words, latest first", body = [WrittenWords]))
)]
async fn to_choose_from(
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<Vec<WrittenWords>>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let from = signed.today().saturating_sub(CHOOSE_DAYS.days());
    let written = owner_note::to_choose_from(&mut barn, horse_id, from).await?;
    let words = written.into_iter();
    Ok(Json(
        words
            .map(|(day, text)| WrittenWords { day, text })
            .collect(),
    ))
}

/// Take a note back: the owner sees it no more.
#[utoipa::path(
    delete, path = "/api/owner-notes/{note_id}", operation_id = "take_back_owner_note", tag = "owners",
    params(("note_id" = Uuid, Path)),
    responses((status = 204, description = "Taken back"))
)]
async fn take_back(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(note_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let now = app.clock.now();
    set(&signed, note_id, Some(now)).await
}

/// Bring a note back that was taken back.
#[utoipa::path(
    post, path = "/api/owner-notes/{note_id}/bring-back", operation_id = "bring_back_owner_note", tag = "owners",
    params(("note_id" = Uuid, Path)),
    responses((status = 204, description = "Shown again"))
)]
async fn bring_back(
    Trainer(signed): Trainer,
    UrlPath(note_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    set(&signed, note_id, None).await
}

async fn set(
    signed: &crate::http::signed_in::Signed,
    note_id: Uuid,
    taken_back_at: Option<jiff::Timestamp>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !owner_note::take_back(&mut barn, note_id, taken_back_at).await? {
        return Err(Problem::not_found(
            "no note for an owner in this barn has this id",
        ));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
