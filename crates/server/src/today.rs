//! Today: who is ridden, when, where, for what, and the one thing that matters.

use std::collections::HashMap;
use std::sync::Arc;

use axum::Json;
use axum::extract::State;
use cavesson_core::judge::{self, State as LevelState, Verdict};
use cavesson_core::ladder::Level;
use cavesson_store::card_block;
use cavesson_store::horse;
use cavesson_store::program_day::{self, ProgramDay};
use cavesson_store::ride::{self, Ride};
use jiff::Timestamp;
use jiff::civil::{Date, Time};
use serde::Serialize;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use uuid::Uuid;

use crate::App;
use crate::card_blocks::CardBlock;
use crate::horses::Horse;
use crate::known::Judged;
use crate::levels::LevelBrief;
use crate::problem::Answer;
use crate::route;
use crate::signed::Signed;

/// What a horse that is not down for the day is taken out for: the lightest ask.
const USUAL: (&str, &str) = ("bend.flex", "stand");

/// Today's route.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new().routes(route!(today))
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
    usual: Option<LevelBrief>,
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
    /// Blocks put on its card for today.
    card: Vec<CardBlock>,
    /// Its rides today, earliest first.
    rides: Vec<RideBrief>,
}

/// What the ride is for, and where the horse stands with it.
#[derive(Serialize, ToSchema)]
struct Aim {
    level: LevelBrief,
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
    )
)]
async fn today(State(app): State<App>, signed: Signed) -> Answer<Json<Today>> {
    let now = signed.now();
    let day = now.date();
    let owner = signed.only_horses_of();
    let mut barn = signed.look().await?;
    let weekday = i32::from(day.weekday().to_monday_one_offset());
    let program = program_day::list(&mut barn, weekday, owner).await?;
    let rides = ride::on_day(&mut barn, day).await?;
    let mut horses: HashMap<Uuid, Horse> = horse::list(&mut barn, owner)
        .await?
        .into_iter()
        .map(|horse| (horse.horse_id, Horse::new(horse, now.year())))
        .collect();
    let mut card = card_block::on_day(&mut barn, day).await?;
    let ridden: Vec<Uuid> = program.iter().map(|planned| planned.horse_id).collect();
    let judged: HashMap<Uuid, Arc<Judged>> = app
        .known
        .judged(barn, &ridden, day)
        .await?
        .into_iter()
        .map(|judged| (judged.horse_id, judged))
        .collect();
    let mut string = Vec::with_capacity(program.len());
    for planned in program {
        let Some(horse) = horses.remove(&planned.horse_id) else {
            continue;
        };
        let Some(judged) = judged.get(&planned.horse_id) else {
            continue;
        };
        if let Some(aim) = aim(judged, &planned.level) {
            let card = card
                .extract_if(.., |block| block.horse_id == planned.horse_id)
                .map(|block| CardBlock::of(block, judged.ladder()))
                .collect();
            string.push(string_horse(planned, horse, aim, card, &rides));
        }
    }
    let mut others: Vec<Horse> = horses.into_values().collect();
    others.sort_by(|a, b| a.name.cmp(&b.name));
    Ok(Json(Today {
        day,
        string,
        others,
        usual: app
            .ladder
            .at(&Level::new(USUAL.0, USUAL.1))
            .map(|level| LevelBrief::of(level, app.ladder)),
    }))
}

/// None for a level that the horse's ladder does not have.
fn aim(judged: &Judged, level: &Level) -> Option<Aim> {
    let ladder = judged.ladder();
    let index = ladder.position(level)?;
    let said =
        judge::level::of_standings(ladder, &judged.file, &judged.standings, index, judged.on);
    let asked: u32 = said.gate.sides.iter().map(|side| side.asked).sum();
    let soft: u32 = said.gate.sides.iter().map(|side| side.soft).sum();
    Some(Aim {
        level: LevelBrief::of(&ladder.levels[index], ladder),
        verdict: said.verdict,
        state: said.state,
        matters: said.text,
        soft_share: (asked > 0).then(|| f64::from(soft) / f64::from(asked)),
    })
}

fn string_horse(
    planned: ProgramDay,
    horse: Horse,
    aim: Aim,
    card: Vec<CardBlock>,
    rides: &[Ride],
) -> StringHorse {
    StringHorse {
        starts_at: planned.starts_at,
        rider_id: planned.rider_id,
        rider: planned.rider,
        place: planned.place,
        aim,
        card,
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
