//! Films as marks. A film is never sent: only what was marked in it.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::tape::TapeSheet;
use cavesson_store::barn::person;
use cavesson_store::ground::course;
use cavesson_store::ground::tape;
use cavesson_store::ground::tape::Tape;
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

/// Their routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(put))
        .routes(route!(take_out))
}

/// Tapes that are shown of a horse.
const SHOWN: i64 = 200;

/// A tape as it is kept, whole each time.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewTape {
    /// The horse.
    horse_id: Uuid,
    /// What is kept of it.
    sheet: TapeSheet,
}

/// A tape.
#[derive(Serialize, ToSchema)]
struct TapeOfHorse {
    tape_id: Uuid,
    /// Who kept it first.
    by: String,
    /// When it was last kept.
    #[schema(value_type = String, format = DateTime)]
    kept_at: Timestamp,
    /// What is kept of it.
    sheet: TapeSheet,
}

/// The tapes of a horse, latest day first; at most 200.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/tapes", operation_id = "list_tapes", tag = "ground",
    params(("horse_id" = Uuid, Path)),
    responses((status = 200, description = "Latest day first", body = [TapeOfHorse]))
)]
async fn list(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<Vec<TapeOfHorse>>> {
    let mut barn = signed.look().await?;
    signed.horse(&mut barn, horse_id).await?;
    let tapes = tape::of_horse(&mut barn, horse_id, SHOWN).await?;
    let names = person::names(&mut barn).await?;
    let by = |id: Uuid| {
        let found = names.iter().find(|(person, _)| *person == id);
        found.map_or_else(String::new, |(_, name)| name.clone())
    };
    let shown = |tape: Tape| TapeOfHorse {
        tape_id: tape.tape_id,
        by: by(tape.made_by),
        kept_at: tape.kept_at,
        sheet: tape.sheet,
    };
    Ok(Json(tapes.into_iter().map(shown).collect()))
}

/// Keep what was marked of a tape, in the place of what was kept of it.
#[utoipa::path(
    put, path = "/api/tapes/{tape_id}", operation_id = "put_tape", tag = "ground",
    params(("tape_id" = Uuid, Path)), request_body = NewTape,
    responses(
        (status = 204, description = "Kept"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "This id is known of another horse", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put(
    State(app): State<App>,
    Recorder(signed): Recorder,
    UrlPath(tape_id): UrlPath<Uuid>,
    Body(new): Body<NewTape>,
) -> Answer<StatusCode> {
    new.sheet
        .check()
        .map_err(|why| Problem::field(why.under("/sheet")))?;
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, new.horse_id).await?;
    if let Some(course_id) = new.sheet.course_id
        && course::one(&mut barn, course_id).await?.is_none()
    {
        return Err(Problem::not_found("no course of this barn has this id"));
    }
    let tape = Tape {
        tape_id,
        horse_id: new.horse_id,
        sheet: new.sheet,
        made_by: signed.person.person_id,
        kept_at: app.clock.now(),
    };
    if !tape::put(&mut barn, &tape).await? {
        return Err(Problem::id_conflict("/tape_id", tape_id));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Take a tape out. What was logged from it stays.
#[utoipa::path(
    delete, path = "/api/tapes/{tape_id}", operation_id = "take_out_tape", tag = "ground",
    params(("tape_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Taken out"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn take_out(
    Recorder(signed): Recorder,
    UrlPath(tape_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    if !tape::take_out(&mut barn, tape_id).await? {
        return Err(Problem::not_found("no tape of this barn has this id"));
    }
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
