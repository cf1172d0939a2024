//! Programs: schools and changed gates, version by version.

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_core::ladder::Level;
use cavesson_core::ladder::{Ladder, LadderFile};
use cavesson_core::program::Program;
use cavesson_store::horse::horse_program;
use cavesson_store::horse::horse_program::SINCE_EVER;
use cavesson_store::horse::horses;
use cavesson_store::horse::program;
use cavesson_store::horse::program::Made;
use cavesson_store::horse::program::ProgramVersion;
use jiff::Timestamp;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::ladder::ShownLadder;
use crate::horse_record::keep::judge_and_keep;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::{Decider, Signed};
use crate::http::url::UrlPath;
use crate::route;

/// The programs' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(add))
        .routes(route!(show))
        .routes(route!(change))
        .routes(route!(put_horse))
}

/// A program in short.
#[derive(Serialize, ToSchema)]
struct ProgramBrief {
    program_id: Uuid,
    name: String,
    version: i32,
    /// Horses that are on it.
    horses: Vec<Uuid>,
    /// Rides a week it wants for each of them.
    rides_a_week: u8,
    /// Levels they are to hold in the end.
    leads_to: Vec<Level>,
}

/// A program with its versions and the ladder it makes.
#[derive(Serialize, ToSchema)]
struct ShownProgram {
    program_id: Uuid,
    version: i32,
    /// What it says; its name alone where it cannot be read here.
    content: Program,
    /// Why it judges nobody, when it no longer fits.
    unfit: Option<String>,
    /// Every version, the one in use first.
    versions: Vec<ShownVersion>,
    /// The ladder it makes.
    ladder: ShownLadder,
}

/// One version of a program.
#[derive(Serialize, ToSchema)]
struct ShownVersion {
    version: i32,
    /// The version of the ladder it was made on.
    ladder_version: i32,
    /// Null where this version of Cavesson cannot read it.
    content: Option<Program>,
    made_by: String,
    #[schema(value_type = String, format = DateTime)]
    made_at: Timestamp,
}

impl From<ProgramVersion> for ShownVersion {
    fn from(kept: ProgramVersion) -> ShownVersion {
        ShownVersion {
            version: kept.version,
            ladder_version: kept.ladder_version,
            content: kept.content.ok(),
            made_by: kept.made_by,
            made_at: kept.made_at,
        }
    }
}

/// A program to be made.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct NewProgram {
    /// Made on the device (UUIDv7).
    program_id: Uuid,
    content: Program,
}

/// A program to be changed.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct ChangedProgram {
    /// The version that was changed; another one in use meanwhile is a conflict.
    from_version: i32,
    content: Program,
}

/// The program a horse is on.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct HorseProgram {
    /// Null is the ladder as it ships.
    program_id: Option<Uuid>,
    /// The first day on which its asks are judged by it; today when left out. What was said of
    /// a program from that day on is taken back.
    #[serde(default)]
    #[schema(value_type = Option<String>, format = Date)]
    from: Option<Date>,
}

/// The barn's programs, by name.
#[utoipa::path(
    get, path = "/api/programs", operation_id = "list_programs", tag = "programs",
    responses(
        (status = 200, description = "The programs", body = [ProgramBrief]),
    )
)]
async fn list(signed: Signed) -> Answer<Json<Vec<ProgramBrief>>> {
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let horses = horses::list(&mut barn, owner).await?;
    let programs = program::in_use(&mut barn).await?;
    let meant = program::meant(&mut barn).await?;
    Ok(Json(
        programs
            .into_iter()
            .map(|kept| {
                let meant = meant.iter().find(|one| one.program_id == kept.program_id);
                ProgramBrief {
                    program_id: kept.program_id,
                    name: kept.name,
                    version: kept.version,
                    rides_a_week: meant.map_or(0, |meant| meant.rides_a_week),
                    leads_to: meant.map_or_else(Vec::new, |meant| meant.leads_to.clone()),
                    horses: horses
                        .iter()
                        .filter(|horse| horse.program_id == Some(kept.program_id))
                        .map(|horse| horse.horse_id)
                        .collect(),
                }
            })
            .collect(),
    ))
}

/// A program with all its versions.
#[utoipa::path(
    get, path = "/api/programs/{program_id}", operation_id = "show_program", tag = "programs",
    params(("program_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The program, its versions, its ladder", body = ShownProgram),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(program_id): UrlPath<Uuid>,
) -> Answer<Json<ShownProgram>> {
    let versions = program::versions(&mut signed.look().await?, program_id).await?;
    let in_use = versions.first().ok_or_else(no_program)?.clone();
    let ladder = app.known.ladders.of(signed.barn.barn_id, &in_use);
    let name_alone = |name| Program {
        name,
        ..Program::default()
    };
    Ok(Json(ShownProgram {
        program_id,
        version: in_use.version,
        content: in_use.content.unwrap_or_else(|_| name_alone(in_use.name)),
        unfit: ladder.unfit.as_ref().map(|unfit| unfit.why.clone()),
        versions: versions.into_iter().map(Into::into).collect(),
        ladder: ShownLadder::of(&ladder.ladder),
    }))
}

