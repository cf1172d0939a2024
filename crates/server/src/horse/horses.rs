//! Horses: who is here, what is written down of them, going home and coming back.

use axum::extract::State;
use axum::http::StatusCode;
use axum::response::{IntoResponse, Response};
use axum::{Extension, Json};
use cavesson_core::bounds::FieldError;
use cavesson_core::horse::goal::check_goals;
use cavesson_core::horse::rows::{self, HorseRows, Named};
use cavesson_core::horse::{Goal, HorseSheet, HorseTrait, Sex};
use cavesson_core::person::Role;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::person;
use cavesson_store::horse::goal;
use cavesson_store::horse::horses;
use cavesson_store::horse::horses::Horse as StoredHorse;
use cavesson_store::horse::program;
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse_record::keep::judge_and_keep;
use crate::http::audit::keep::Unchanged;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Signed, Trainer};
use crate::http::url::UrlPath;
use crate::route;

/// The horses' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(everyone))
        .routes(route!(add))
        .routes(route!(add_rows))
        .routes(route!(show))
        .routes(route!(change))
        .routes(route!(sheet))
        .routes(route!(set_goals))
        .routes(route!(send_home))
        .routes(route!(come_back))
}

/// A horse.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct Horse {
    pub horse_id: Uuid,
    pub name: String,
    /// null where another version of Cavesson stored a word this one doesn't know.
    pub sex: Option<Sex>,
    /// Age in years, every horse a year older on January 1.
    pub age: i32,
    pub color: String,
    /// Traits that steer its card.
    pub traits: Vec<HorseTrait>,
}

impl Horse {
    pub fn new(horse: StoredHorse, year: i16) -> Horse {
        Horse {
            horse_id: horse.horse_id,
            name: horse.name,
            sex: Sex::of_word(&horse.sex),
            age: i32::from(year) - horse.foaled,
            color: horse.color,
            traits: horse.traits,
        }
    }
}

/// A horse of the barn, here or gone home.
#[derive(Serialize, ToSchema)]
struct HorseOfBarn {
    horse: Horse,
    /// Its owner's name, when that person signs in here.
    owner: Option<String>,
    /// Its program's name; null for the standard ladder.
    program: Option<String>,
    /// When it went home; null while it is here.
    #[schema(value_type = Option<String>, format = DateTime)]
    sent_home_at: Option<Timestamp>,
}

/// What is written down of a horse, with its goals.
#[derive(Serialize, ToSchema)]
struct HorseWritten {
    sheet: HorseSheet,
    /// Soonest first.
    goals: Vec<Goal>,
    #[schema(value_type = Option<String>, format = DateTime)]
    sent_home_at: Option<Timestamp>,
}

/// A horse that was added.
#[derive(Serialize, ToSchema)]
struct HorseAdded {
    horse_id: Uuid,
}

/// Rows with horses.
#[derive(Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewHorseRows {
    /// CSV, or rows pasted from a sheet.
    #[schema(max_length = 200_000)]
    text: String,
    /// Add them; otherwise they are only read.
    add: bool,
}

/// All horses that are here and that this person may see, by name.
#[utoipa::path(
    get, path = "/api/horses", operation_id = "list_horses", tag = "horses",
    responses(
        (status = 200, description = "The horses", body = [Horse]),
    )
)]
async fn list(signed: Signed) -> Answer<Json<Vec<Horse>>> {
    let year = signed.now().year();
    let owner = signed.only_horses_of();
    let horses = horses::list(&mut signed.look().await?, owner).await?;
    Ok(Json(
        horses
            .into_iter()
            .map(|horse| Horse::new(horse, year))
            .collect(),
    ))
}

