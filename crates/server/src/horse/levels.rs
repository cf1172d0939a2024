//! A level of one horse: its gate and verdict, and its rein strips.

use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use cavesson_core::Gait;
use cavesson_core::judge::{self, Forecast, Judgement, words};
use cavesson_core::ladder::{
    Gate, Ladder, LadderLevel, Level, MeasureKind, Role, RungId, Sides, SkillId, Zone,
};
use cavesson_core::rep::{HandWeight, Rep};
use cavesson_core::ride::Strip;
use cavesson_core::ride::strip::strips;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::horse::horses::Horse;
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::{On, UrlPath, UrlQuery};
use crate::route;

/// The levels' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(show_strips))
}

/// A level in short, as every page names it.
#[derive(Debug, Clone, Serialize, ToSchema)]
pub struct LevelBrief {
    pub skill: SkillId,
    pub rung: RungId,
    /// The skill with its rung: "Stops off the seat, at the jog".
    pub name: String,
    /// The skill alone.
    pub skill_name: String,
    /// The rung alone: "at the jog".
    pub rung_name: String,
    /// The track it belongs to.
    pub track: String,
    /// How it is asked.
    pub ask: String,
    pub measure: MeasureKind,
    /// What its skill is in the work, where a screen has to know it.
    pub roles: Vec<Role>,
    pub sides: Sides,
    pub gait: Gait,
    /// The part of the horse it speaks of, on the soft map.
    pub zone: Option<Zone>,
    /// The longest time that counts as soft here, in seconds, where it is timed.
    pub longest_soft_s: f64,
}

impl LevelBrief {
    pub fn of(level: &LadderLevel, ladder: &Ladder) -> LevelBrief {
        let track = &ladder.tracks[level.track];
        let skill = track
            .skills
            .iter()
            .find(|skill| skill.id == level.level.skill);
        let rung =
            skill.and_then(|skill| skill.rungs.iter().find(|rung| rung.id == level.level.rung));
        LevelBrief {
            skill: level.level.skill.clone(),
            rung: level.level.rung.clone(),
            name: level.name.clone(),
            skill_name: skill.map(|skill| skill.name.clone()).unwrap_or_default(),
            rung_name: rung.map(|rung| rung.name.clone()).unwrap_or_default(),
            track: track.id.clone(),
            ask: skill.map(|skill| skill.ask.clone()).unwrap_or_default(),
            measure: level.measure,
            roles: level.roles.clone(),
            sides: level.sides,
            gait: level.gait,
            zone: level.zone,
            longest_soft_s: level.gate.soft.most_s(level.gait),
        }
    }
}

/// A level of one horse, judged.
#[derive(Serialize, ToSchema)]
struct JudgedLevel {
    horse: Horse,
    level: LevelBrief,
    /// The version of the ladder it was judged by.
    ladder_version: u32,
    /// The version of the horse's program; null for the ladder as it ships.
    program_version: Option<i32>,
    /// The gate's numbers that were used.
    gate: Gate,
    judgement: Judgement,
    /// What is said of each of its rigs, in a sentence.
    rigs_say: Vec<String>,
    /// Rides until the gate passes.
    forecast: Forecast,
    /// The same in a sentence.
    forecast_says: String,
}

/// A level's rides as rein strips.
#[derive(Serialize, ToSchema)]
struct LevelStrips {
    horse: Horse,
    level: LevelBrief,
    /// The most hand that counts as soft.
    most_soft_hand: HandWeight,
    /// Oldest ride first.
    strips: Vec<Strip>,
}

/// One horse's level as the judge sees it on a date.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/levels/{skill}/{rung}", operation_id = "show_level", tag = "levels",
    params(("horse_id" = Uuid, Path), ("skill" = String, Path), ("rung" = String, Path), On),
    responses(
        (status = 200, description = "Gate, verdict, reasons, what it would take", body = JudgedLevel),
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
    let found = HorseLevel::load(&app, signed, path, query).await?;
    let judged = app.work.judging.run(move || judged_level(found));
    Ok(Json(judged.await?))
}

fn judged_level(found: HorseLevel) -> JudgedLevel {
    let judged = &found.judged;
    let judgement = judge::level::of_standings(
        judged.ladder(),
        &judged.file,
        &judged.standings,
        found.index,
        judged.on,
    );
    let forecast = judge::level::forecast_of_standings(
        judged.ladder(),
        &judged.file,
        &judged.standings,
        found.index,
        judged.on,
    );
    let ladder_version = judged.ladder().version;
    let program_version = judged.on_ladder.program.map(|(_, version)| version);
    let level = LevelBrief::of(found.level(), judged.ladder());
    let gate = found.level().gate;
    JudgedLevel {
        horse: found.horse,
        level,
        ladder_version,
        program_version,
        gate,
        rigs_say: judgement.rigs.iter().map(words::rig).collect(),
        judgement,
        forecast_says: words::forecast(&forecast, judged.file.sex),
        forecast,
    }
}

/// One horse's rides of a level, rep by rep.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/levels/{skill}/{rung}/strips", tag = "levels",
    params(("horse_id" = Uuid, Path), ("skill" = String, Path), ("rung" = String, Path), On),
    responses(
        (status = 200, description = "The rein strips", body = LevelStrips),
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
    let found = HorseLevel::load(&app, signed, path, query).await?;
    let strips = app.work.judging.run(move || level_strips(found));
    Ok(Json(strips.await?))
}

fn level_strips(found: HorseLevel) -> LevelStrips {
    let ladder = found.judged.ladder();
    let strips = strips(found.reps(), found.level(), ladder, found.judged.on);
    let level = LevelBrief::of(found.level(), ladder);
    let most_soft_hand = found.level().gate.soft.most_hand;
    LevelStrips {
        horse: found.horse,
        level,
        most_soft_hand,
        strips,
    }
}

/// Everything a level's pages are made of.
struct HorseLevel {
    horse: Horse,
    judged: Arc<Judged>,
    index: usize,
}

impl HorseLevel {
    async fn load(
        app: &App,
        signed: Signed,
        (horse_id, skill, rung): (Uuid, String, String),
        query: On,
    ) -> Answer<HorseLevel> {
        let level = Level::new(&skill, &rung);
        let today = signed.now();
        let on = query.day(today.date())?;
        let mut barn = signed.look().await?;
        let stored = signed.horse(&mut barn, horse_id).await?;
        let horse = Horse::new(stored, today.year());
        let judged = app.known.judged_horse(barn, horse_id, on).await?;
        let index = judged.ladder().position(&level).ok_or_else(no_level)?;
        Ok(HorseLevel {
            horse,
            judged,
            index,
        })
    }

    fn level(&self) -> &LadderLevel {
        &self.judged.ladder().levels[self.index]
    }

    fn reps(&self) -> &[Rep] {
        self.judged
            .known
            .reps
            .get(&self.level().level)
            .map_or(&[], |of_level| of_level.as_slice())
    }
}

fn no_level() -> Problem {
    Problem::not_found("no such level on this horse's ladder; see /api/ladder")
}
