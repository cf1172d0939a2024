//! What a person does about their own sign-in: another password, other devices.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_core::person::username::check_new_password;
use cavesson_store::barn::person;
use cavesson_store::barn::session;
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::http::body::Body;
use crate::http::password;
use crate::http::problem::{Answer, Problem};
use crate::http::session_store::stored_id;
use crate::http::signed_in::Signed;
use crate::route;

/// Everything here but the password.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(devices))
        .routes(route!(end_others))
}

/// Changing the password: limited in tries by the router.
pub fn limited_routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(change_password))
}

/// Another password.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewPassword {
    /// The one there is.
    #[schema(max_length = 200)]
    now: String,
    #[schema(min_length = 8, max_length = 200)]
    new: String,
}

/// The devices somebody is signed in on.
#[derive(Serialize, ToSchema)]
struct Devices {
    /// This one among them.
    signed_in: i64,
}

/// Set another password. All other devices are signed out.
#[utoipa::path(
    put, path = "/api/account/password", operation_id = "change_password", tag = "account", request_body = NewPassword,
    responses(
        (status = 204, description = "Changed"),
        (status = 429, description = "Too many tries", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change_password(
    State(app): State<App>,
    signed: Signed,
    device: Session,
    Body(NewPassword { now, new }): Body<NewPassword>,
) -> Answer<StatusCode> {
    check_new_password("/new", &new).map_err(Problem::field)?;
    let person_id = signed.person.person_id;
    let stored = person::password_hash(&mut signed.look().await?, person_id).await?;
    let passwords = &app.work.passwords;
    let (right, hash) = passwords
        .run(move || {
            let right = password::matches(&now, stored);
            (right, right.then(|| password::hash(&new)))
        })
        .await?;
    let Some(hash) = hash.filter(|_| right) else {
        return Err(Problem::field(FieldError::new(
            "/now",
            "must be the password you sign in with now",
        )));
    };
    let mut barn = signed.write().await?;
    person::set_password_hash(&mut barn, person_id, &hash).await?;
    let kept = device.id().map(|id| stored_id(&id));
    session::remove_others(&mut barn, person_id, kept.as_deref()).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// On how many devices this person is signed in.
#[utoipa::path(
    get, path = "/api/account/devices", operation_id = "count_devices", tag = "account",
    responses((status = 200, description = "The devices", body = Devices))
)]
async fn devices(State(app): State<App>, signed: Signed) -> Answer<Json<Devices>> {
    let person_id = signed.person.person_id;
    let now = app.clock.now();
    let signed_in = session::count(&mut signed.look().await?, person_id, now).await?;
    Ok(Json(Devices { signed_in }))
}

/// Sign out all other devices of this person.
#[utoipa::path(
    delete, path = "/api/account/devices", operation_id = "end_other_devices", tag = "account",
    responses((status = 204, description = "Only this one is signed in"))
)]
async fn end_others(signed: Signed, device: Session) -> Answer<StatusCode> {
    let kept = device.id().map(|id| stored_id(&id));
    let mut barn = signed.write().await?;
    session::remove_others(&mut barn, signed.person.person_id, kept.as_deref()).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}
