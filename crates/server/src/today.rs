//! Today: who is ridden, when, where, for what, and the one thing that matters.

use std::collections::HashMap;

use axum::Json;
use axum::extract::State;
use cavesson_core::Gait;
use cavesson_core::judge::{State as LevelState, Verdict, judge_level};
use cavesson_core::ladder::{Level, SkillId};
use cavesson_core::rep::Rep;
use cavesson_store::program_day::{self, ProgramDay};
use cavesson_store::ride::{self, Ride};
use cavesson_store::{horse, rep};
use jiff::Timestamp;
use jiff::civil::{Date, Time};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;
use uuid::Uuid;

use crate::App;
use crate::horses::Horse;
use crate::problem::{Answer, Problem};
use crate::signed::Signed;

/// Today's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(routes!(today))
}

/// The day.
#[derive(Serialize, ToSchema)]
struct Today {
    #[schema(value_type = String, format = Date)]
    day: Date,
    /// The horses ridden today, earliest first.
    string: Vec<StringHorse>,
    /// Horses that are not down for today.
    others: Vec<Horse>,
    /// What a horse that is not down for today is taken out for.
    usual: Option<Level>,
}

/// One horse of the day.
#[derive(Serialize, ToSchema)]
struct StringHorse {
    horse: Horse,
    /// Barn time.
    #[schema(value_type = String, example = "07:30:00")]
    starts_at: Time,
    rider_id: Uuid,
    rider: String,
    place: String,
    aim: Aim,
    /// Its rides today, earliest first.
    rides: Vec<RideBrief>,
}

/// What the ride is for, and where the horse stands with it.
#[derive(Serialize, ToSchema)]
struct Aim {
    skill: SkillId,
    gait: Gait,
    /// The skill's name.
    name: String,
    verdict: Verdict,
    state: LevelState,
    /// The one thing that matters for this horse.
    matters: String,
    /// Soft share over the gate's window, both sides.
    soft_share: Option<f64>,
}

/// A ride in short.
#[derive(Serialize, ToSchema)]
struct RideBrief {
    ride_id: Uuid,
    #[schema(value_type = String, format = DateTime)]
    started_at: Timestamp,
    #[schema(value_type = Option<String>, format = DateTime)]
    finished_at: Option<Timestamp>,
    asked: i64,
}

/// The day of the barn.
#[utoipa::path(
    get, path = "/api/today", tag = "today",
    responses(
        (status = 200, description = "The horses of the day", body = Today),
        (status = 401, description = "Not signed in", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn today(State(app): State<App>, mut signed: Signed) -> Answer<Json<Today>> {
    let now = signed.now();
    let day = now.date();
    let owner = signed.only_horses_of();
    let barn = &mut signed.transaction;
    let weekday = i32::from(day.weekday().to_monday_one_offset());
    let program = program_day::list(barn, weekday, owner).await?;
    let rides = ride::on_day(barn, day).await?;
    let mut horses: HashMap<Uuid, Horse> = horse::list(barn, owner)
        .await?
        .into_iter()
        .map(|horse| (horse.horse_id, Horse::new(horse, now.year())))
        .collect();
    let mut reps = reps_by_aim(barn, &program).await?;
    let mut string = Vec::with_capacity(program.len());
    for planned in program {
        let Some(horse) = horses.remove(&planned.horse_id) else {
            continue;
        };
        let known = reps
            .remove(&(planned.horse_id, planned.level.clone()))
            .unwrap_or_default();
        if let Some(aim) = aim(&app, &planned.level, &known, day) {
            string.push(string_horse(planned, horse, aim, &rides));
        }
    }
    let mut others: Vec<Horse> = horses.into_values().collect();
    others.sort_by(|a, b| a.name.cmp(&b.name));
    Ok(Json(Today {
        day,
        string,
        others,
        usual: app.ladder.lowest(),
    }))
}

type RepsByAim = HashMap<(Uuid, Level), Vec<Rep>>;

/// The reps of every horse of the day at its level, one query a level.
async fn reps_by_aim(
    barn: &mut cavesson_store::BarnTransaction,
    program: &[ProgramDay],
) -> Answer<RepsByAim> {
    let mut levels: HashMap<&Level, Vec<Uuid>> = HashMap::new();
    for planned in program {
        levels
            .entry(&planned.level)
            .or_default()
            .push(planned.horse_id);
    }
    let mut reps = RepsByAim::new();
    for (level, horse_ids) in levels {
        for (horse_id, rep) in rep::of_level(barn, &horse_ids, level).await? {
            reps.entry((horse_id, level.clone())).or_default().push(rep);
        }
    }
    Ok(reps)
}

/// None for a level that this ladder does not have.
fn aim(app: &App, level: &Level, reps: &[Rep], day: Date) -> Option<Aim> {
    let skill = app.ladder.skill_at(level)?;
    let judged = judge_level(reps, &skill.gate, day);
    let (left, right) = (&judged.gate.left, &judged.gate.right);
    let asked = left.asked + right.asked;
    Some(Aim {
        skill: skill.id.clone(),
        gait: level.gait,
        name: skill.name.clone(),
        verdict: judged.verdict,
        state: judged.state,
        matters: judged.says,
        soft_share: (asked > 0).then(|| f64::from(left.soft + right.soft) / f64::from(asked)),
    })
}

fn string_horse(planned: ProgramDay, horse: Horse, aim: Aim, rides: &[Ride]) -> StringHorse {
    StringHorse {
        starts_at: planned.starts_at,
        rider_id: planned.rider_id,
        rider: planned.rider,
        place: planned.place,
        aim,
        rides: rides
            .iter()
            .filter(|ride| ride.horse_id == horse.horse_id)
            .map(|ride| RideBrief {
                ride_id: ride.ride_id,
                started_at: ride.started_at,
                finished_at: ride.finished_at,
                asked: ride.asked,
            })
            .collect(),
        horse,
    }
}
