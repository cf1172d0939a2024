//! The whole barn as one JSON document: out, and into a barn that is still empty.

use std::fmt::Write;

use axum::Json;
use axum::extract::{DefaultBodyLimit, State};
use axum::http::header;
use axum::response::{IntoResponse, Response};
use cavesson_core::bounds::FieldError;
use cavesson_core::exchange::archive::read::read;
use cavesson_core::exchange::archive::{Archive, FORMAT, Summary, VERSION, summary, tables};
use cavesson_store::BarnTransaction;
use cavesson_store::StoreResult;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Person;
use cavesson_store::records::archive;
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use utoipa::{IntoParams, ToSchema};
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::barn::session::Who;
use crate::http::body::{LargeJson, MOST_LARGE_BYTES};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{SIGNED_IN, SignedIn, Trainer, time_zone};
use crate::http::url::UrlQuery;
use crate::route;

/// The archive's routes: they take longer than others.
pub fn lasting_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(take_out))
        .routes(route!(look_into))
        .routes(route!(bring_in))
        .layer(DefaultBodyLimit::max(MOST_LARGE_BYTES))
}

/// The document of a barn. `barn` is to see one state.
///
/// # Errors
/// When a query fails.
pub async fn written(barn: &mut BarnTransaction) -> StoreResult<String> {
    archive::in_utc(barn).await?;
    let mut text = format!("{{\"format\": \"{FORMAT}\", \"version\": {VERSION}, \"tables\": {{");
    for (number, table) in tables().iter().enumerate() {
        let comma = if number == 0 { "" } else { "," };
        let rows = archive::rows(barn, table).await?;
        // Writing to a text does not fail.
        let _ = write!(text, "{comma}\n\"{}\": [", table.name);
        for (number, row) in rows.iter().enumerate() {
            text.push_str(if number == 0 { "\n" } else { ",\n" });
            text.push_str(row);
        }
        text.push(']');
    }
    text.push_str("\n}}\n");
    Ok(text)
}

/// Take the whole barn out as one document.
#[utoipa::path(
    get, path = "/api/barn/archive", operation_id = "take_barn_out", tag = "barn",
    responses((status = 200, description = "The archive; docs/archive.schema.json is its JSON Schema", body = String, content_type = "application/json"))
)]
async fn take_out(Trainer(signed): Trainer) -> Answer<Response> {
    let mut look = signed.look().await?;
    let text = written(&mut look).await?;
    let name = format!(
        "attachment; filename=\"{}-{}.barn.json\"",
        signed.barn.handle,
        signed.today()
    );
    let headers = [
        (header::CONTENT_TYPE, "application/json".to_owned()),
        (header::CONTENT_DISPOSITION, name),
    ];
    Ok((headers, text).into_response())
}

/// What an archive holds, and whether this barn can take it.
#[derive(Serialize, ToSchema)]
struct ArchiveLooked {
    archive: Summary,
    /// This barn is empty, so that the archive can be brought in.
    barn_is_empty: bool,
}

/// Look into an archive. Nothing is stored.
#[utoipa::path(
    post, path = "/api/barn/archive/look", operation_id = "look_into_archive", tag = "barn",
    request_body(content = String, content_type = "application/json"),
    responses(
        (status = 200, description = "What it holds", body = ArchiveLooked),
        (status = 422, description = "What does not fit, with its place", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn look_into(
    State(app): State<App>,
    Trainer(signed): Trainer,
    LargeJson(bytes): LargeJson,
) -> Answer<Json<ArchiveLooked>> {
    let read = app.work.judging.run(move || {
        let found = read(&bytes).map_err(Problem::fields)?;
        Ok::<Summary, Problem>(summary(&found))
    });
    let summary = read.await??;
    let barn_is_empty = archive::is_empty(&mut signed.look().await?).await?;
    Ok(Json(ArchiveLooked {
        archive: summary,
        barn_is_empty,
    }))
}

/// Who of the archive brings it in.
#[derive(Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
struct BroughtBy {
    /// A trainer of the archive: whoever brings it in goes on as this person, with the password
    /// they have here.
    person_id: Uuid,
}

/// Bring an archive into this barn, which is still empty. Whoever brings it in goes on as one of
/// its trainers; the others get links from them.
#[utoipa::path(
    post, path = "/api/barn/archive", operation_id = "bring_barn_in", tag = "barn", params(BroughtBy),
    request_body(content = String, content_type = "application/json"),
    responses(
        (status = 200, description = "All of it is here; the session is the trainer's", body = Who),
        (status = 409, description = "This barn is not empty; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "What does not fit, with its place; nothing was stored", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn bring_in(
    State(app): State<App>,
    Trainer(signed): Trainer,
    session: Session,
    UrlQuery(by): UrlQuery<BroughtBy>,
    LargeJson(bytes): LargeJson,
) -> Answer<Json<Who>> {
    let mut barn = signed.write().await?;
    person::hold_people(&mut barn).await?;
    let (person, own) = {
        let found = read(&bytes).map_err(Problem::fields)?;
        bring(&mut barn, &found, signed.person.person_id, by.person_id).await?
    };
    time_zone(&own)?;
    barn.commit().await?;
    session.cycle_id().await?;
    let signed_in = SignedIn::new(own.barn_id, person.person_id, app.clock.now());
    session.insert(SIGNED_IN, signed_in).await?;
    session.save().await?;
    Ok(Json(Who::new(person, own)))
}

/// Stores an archive in the place of the one person of an empty barn; who goes on as whom.
///
/// # Errors
/// A barn that is not empty, somebody who is no trainer of the archive, a row that is refused.
pub async fn bring(
    barn: &mut BarnTransaction,
    found: &Archive<'_>,
    person_id: Uuid,
    goes_on_as: Uuid,
) -> Answer<(Person, Barn)> {
    let trainers = summary(found).trainers;
    if !trainers.iter().any(|one| one.person_id == goes_on_as) {
        return Err(Problem::field(FieldError::new(
            "/person_id",
            "must be a trainer of the archive who has not left",
        )));
    }
    if !archive::is_empty(barn).await? {
        return Err(Problem::not_empty());
    }
    let hash = archive::make_room(barn, person_id).await?;
    archive::put(barn, found).await?;
    if let Some(hash) = hash {
        person::set_password_hash(barn, goes_on_as, &hash).await?;
    }
    let person = person::find(barn, goes_on_as).await?;
    let person = person.ok_or_else(|| Problem::not_found("nobody of the archive has this id"))?;
    Ok((person, barns::own(barn).await?))
}
