//! A horse's road, and the dates of a barn that are at risk.

use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use cavesson_core::calc::road::{Input, Output};
use cavesson_core::horse::Goal;
use cavesson_core::judge::{self, caution};
use cavesson_core::ladder::Level;
use cavesson_core::road::{HorsePace, LevelPace, words};
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use super::road_cache::{all, of_horse};
use super::road_input::read;
use crate::App;
use crate::horse::horses::Horse;
use crate::horse::levels::LevelBrief;
use crate::horse_record::Judged;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// Days behind today that are shown.
const BEHIND_DAYS: i64 = 182;

/// The roads' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(show))
        .routes(route!(at_risk))
}

/// A horse's road.
#[derive(Serialize, ToSchema)]
struct HorseRoad {
    horse: Horse,
    /// The day it was looked down.
    #[schema(value_type = String, format = Date)]
    on: Date,
    /// Goals that lie ahead, soonest first.
    goals: Vec<Goal>,
    /// Levels of goals that the horse's ladder no longer has.
    not_on_ladder: Vec<Level>,
    /// What the road was asked, as the calculator `road` takes it: ask the same with
    /// something changed. Null while no goal says what the horse is to hold.
    asked: Option<Input>,
    /// What it said.
    found: Option<Output>,
    /// The barn's pace on the levels that are still to come, needs first.
    pace: Vec<LevelPace>,
    /// How quick the horse is; null before its first level.
    horse_pace: Option<HorsePace>,
    /// Levels it came to hold in the last half year, the first one first.
    behind: Vec<HeldOn>,
    /// Who should look at the horse first, in sentences: the road takes it that nothing is
    /// wrong.
    cautions: Vec<String>,
    /// What was lost of the brake, in a sentence; null where nothing was. The road goes over it
    /// before anything faster.
    brake_lost: Option<String>,
}

/// A level that came to be held.
#[derive(Serialize, ToSchema)]
pub struct HeldOn {
    level: LevelBrief,
    #[schema(value_type = String, format = Date)]
    day: Date,
}

/// A date that is at risk.
#[derive(Serialize, ToSchema)]
struct DateAtRisk {
    horse_id: Uuid,
    horse: String,
    goal: String,
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// Share of the futures in which all is held by then.
    chance: f64,
    /// The same in a sentence.
    text: String,
}

/// The road of a horse to its dates.
#[utoipa::path(
    get, path = "/api/horses/{horse_id}/road", operation_id = "show_road", tag = "roads",
    params(("horse_id" = Uuid, Path)),
    responses(
        (status = 200, description = "The road", body = HorseRoad),
        (status = 404, description = "Not in this barn", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn show(
    State(app): State<App>,
    signed: Signed,
    UrlPath(horse_id): UrlPath<Uuid>,
) -> Answer<Json<HorseRoad>> {
    let barn_id = signed.barn.barn_id;
    let mut barn = signed.look().await?;
    let horse = signed.horse(&mut barn, horse_id).await?;
    let goals = cavesson_store::horse::goal::of_horse(&mut barn, horse_id).await?;
    let judged = app
        .known
        .judged_horse(barn, horse_id, signed.today())
        .await?;
    let mut shown = HorseRoad {
        horse: Horse::new(horse, signed.now().year()),
        on: judged.on,
        not_on_ladder: not_on_ladder(&goals, &judged),
        goals: goals
            .into_iter()
            .filter(|goal| goal.day >= judged.on)
            .collect(),
        asked: None,
        found: None,
        pace: Vec::new(),
        horse_pace: None,
        behind: behind(&judged),
        cautions: caution::of_horse(&judged.file.care, &judged.file.rides, judged.on)
            .iter()
            .map(judge::words::caution)
            .collect(),
        brake_lost: judged.brake_lost().map(|brake| brake.text),
    };
    if let Some(read) = read(&app, signed.look().await?, signed.today())
        .await?
        .map(Arc::new)
        && let Some(road) = of_horse(&app, barn_id, read.clone(), horse_id).await?
    {
        if let Some(one) = read.horses(None).find(|one| one.horse.horse_id == horse_id) {
            let pace = one.pace(&app);
            shown.pace = one.paces_to_come(&road.input, &pace.1);
            shown.horse_pace = one.own_pace(&pace.1);
        }
        shown.asked = Some(road.input.clone());
        shown.found = Some(road.found.clone());
    }
    Ok(Json(shown))
}

fn not_on_ladder(goals: &[Goal], judged: &Judged) -> Vec<Level> {
    let levels = goals.iter().flat_map(|goal| &goal.levels);
    let gone = levels.filter(|level| judged.ladder().position(level).is_none());
    gone.cloned().collect()
}

/// Levels that came to be held in the last half year, the first one first.
pub fn behind(judged: &Judged) -> Vec<HeldOn> {
    let from = judged.on.saturating_sub(BEHIND_DAYS.days());
    let held = judged.standings.iter().filter_map(|standing| {
        let day = standing.retention.held_since.filter(|day| *day >= from)?;
        let level = &judged.ladder().levels[standing.index];
        Some(HeldOn {
            level: LevelBrief::of(level, judged.ladder()),
            day,
        })
    });
    let mut held: Vec<HeldOn> = held.collect();
    held.sort_by_key(|one| one.day);
    held
}

/// Dates that are at risk: each horse's soonest one, the soonest of all first.
#[utoipa::path(
    get, path = "/api/dates-at-risk", operation_id = "list_dates_at_risk", tag = "roads",
    responses((status = 200, description = "The dates", body = [DateAtRisk]))
)]
async fn at_risk(State(app): State<App>, signed: Signed) -> Answer<Json<Vec<DateAtRisk>>> {
    let read = read(&app, signed.look().await?, signed.today()).await?;
    let Some(read) = read.map(Arc::new) else {
        return Ok(Json(Vec::new()));
    };
    let roads = all(&app, signed.barn.barn_id, read, signed.only_horses_of()).await?;
    let found = roads.into_iter().filter_map(|(horse_id, horse, road)| {
        let goal = road.found.road.goals.iter().find(|goal| goal.at_risk)?;
        Some(DateAtRisk {
            horse_id,
            goal: goal.name.clone(),
            day: goal.day,
            chance: goal.chance,
            text: words::at_risk(&horse, goal, &road.found.road.chain),
            horse,
        })
    });
    let mut found: Vec<DateAtRisk> = found.collect();
    found.sort_by(|a, b| (a.day, &a.horse).cmp(&(b.day, &b.horse)));
    Ok(Json(found))
}
