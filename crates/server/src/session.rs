//! Signing in and out.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::person::Role;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::{self, Barn};
use cavesson_store::person::{self, Person};
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::password;
use crate::problem::{Answer, Problem};
use crate::signed::{SIGNED_IN, Signed, SignedIn};

/// Signing in: limited in tries by the router.
pub fn sign_in_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(sign_in))
}

/// Who is signed in, and signing out.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(who, sign_out))
}

/// A sign-in.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewSession {
    /// name@barn.
    #[schema(example = "wren@saltgrass")]
    sign_in: String,
    /// The password.
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
    /// IANA time zone; days are counted there.
    time_zone: String,
}

impl Who {
    fn new(person: Person, barn: Barn) -> Who {
        Who {
            person_id: person.person_id,
            name: person.name,
            role: person.role,
            records: person.role.records(),
            decides: person.role.decides(),
            barn_id: barn.barn_id,
            barn: barn.name,
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
    let (mut transaction, barn, found) = look_up(&app, &new.sign_in).await?;
    let (person_id, hash) = found.unzip();
    if !password::matches(new.password, hash).await? {
        return Err(Problem::wrong_sign_in());
    }
    let (Some(barn), Some(transaction), Some(person_id)) = (barn, transaction.as_mut(), person_id)
    else {
        return Err(Problem::wrong_sign_in());
    };
    let person = person::find(transaction, person_id)
        .await?
        .ok_or_else(Problem::wrong_sign_in)?;
    session.cycle_id().await?;
    session
        .insert(
            SIGNED_IN,
            SignedIn {
                barn_id: barn.barn_id,
                person_id,
            },
        )
        .await?;
    session.save().await?;
    Ok(Json(Who::new(person, barn)))
}

type Found = (
    Option<BarnTransaction>,
    Option<Barn>,
    Option<(Uuid, String)>,
);

/// The barn and the password hash behind `name@barn`, as far as they exist.
async fn look_up(app: &App, sign_in: &str) -> Answer<Found> {
    let sign_in = sign_in.trim().to_lowercase();
    let Some((name, handle)) = sign_in.split_once('@') else {
        return Ok((None, None, None));
    };
    let Some(barn) = barn::by_handle(&app.pool, handle).await? else {
        return Ok((None, None, None));
    };
    let mut transaction = BarnTransaction::begin(&app.pool, barn.barn_id).await?;
    let found = person::password_of(&mut transaction, name).await?;
    Ok((Some(transaction), Some(barn), found))
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
