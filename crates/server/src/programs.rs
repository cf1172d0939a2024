//! Programs: schools and changed gates, version by version; and what a change
//! would do to the verdicts of the barn's own horses.

use std::collections::HashMap;
use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use axum::http::StatusCode;
use cavesson_core::bounds::FieldError;
use cavesson_core::judge::{State as LevelState, Verdict};
use cavesson_core::ladder::{Ladder, LadderFile};
use cavesson_core::program::Program;
use cavesson_store::horse;
use cavesson_store::program::{self, ProgramVersion};
use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::body::Body;
use crate::known::keep::judge_and_keep;
use crate::known::{self, HorseLadder, Judged};
use crate::ladder::ShownLadder;
use crate::levels::LevelBrief;
use crate::problem::{Answer, Problem};
use crate::signed::{Decider, Signed};
use crate::url::UrlPath;

/// The programs' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(list, add))
        .routes(routes!(show, change))
        .routes(routes!(preview))
        .routes(routes!(put_horse))
}

/// A program in short.
#[derive(Serialize, ToSchema)]
struct ProgramBrief {
    program_id: Uuid,
    name: String,
    version: i32,
    /// Horses that are on it.
    horses: Vec<Uuid>,
}

/// A program with its versions and the ladder it makes.
#[derive(Serialize, ToSchema)]
struct ShownProgram {
    program_id: Uuid,
    version: i32,
    content: Program,
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
    content: Program,
    made_by: String,
    #[schema(value_type = String, format = DateTime)]
    made_at: Timestamp,
}

