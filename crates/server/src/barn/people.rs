//! The people of a barn: adding, changing, clearances, hours, leaving and coming back.

use std::collections::HashMap;

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::{FieldError, NAME_LETTERS, together};
use cavesson_core::person::hours::check_week;
use cavesson_core::person::username::check_username;
use cavesson_core::person::{Clearance, Role, WorkHours};
use cavesson_core::text::check_text;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::access_link;
use cavesson_store::barn::access_link::AccessLink;
use cavesson_store::barn::access_link::LinkKind;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Member;
use cavesson_store::barn::person::Person;
use cavesson_store::barn::session;
use cavesson_store::barn::work_hours;
use cavesson_store::horse::horses;
use jiff::Timestamp;
use jiff::civil::Time;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::barn::access_links::{MadeLink, make_link};
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Recorder, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// The people's routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(add))
        .routes(route!(change))
        .routes(route!(leave))
        .routes(route!(come_back))
}

/// Somebody of the barn.
#[derive(Serialize, ToSchema)]
struct PersonOfBarn {
    person_id: Uuid,
    name: String,
    role: Role,
    /// What they sign in with, before the @.
    sign_in: String,
    clearance: Clearance,
    hours: Vec<WorkHours>,
    /// When they like to be home, barn time; null where they did not say.
    #[schema(value_type = Option<String>, example = "17:30:00")]
    home_by: Option<Time>,
    /// Whether they have set a password.
    has_password: bool,
    /// Until when a link for them works; null where none does.
    #[schema(value_type = Option<String>, format = DateTime)]
    link_until: Option<Timestamp>,
    #[schema(value_type = Option<String>, format = DateTime)]
    left_at: Option<Timestamp>,
}

/// What is written down of a person.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct PersonSheet {
    #[schema(min_length = 1, max_length = 80)]
    name: String,
    /// What they sign in with, before the @.
    #[schema(min_length = 1, max_length = 40)]
    sign_in: String,
    role: Role,
    /// What they are cleared for; left out when adding: what somebody new is.
    #[serde(default)]
    clearance: Option<Clearance>,
    /// The hours they work, one stretch a day at the most.
    #[serde(default)]
    #[schema(max_items = 7)]
    hours: Vec<WorkHours>,
    /// When they like to be home, barn time: the week is planned so where it can be.
    #[serde(default)]
    #[schema(value_type = Option<String>, example = "17:30:00")]
    home_by: Option<Time>,
}

/// Somebody new, and the link to hand them.
#[derive(Serialize, ToSchema)]
struct Added {
    person_id: Uuid,
    link: MadeLink,
}

/// Everybody, those who left last.
#[utoipa::path(
    get, path = "/api/people", operation_id = "list_people", tag = "people",
    responses((status = 200, description = "The people of the barn", body = [PersonOfBarn]))
)]
async fn list(
    State(app): State<App>,
    Recorder(signed): Recorder,
) -> Answer<Json<Vec<PersonOfBarn>>> {
    let mut barn = signed.look().await?;
    let members = person::members(&mut barn).await?;
    let mut hours: HashMap<Uuid, Vec<WorkHours>> = HashMap::new();
    for (person_id, stretch) in work_hours::list(&mut barn).await? {
        hours.entry(person_id).or_default().push(stretch);
    }
    let links = access_link::working(&mut barn, app.clock.now()).await?;
    Ok(Json(
        members
            .into_iter()
            .map(|member| person_of_barn(member, &mut hours, &links))
            .collect(),
    ))
}

fn person_of_barn(
    member: Member,
    hours: &mut HashMap<Uuid, Vec<WorkHours>>,
    links: &[AccessLink],
) -> PersonOfBarn {
    let person_id = member.person.person_id;
    let link = links.iter().find(|link| link.person_id == person_id);
    PersonOfBarn {
        person_id,
        name: member.person.name,
        role: member.person.role,
        sign_in: member.person.sign_in,
        clearance: member.clearance,
        hours: hours.remove(&person_id).unwrap_or_default(),
        home_by: member.home_by,
        has_password: member.has_password,
        link_until: link.map(|link| link.expires_at),
        left_at: member.left_at,
    }
}

/// Add somebody. They set their own password by the link.
#[utoipa::path(
    post, path = "/api/people", operation_id = "add_person", tag = "people", request_body = PersonSheet,
    responses(
        (status = 201, description = "Added", body = Added),
        (status = 409, description = "The username is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Trainer(signed): Trainer,
    Body(sheet): Body<PersonSheet>,
) -> Answer<(StatusCode, Json<Added>)> {
    let mut barn = signed.write().await?;
    let clearance = check(&mut barn, &sheet).await?;
    let person_id = Uuid::now_v7();
    person::add(&mut barn, &as_person(person_id, &sheet), None, &clearance).await?;
    work_hours::put(&mut barn, person_id, &sheet.hours, sheet.home_by).await?;
    let made_by = Some(signed.person.person_id);
    let now = app.clock.now();
    let link = make_link(&mut barn, person_id, LinkKind::Invite, made_by, now).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(Added { person_id, link })))
}