/// Make a program.
#[utoipa::path(
    post, path = "/api/programs", operation_id = "add_program", tag = "programs", request_body = NewProgram,
    responses(
        (status = 201, description = "Made"),
        (status = 409, description = "A program of that id is known", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Decider(signed): Decider,
    Body(new): Body<NewProgram>,
) -> Answer<StatusCode> {
    check(&new.content)?;
    let made = made(&signed);
    let mut barn = signed.write().await?;
    if !program::versions(&mut barn, new.program_id)
        .await?
        .is_empty()
    {
        return Err(Problem::conflict(vec![FieldError::new(
            "/program_id",
            format!("program {} is known; change it instead", new.program_id),
        )]));
    }
    let ladder_version = ladder_version(&app);
    program::add(
        &mut barn,
        new.program_id,
        &new.content,
        ladder_version,
        made,
    )
    .await?;
    barn.commit().await?;
    Ok(StatusCode::CREATED)
}

/// Change a program: a new version. Old verdicts keep the version they were made
/// with; going back is a new version with the old content.
#[utoipa::path(
    put, path = "/api/programs/{program_id}", operation_id = "change_program", tag = "programs",
    params(("program_id" = Uuid, Path)), request_body = ChangedProgram,
    responses(
        (status = 204, description = "Changed"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "Somebody has changed it meanwhile", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(program_id): UrlPath<Uuid>,
    Body(changed): Body<ChangedProgram>,
) -> Answer<StatusCode> {
    check(&changed.content)?;
    let made = made(&signed);
    let mut barn = signed.write().await?;
    let on_it: Vec<Uuid> = horses::list(&mut barn, None)
        .await?
        .into_iter()
        .filter(|horse| horse.program_id == Some(program_id))
        .map(|horse| horse.horse_id)
        .collect();
    // The horses first, as everywhere: two who store something about one wait in turn.
    horses::raise_versions(&mut barn, &on_it).await?;
    let in_use = program::versions(&mut barn, program_id).await?;
    let in_use = in_use.first().ok_or_else(no_program)?;
    if in_use.version != changed.from_version {
        return Err(changed_meanwhile(in_use.version));
    }
    let version = in_use.version + 1;
    let ladder_version = ladder_version(&app);
    program::add_version(
        &mut barn,
        program_id,
        version,
        &changed.content,
        ladder_version,
        made,
    )
    .await
    .map_err(|error| match error {
        cavesson_store::StoreError::Taken { .. } => changed_meanwhile(version),
        error => error.into(),
    })?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &on_it, signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

/// Put a horse on a program.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/program", operation_id = "put_horse_program", tag = "programs",
    params(("horse_id" = Uuid, Path)), request_body = HorseProgram,
    responses(
        (status = 204, description = "It is on it"),
        (status = 404, description = "No such horse or program in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put_horse(
    State(app): State<App>,
    Decider(signed): Decider,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(put): Body<HorseProgram>,
) -> Answer<StatusCode> {
    let from = put.from.unwrap_or(signed.today());
    if !(SINCE_EVER..=signed.today()).contains(&from) {
        return Err(Problem::field(FieldError::new(
            "/from",
            format!("must be {SINCE_EVER} to today, {}", signed.today()),
        )));
    }
    let mut barn = signed.write().await?;
    signed.horse(&mut barn, horse_id).await?;
    if let Some(program_id) = put.program_id
        && program::versions(&mut barn, program_id).await?.is_empty()
    {
        return Err(no_program());
    }
    horses::raise_versions(&mut barn, &[horse_id]).await?;
    horse_program::put(&mut barn, horse_id, put.program_id, from).await?;
    barn.commit().await?;
    judge_and_keep(&app, signed.barn.barn_id, &[horse_id], signed.today()).await;
    Ok(StatusCode::NO_CONTENT)
}

fn made(signed: &Signed) -> Made {
    Made {
        by: signed.person.person_id,
        day: signed.today(),
    }
}

fn check(content: &Program) -> Answer<()> {
    content
        .check_name()
        .map_err(|error| Problem::field(error.under("/content")))?;
    fitted(content).map(|_| ())
}

/// The ladder that a program makes.
///
/// # Errors
/// The field that does not fit.
pub fn fitted(content: &Program) -> Answer<Ladder> {
    content
        .ladder(LadderFile::shipped())
        .map_err(|error| Problem::field(error.under("/content")))
}

fn ladder_version(app: &App) -> i32 {
    app.ladder.version.try_into().unwrap_or(i32::MAX)
}

fn no_program() -> Problem {
    Problem::not_found("no such program in this barn")
}

fn changed_meanwhile(version: i32) -> Problem {
    Problem::conflict(vec![FieldError::new(
        "/from_version",
        format!("the program is at version {version} now; look at it and change that"),
    )])
}