impl From<ProgramVersion> for ShownVersion {
    fn from(kept: ProgramVersion) -> ShownVersion {
        ShownVersion {
            version: kept.version,
            ladder_version: kept.ladder_version,
            content: kept.content,
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

/// A change to be looked at before it is made.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct PreviewedProgram {
    content: Program,
    /// The horses to judge with it; all that are on `program_id` when left out.
    #[serde(default)]
    horses: Option<Vec<Uuid>>,
    /// The program it changes.
    #[serde(default)]
    program_id: Option<Uuid>,
}

/// Verdicts that a change would change.
#[derive(Serialize, ToSchema)]
struct Preview {
    /// Horses that were judged.
    horses: usize,
    /// What would change, by horse and level.
    changes: Vec<ChangedVerdict>,
}

/// A verdict that would change.
#[derive(Serialize, ToSchema)]
struct ChangedVerdict {
    horse_id: Uuid,
    horse: String,
    level: LevelBrief,
    verdict_now: Verdict,
    verdict_then: Verdict,
    state_now: LevelState,
    state_then: LevelState,
}

/// The program a horse is on.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
struct HorseProgram {
    /// Null is the ladder as it ships.
    program_id: Option<Uuid>,
}

/// The barn's programs, by name.
#[utoipa::path(
    get, path = "/api/programs", operation_id = "list_programs", tag = "programs",
    responses(
        (status = 200, description = "The programs", body = [ProgramBrief]),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn list(mut signed: Signed) -> Answer<Json<Vec<ProgramBrief>>> {
    let owner = signed.only_horses_of();
    let barn = &mut signed.transaction;
    let horses = horse::list(barn, owner).await?;
    let programs = program::in_use(barn).await?;
    Ok(Json(
        programs
            .into_iter()
            .map(|kept| ProgramBrief {
                program_id: kept.program_id,
                name: kept.content.name,
                version: kept.version,
                horses: horses
                    .iter()
                    .filter(|horse| horse.program_id == Some(kept.program_id))
                    .map(|horse| horse.horse_id)
                    .collect(),
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
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    mut signed: Signed,
    UrlPath(program_id): UrlPath<Uuid>,
) -> Answer<Json<ShownProgram>> {
    let versions = program::versions(&mut signed.transaction, program_id).await?;
    let in_use = versions.first().ok_or_else(no_program)?.clone();
    let ladder = app
        .known
        .ladder_of(program_id, in_use.version, &in_use.content);
    Ok(Json(ShownProgram {
        program_id,
        version: in_use.version,
        content: in_use.content,
        versions: versions.into_iter().map(Into::into).collect(),
        ladder: ShownLadder::of(&ladder.ladder),
    }))
}

/// Make a program.
#[utoipa::path(
    post, path = "/api/programs", operation_id = "add_program", tag = "programs", request_body = NewProgram,
    responses(
        (status = 201, description = "Made"),
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Only trainers change programs", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "A program of that id is known", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn add(
    State(app): State<App>,
    Decider(mut signed): Decider,
    Body(new): Body<NewProgram>,
) -> Answer<StatusCode> {
    check(&new.content)?;
    let made_by = signed.person.person_id;
    let barn = &mut signed.transaction;
    if !program::versions(barn, new.program_id).await?.is_empty() {
        return Err(Problem::conflict(vec![FieldError::new(
            "/program_id",
            format!("program {} is known; change it instead", new.program_id),
        )]));
    }
    let ladder_version = ladder_version(&app);
    program::add(barn, new.program_id, &new.content, ladder_version, made_by).await?;
    signed.transaction.commit().await?;
    Ok(StatusCode::CREATED)
}

/// Change a program: a new version. Old verdicts keep the version they were made
/// with; going back is a new version with the old content.
#[utoipa::path(
    put, path = "/api/programs/{program_id}", operation_id = "change_program", tag = "programs",
    params(("program_id" = Uuid, Path)), request_body = ChangedProgram,
    responses(
        (status = 204, description = "Changed"),
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Only trainers change programs", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 409, description = "Somebody has changed it meanwhile", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn change(
    State(app): State<App>,
    Decider(mut signed): Decider,
    UrlPath(program_id): UrlPath<Uuid>,
    Body(changed): Body<ChangedProgram>,
) -> Answer<StatusCode> {
    check(&changed.content)?;
    let made_by = signed.person.person_id;
    let barn = &mut signed.transaction;
    let in_use = program::versions(barn, program_id).await?;
    let in_use = in_use.first().ok_or_else(no_program)?;
    if in_use.version != changed.from_version {
        return Err(changed_meanwhile(in_use.version));
    }
    let version = in_use.version + 1;
    let ladder_version = ladder_version(&app);
    program::add_version(
        barn,
        program_id,
        version,
        &changed.content,
        ladder_version,
        made_by,
    )
    .await
    .map_err(|error| match error {
        cavesson_store::StoreError::Taken(_) => changed_meanwhile(version),
        error => error.into(),
    })?;
    let on_it: Vec<Uuid> = horse::list(barn, None)
        .await?
        .into_iter()
        .filter(|horse| horse.program_id == Some(program_id))
        .map(|horse| horse.horse_id)
        .collect();
    horse::raise_versions(barn, &on_it).await?;
    let today = signed.now().date();
    let barn_id = signed.barn.barn_id;
    signed.transaction.commit().await?;
    judge_and_keep(&app, barn_id, &on_it, today).await?;
    Ok(StatusCode::NO_CONTENT)
}

/// See which verdicts a program would change, without making it.
#[utoipa::path(
    post, path = "/api/programs/preview", operation_id = "preview_program", tag = "programs",
    request_body = PreviewedProgram,
    responses(
        (status = 200, description = "What would change on this barn's horses", body = Preview),
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Only trainers change programs", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn preview(
    State(app): State<App>,
    Decider(mut signed): Decider,
    Body(previewed): Body<PreviewedProgram>,
) -> Answer<Json<Preview>> {
    let ladder = fitted(&previewed.content)?;
    let today = signed.now().date();
    let barn = &mut signed.transaction;
    let horses = horse::list(barn, None).await?;
    let names: HashMap<Uuid, String> = horses
        .iter()
        .map(|horse| (horse.horse_id, horse.name.clone()))
        .collect();
    let wanted: Vec<Uuid> = horses
        .iter()
        .filter(|horse| match &previewed.horses {
            Some(named) => named.contains(&horse.horse_id),
            None => horse.program_id == previewed.program_id,
        })
        .map(|horse| horse.horse_id)
        .collect();
    let now = app.known.judged(barn, &wanted, today).await?;
    let then_on = HorseLadder {
        ladder: Arc::new(ladder),
        program: None,
    };
    let changes = tokio::task::spawn_blocking(move || {
        now.iter()
            .flat_map(|now| {
                let then = known::judge(now.horse_id, now.known.clone(), then_on.clone(), now.on);
                changed_verdicts(
                    now,
                    &then,
                    names.get(&now.horse_id).cloned().unwrap_or_default(),
                )
            })
            .collect()
    })
    .await?;
    Ok(Json(Preview {
        horses: wanted.len(),
        changes,
    }))
}

/// The levels on both ladders whose verdict or state differs.
fn changed_verdicts(now: &Judged, then: &Judged, horse: String) -> Vec<ChangedVerdict> {
    then.standings
        .iter()
        .filter_map(|after| {
            let level = &then.ladder().levels[after.place];
            let before = &now.standings[now.ladder().position(&level.level)?];
            let differs = before.verdict != after.verdict || before.state != after.state;
            differs.then(|| ChangedVerdict {
                horse_id: now.horse_id,
                horse: horse.clone(),
                level: LevelBrief::of(level, then.ladder()),
                verdict_now: before.verdict,
                verdict_then: after.verdict,
                state_now: before.state,
                state_then: after.state,
            })
        })
        .collect()
}

/// Put a horse on a program.
#[utoipa::path(
    put, path = "/api/horses/{horse_id}/program", operation_id = "put_horse_program", tag = "programs",
    params(("horse_id" = Uuid, Path)), request_body = HorseProgram,
    responses(
        (status = 204, description = "It is on it"),
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 403, description = "Only trainers change programs", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such horse or program in this barn", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field that does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn put_horse(
    State(app): State<App>,
    Decider(mut signed): Decider,
    UrlPath(horse_id): UrlPath<Uuid>,
    Body(put): Body<HorseProgram>,
) -> Answer<StatusCode> {
    signed.horse(horse_id).await?;
    let barn = &mut signed.transaction;
    if let Some(program_id) = put.program_id
        && program::versions(barn, program_id).await?.is_empty()
    {
        return Err(no_program());
    }
    horse::raise_versions(barn, &[horse_id]).await?;
    program::put_horse(barn, horse_id, put.program_id).await?;
    let today = signed.now().date();
    let barn_id = signed.barn.barn_id;
    signed.transaction.commit().await?;
    judge_and_keep(&app, barn_id, &[horse_id], today).await?;
    Ok(StatusCode::NO_CONTENT)
}

fn check(content: &Program) -> Answer<()> {
    content
        .check_name()
        .map_err(|error| Problem::field(error.under("/content")))?;
    fitted(content).map(|_| ())
}

fn fitted(content: &Program) -> Answer<Ladder> {
    Ladder::of(LadderFile::shipped(), content)
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
