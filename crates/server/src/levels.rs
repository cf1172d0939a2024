//! A level of one horse: its gate and verdict, and its rein strips.

use axum::Json;
use axum::extract::State;
use cavesson_core::Gait;
use cavesson_core::judge::{Judgement, judge_level};
use cavesson_core::ladder::{Gate, Level, Skill, SkillId};
use cavesson_core::rep::{HandWeight, Rep};
use cavesson_core::ride::Strip;
use cavesson_core::ride::strip::strips;
use cavesson_store::rep;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::horses::Horse;
use crate::problem::{Answer, Problem};
use crate::signed::Signed;
use crate::url::{On, UrlPath, UrlQuery};

/// The levels' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(show))
        .routes(routes!(show_strips))
}

/// A level of one horse, judged.
#[derive(Serialize, ToSchema)]
struct JudgedLevel {
    horse: Horse,
    skill: SkillId,
    gait: Gait,
    /// The skill's name.
    name: String,
    /// How it is asked.
    ask: String,
    /// The longest time that counts as soft here, in seconds.
    longest_soft_s: f64,
    /// The version of the ladder it was judged by.
    ladder_version: u32,
    /// The gate's numbers that were used.
    gate: Gate,
    judgement: Judgement,
}

/// A level's rides as rein strips.
#[derive(Serialize, ToSchema)]
struct LevelStrips {
    horse: Horse,
    skill: SkillId,
    gait: Gait,
    /// The skill's name.
    name: String,
    /// The longest time that counts as soft here, in seconds.
    longest_soft_s: f64,
    /// The most hand that counts as soft.
    most_soft_hand: HandWeight,
    /// Oldest ride first.
    strips: Vec<Strip>,
}

/// One horse's level as the judge sees it on a date.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/levels/{skill}/{gait}", operation_id = "show_level", tag = "levels",
    params(("horse_id" = Uuid, Path), ("skill" = String, Path), ("gait" = Gait, Path), On),
    responses(
        (status = 200, description = "Gate, verdict, reasons, what it would take", body = JudgedLevel),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such horse in this barn, or no such level", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A date that cannot be read", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(path): UrlPath<(Uuid, String, String)>,
    UrlQuery(query): UrlQuery<On>,
) -> Answer<Json<JudgedLevel>> {
    let level = HorseLevel::load(&app, signed, path, query).await?;
    let judgement = judge_level(&level.reps, &level.skill.gate, level.on);
    Ok(Json(JudgedLevel {
        horse: level.horse,
        skill: level.skill.id.clone(),
        gait: level.gait,
        name: level.skill.name.clone(),
        ask: level.skill.ask.clone(),
        longest_soft_s: level.skill.gate.soft.most_s(level.gait),
        ladder_version: app.ladder.version,
        gate: level.skill.gate,
        judgement,
    }))
}

/// One horse's rides of a level, rep by rep.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/levels/{skill}/{gait}/strips", tag = "levels",
    params(("horse_id" = Uuid, Path), ("skill" = String, Path), ("gait" = Gait, Path), On),
    responses(
        (status = 200, description = "The rein strips", body = LevelStrips),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such horse in this barn, or no such level", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A date that cannot be read", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show_strips(
    State(app): State<App>,
    signed: Signed,
    UrlPath(path): UrlPath<(Uuid, String, String)>,
    UrlQuery(query): UrlQuery<On>,
) -> Answer<Json<LevelStrips>> {
    let level = HorseLevel::load(&app, signed, path, query).await?;
    Ok(Json(LevelStrips {
        horse: level.horse,
        skill: level.skill.id.clone(),
        gait: level.gait,
        name: level.skill.name.clone(),
        longest_soft_s: level.skill.gate.soft.most_s(level.gait),
        most_soft_hand: level.skill.gate.soft.most_hand,
        strips: strips(&level.reps, &level.skill.gate, level.on),
    }))
}

/// Everything a level's pages are made of.
struct HorseLevel {
    horse: Horse,
    skill: &'static Skill,
    gait: Gait,
    reps: Vec<Rep>,
    on: Date,
}

impl HorseLevel {
    async fn load(
        app: &App,
        mut signed: Signed,
        (horse_id, skill, gait): (Uuid, String, String),
        query: On,
    ) -> Answer<HorseLevel> {
        let gait = Gait::from_word(&gait).ok_or_else(no_level)?;
        let level = Level {
            skill: SkillId(skill),
            gait,
        };
        let skill = app.ladder.skill_at(&level).ok_or_else(no_level)?;
        let today = signed.now();
        let horse = Horse::new(signed.horse(horse_id).await?, today.year());
        let reps = rep::of_level(&mut signed.transaction, &[horse_id], &level)
            .await?
            .into_iter()
            .map(|(_, rep)| rep)
            .collect();
        Ok(HorseLevel {
            horse,
            skill,
            gait,
            reps,
            on: query.on.unwrap_or(today.date()),
        })
    }
}

fn no_level() -> Problem {
    Problem::not_found("no such level on this ladder; see /api/ladder")
}