/// The same, those that went home among them, with owner and program.
#[utoipa::path(
    get, path = "/api/horses/everyone", operation_id = "list_horses_everyone", tag = "horses",
    responses(
        (status = 200, description = "The horses", body = [HorseOfBarn]),
    )
)]
async fn everyone(signed: Signed) -> Answer<Json<Vec<HorseOfBarn>>> {
    let year = signed.now().year();
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let horses = horses::everyone(&mut barn, owner).await?;
    let people = person::names(&mut barn).await?;
    let programs = program_names(&mut barn).await?;
    let name_of = |named: &[(Uuid, String)], id: Option<Uuid>| {
        let found = named.iter().find(|(known, _)| Some(*known) == id);
        found.map(|(_, name)| name.clone())
    };
    Ok(Json(
        horses
            .into_iter()
            .map(|horse| HorseOfBarn {
                owner: name_of(&people, horse.owner_id),
                program: name_of(&programs, horse.program_id),
                sent_home_at: horse.sent_home_at,
                horse: Horse::new(horse, year),
            })
            .collect(),
    ))
}

/// Add a horse.
#[utoipa::path(
    post, path = "/api/horses", operation_id = "add_horse", tag = "horses", request_body = HorseSheet,
    responses(
        (status = 201, description = "Added", body = HorseAdded),
        (status = 404, description = "An owner or program that is not in this barn; nothing was stored", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    Trainer(signed): Trainer,
    Body(sheet): Body<HorseSheet>,
) -> Answer<(StatusCode, Json<HorseAdded>)> {
    sheet.check(signed.now().year()).map_err(Problem::fields)?;
    let mut barn = signed.write().await?;
    check_named(&mut barn, &sheet).await?;
    let horse_id = Uuid::now_v7();
    horses::add(&mut barn, horse_id, &sheet.trimmed()).await?;
    barn.commit().await?;
    Ok((StatusCode::CREATED, Json(HorseAdded { horse_id })))
}

/// Read rows with horses; with `add`, add them all, unless any of them doesn't fit.
#[utoipa::path(
    post, path = "/api/horses/rows", operation_id = "add_horse_rows", tag = "horses", request_body = NewHorseRows,
    responses(
        (status = 200, description = "The horses of the rows, and what doesn't fit; with anything that doesn't, nothing was added", body = HorseRows),
    )
)]
async fn add_rows(Trainer(signed): Trainer, Body(new): Body<NewHorseRows>) -> Answer<Response> {
    let mut barn = signed.write().await?;
    let owners: Vec<(Uuid, String)> = person::members(&mut barn)
        .await?
        .into_iter()
        .filter(|member| member.person.role == Role::Owner && member.left_at.is_none())
        .map(|member| (member.person.person_id, member.person.name))
        .collect();
    let programs = program_names(&mut barn).await?;
    let horses = horses::everyone(&mut barn, None).await?;
    let taken: Vec<String> = horses.into_iter().map(|horse| horse.name).collect();
    let named = Named {
        owners: &owners,
        programs: &programs,
        taken: &taken,
        year: signed.now().year(),
    };
    let found = rows::read(&new.text, &named);
    if new.add && found.errors.is_empty() {
        for sheet in &found.horses {
            horses::add(&mut barn, Uuid::now_v7(), sheet).await?;
        }
        barn.commit().await?;
        return Ok(Json(found).into_response());
    }
    Ok((Extension(Unchanged), Json(found)).into_response())
}

/// One horse.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}", operation_id = "show_horse", tag = "horses", params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The horse", body = Horse),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<Horse>> {
    let year = signed.now().year();
    let horse = signed.horse(&mut signed.look().await?, horse_id).await?;
    Ok(Json(Horse::new(horse, year)))
}

/// What is written down of a horse, and its goals.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/sheet", operation_id = "show_horse_sheet", tag = "horses", params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The sheet", body = HorseWritten),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn sheet(signed: Signed, UrlPath(horse_id): UrlPath<Uuid>) -> Answer<Json<HorseWritten>> {
    let mut barn = signed.look().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    let goals = goal::of_horse(&mut barn, horse_id).await?;
    Ok(Json(HorseWritten {
        sheet: HorseSheet {
            sex: Sex::of_word(&horse.sex).unwrap_or(Sex::Mare),
            foaled: horse.foaled.try_into().unwrap_or_default(),
            name: horse.name,
            color: horse.color,
            markings: horse.markings,
            note: horse.note,
            owner_id: horse.owner_id,
            program_id: horse.program_id,
        },
        goals,
        sent_home_at: horse.sent_home_at,
    }))
}