/// Change somebody: name, username, role, clearance, hours.
#[utoipa::path(
    put, path = "/api/people/{person_id}", operation_id = "change_person", tag = "people",
    params(("person_id" = Uuid, Path)), request_body = PersonSheet,
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "The username is taken, or the barn would have no trainer", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    Trainer(signed): Trainer,
    UrlPath(person_id): UrlPath<Uuid>,
    Body(sheet): Body<PersonSheet>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    person::hold_people(&mut barn).await?;
    let member = member(&mut barn, person_id).await?;
    let clearance = match &sheet.clearance {
        Some(_) => check(&mut barn, &sheet).await?,
        None => {
            check(&mut barn, &sheet).await?;
            member.clearance
        }
    };
    person::change(&mut barn, &as_person(person_id, &sheet), &clearance).await?;
    work_hours::put(&mut barn, person_id, &sheet.hours, sheet.home_by).await?;
    still_a_trainer(&mut barn).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Somebody leaves: kept in the records, signed out everywhere, cannot sign in.
#[utoipa::path(
    post, path = "/api/people/{person_id}/leave", operation_id = "person_leaves", tag = "people",
    params(("person_id" = Uuid, Path)),
    responses(
        (status = 204, description = "Left"),
        (status = 409, description = "The barn would have no trainer", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn leave(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(person_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let now = app.clock.now();
    let mut barn = signed.write().await?;
    person::hold_people(&mut barn).await?;
    member(&mut barn, person_id).await?;
    person::leave(&mut barn, person_id, Some(now)).await?;
    still_a_trainer(&mut barn).await?;
    access_link::revoke(&mut barn, person_id, now).await?;
    session::remove_others(&mut barn, person_id, None).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Somebody who left comes back, with everything as it was.
#[utoipa::path(
    post, path = "/api/people/{person_id}/come-back", operation_id = "person_comes_back", tag = "people",
    params(("person_id" = Uuid, Path)),
    responses((status = 204, description = "Back"))
)]
async fn come_back(
    Trainer(signed): Trainer,
    UrlPath(person_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    member(&mut barn, person_id).await?;
    person::leave(&mut barn, person_id, None).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

fn as_person(person_id: Uuid, sheet: &PersonSheet) -> Person {
    Person {
        person_id,
        sign_in: sheet.sign_in.clone(),
        name: sheet.name.trim().to_owned(),
        role: sheet.role,
    }
}

/// Checks a sheet; the clearance it gives.
async fn check(barn: &mut BarnTransaction, sheet: &PersonSheet) -> Answer<Clearance> {
    let clearance = sheet.clearance.clone();
    let clearance = clearance.unwrap_or_else(|| Clearance::for_new(sheet.role));
    together([
        check_text(NAME_LETTERS, "/name", &sheet.name),
        check_username("/sign_in", &sheet.sign_in),
        clearance.check().map_err(|error| error.under("/clearance")),
        check_week("/hours", &sheet.hours),
    ])
    .map_err(Problem::fields)?;
    let named = clearance.only_horses.as_deref().unwrap_or_default();
    let known = horses::known(barn, named).await?;
    let unknown = named.iter().enumerate();
    let missing: Vec<FieldError> = unknown
        .filter(|(_, horse_id)| !known.contains(horse_id))
        .map(|(index, horse_id)| {
            FieldError::new(
                format!("/clearance/only_horses/{index}"),
                format!("no horse {horse_id} in this barn; name one of its own"),
            )
        })
        .collect();
    if missing.is_empty() {
        Ok(clearance)
    } else {
        Err(Problem::fields_not_found(missing))
    }
}

async fn member(barn: &mut BarnTransaction, person_id: Uuid) -> Answer<Member> {
    let members = person::members(barn).await?;
    members
        .into_iter()
        .find(|member| member.person.person_id == person_id)
        .ok_or_else(|| Problem::not_found("nobody of this barn has this id"))
}

/// A barn keeps a trainer who can sign in.
async fn still_a_trainer(barn: &mut BarnTransaction) -> Answer<()> {
    if person::trainers(barn).await? > 0 {
        return Ok(());
    }
    Err(Problem::keeps_the_barn(
        "this is the last trainer who can sign in; make somebody else a trainer first",
    ))
}
