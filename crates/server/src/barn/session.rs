//! Signing in and out.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{NOTE_LETTERS, PASSWORD_LETTERS};
use cavesson_core::person::Role;
use cavesson_core::text::check_optional_text;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Person;
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::barn::units::Units;
use crate::http::body::Body;
use crate::http::password;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{SIGNED_IN, Signed, SignedIn, time_zone};
use crate::route;

/// Signing in: limited in tries by the router.
pub fn sign_in_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(sign_in))
}

/// Who is signed in, and signing out.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(who))
        .routes(route!(sign_out))
}

/// A sign-in.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewSession {
    /// name@barn.
    #[schema(example = "wren@saltgrass")]
    sign_in: String,
    /// The password.
    #[schema(max_length = 200)]
    password: String,
}

/// Who is signed in.
#[derive(Serialize, ToSchema)]
pub struct Who {
    person_id: Uuid,
    name: String,
    role: Role,
    /// Whether they may record rides.
    records: bool,
    /// Whether they have the last word: overrule the judge, change programs.
    decides: bool,
    barn_id: Uuid,
    barn: String,
    /// What stands behind the @ of every username here.
    handle: String,
    /// IANA time zone; days are counted there.
    time_zone: String,
    /// In which units the pages speak.
    units: Units,
}

impl Who {
    /// Somebody of a barn.
    pub fn new(person: Person, barn: Barn) -> Who {
        Who {
            person_id: person.person_id,
            name: person.name,
            role: person.role,
            records: person.role.records(),
            decides: person.role.decides(),
            barn_id: barn.barn_id,
            barn: barn.name,
            units: Units::of_word(&barn.units),
            handle: barn.handle,
            time_zone: barn.time_zone,
        }
    }
}

/// Sign in.
#[utoipa::path(
    post, path = "/api/session", tag = "session", request_body = NewSession,
    responses(
        (status = 200, description = "Signed in; the session cookie is set", body = Who),
        (status = 401, description = "Sign-in or password is wrong", body = Problem, content_type = "application/problem+json"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn sign_in(
    State(app): State<App>,
    session: Session,
    Body(new): Body<NewSession>,
) -> Answer<Json<Who>> {
    PASSWORD_LETTERS
        .check_count("/password", new.password.chars().count())
        .map_err(Problem::field)?;
    let (barn, found) = look_up(&app, &new.sign_in).await?;
    let (person, hash) = found.unzip();
    let passwords = &app.work.passwords;
    let matches = passwords.run(move || password::matches(&new.password, hash));
    let right = matches.await?;
    let (Some(barn), Some(person), true) = (barn, person, right) else {
        return Err(Problem::wrong_sign_in());
    };
    time_zone(&barn)?;
    let now = app.clock.now();
    session.cycle_id().await?;
    session
        .insert(
            SIGNED_IN,
            SignedIn::new(barn.barn_id, person.person_id, now),
        )
        .await?;
    session.save().await?;
    Ok(Json(Who::new(person, barn)))
}

/// The barn, and the person and password hash behind `name@barn`, as far as they
/// exist. Where there is no such barn the same queries run in none, so that the
/// time tells nobody which barns there are.
async fn look_up(app: &App, sign_in: &str) -> Answer<(Option<Barn>, Option<(Person, String)>)> {
    // What cannot be printed is nobody's sign-in, and nothing that a database takes.
    let printable = check_optional_text(NOTE_LETTERS, "/sign_in", sign_in).is_ok();
    let sign_in = if printable {
        sign_in.trim().to_lowercase()
    } else {
        String::new()
    };
    let (name, handle) = sign_in.split_once('@').unwrap_or((&sign_in, ""));
    let barn = barns::by_handle(&app.pool, handle).await?;
    let barn_id = barn.as_ref().map_or(Uuid::nil(), |barn| barn.barn_id);
    let mut look = BarnTransaction::look(&app.pool, barn_id).await?;
    let found = person::by_sign_in(&mut look, name).await?;
    Ok((barn, found))
}

/// Who is signed in.
#[utoipa::path(
    get, path = "/api/session", tag = "session",
    responses(
        (status = 200, description = "Who is signed in", body = Who),
        (status = 401, description = "Nobody is", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn who(signed: Signed) -> Json<Who> {
    Json(Who::new(signed.person, signed.barn))
}

/// Sign out; the session ends on the server.
#[utoipa::path(
    delete, path = "/api/session", tag = "session",
    responses((status = 204, description = "Signed out, or nobody was signed in"))
)]
async fn sign_out(session: Session) -> Answer<StatusCode> {
    session.flush().await?;
    Ok(StatusCode::NO_CONTENT)
}