/// Change what is written down of a horse.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/sheet", operation_id = "change_horse", tag = "horses",
    params(("horse_id" = Uuid, Path)), request_body = HorseSheet,
    responses(
        (status = 204, description = "Changed"),
        (status = 409, description = "The name is taken", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(sheet): Body<HorseSheet>,
) -> Answer<StatusCode> {
    sheet.check(signed.now().year()).map_err(Problem::fields)?;
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    check_named(&mut barn, &sheet).await?;
    // Sex and program are part of what is known of it.
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    horses::change(&mut barn, horse_id, &sheet.trimmed(), signed.today()).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

/// Put these goals in the place of those a horse had.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/goals", operation_id = "set_goals", tag = "horses",
    params(("horse_id" = Uuid, Path)), request_body = [Goal],
    responses(
        (status = 204, description = "Set"),
        (status = 422, description = "A name or day that does not fit, or a level that the horse's ladder does not have", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn set_goals(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(goals): Body<Vec<Goal>>,
) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    let kept = goal::of_horse(&mut barn, horse_id).await?;
    let ladders = app
        .known
        .ladders
        .of_horses(&mut barn, &[horse_id], signed.today())
        .await?;
    let ladder = ladders.get(&horse_id).map_or(app.ladder, |on| &*on.ladder);
    check_goals(&goals, &kept, ladder, signed.today()).map_err(Problem::fields)?;
    goal::put(&mut barn, horse_id, &goals).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

/// Send a horse home. Its records stay whole.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/send-home", operation_id = "send_horse_home", tag = "horses",
    params(("horse_id" = Uuid, Path)),
    responses((status = 204, description = "Gone home"))
)]
async fn send_home(
    State(app): State<App>,
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    put_home(&signed, horse_id, Some(app.clock.now())).await
}

/// A horse that went home comes back, whole.
#[utoipa::path(
    post, path = "/api/horses/{horse_id}/come-back", operation_id = "horse_comes_back", tag = "horses",
    params(("horse_id" = Uuid, Path)),
    responses((status = 204, description = "Here again"))
)]
async fn come_back(
    Trainer(signed): Trainer,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<StatusCode> {
    put_home(&signed, horse_id, None).await
}

async fn put_home(signed: &Signed, horse_id: Uuid, at: Option<Timestamp>) -> Answer<StatusCode> {
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    horses::send_home(&mut barn, horse_id, at).await?;
    barn.commit().await?;
    Ok(StatusCode::NO_CONTENT)
}

pub async fn program_names(barn: &mut BarnTransaction) -> Answer<Vec<(Uuid, String)>> {
    let programs = program::in_use(barn).await?.into_iter();
    Ok(programs
        .map(|program| (program.program_id, program.name))
        .collect())
}

/// Owner and program of a sheet are of this barn.
async fn check_named(barn: &mut BarnTransaction, sheet: &HorseSheet) -> Answer<()> {
    let mut missing = Vec::new();
    if let Some(owner_id) = sheet.owner_id
        && person::find(barn, owner_id).await?.is_none()
    {
        missing.push(FieldError::new(
            "/owner_id",
            "nobody of this barn has this id",
        ));
    }
    if let Some(program_id) = sheet.program_id {
        let programs = program_names(barn).await?;
        if !programs.iter().any(|(known, _)| *known == program_id) {
            missing.push(FieldError::new(
                "/program_id",
                "no program of this barn has this id",
            ));
        }
    }
    if missing.is_empty() {
        Ok(())
    } else {
        Err(Problem::fields_not_found(missing))
    }
}
