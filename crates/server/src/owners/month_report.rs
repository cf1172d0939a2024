//! A horse's month with what its pictures are drawn from.

use std::sync::Arc;

use cavesson_core::calc::road::Output as RoadOutput;
use cavesson_core::horse::care::due;
use cavesson_core::judge::gate_check::GateCheck;
use cavesson_core::judge::next::next_level;
use cavesson_core::judge::{State as LevelState, Verdict, caution, level, words};
use cavesson_core::load::words::cautions as load_cautions;
use cavesson_core::load::{of_days, of_week};
use cavesson_core::report::horse_month::{ComesNext, DateAhead};
use cavesson_core::report::worked::TimedRide;
use cavesson_core::report::{Ahead, HorseMonth, HorseOfMonth, Month};
use cavesson_core::ride::Strip;
use cavesson_core::ride::strip::strips;
use cavesson_core::week::Trips;
use cavesson_store::BarnTransaction;
use cavesson_store::day::booking;
use cavesson_store::horse::horses::Horse as StoredHorse;
use cavesson_store::horse::load;
use cavesson_store::horse::load::LoadRide;
use jiff::ToSpan;
use jiff::civil::Date;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::App;
use crate::horse::levels::LevelBrief;
use crate::horse::loads::load_of;
use crate::horse::season::days_in_season;
use crate::horse_record::Judged;
use crate::http::problem::Answer;
use crate::plan::roads::routes::{HeldOn, behind};
use crate::plan::roads::{road_cache, road_input};
use crate::ride::months::{month_of, until};

/// A month with what its pictures are drawn from.
#[derive(Serialize, ToSchema)]
pub struct ToldMonth {
    /// Its figures.
    pub month: HorseMonth,
    /// The tracks of the horse's ladder, in the order of the work.
    pub tracks: Vec<ToldTrack>,
    /// Every level of the horse's ladder, needs first, on the last day told of.
    pub ladder: Vec<ToldLevel>,
    /// The place of the level that comes next in `ladder`.
    pub next: Option<usize>,
    /// The gate of the level that comes next.
    pub gate: Option<ToldGate>,
    /// Rides of one level, before and now; null where there are no two of them.
    pub then_and_now: Option<ThenAndNow>,
    /// The road to its dates; null while no goal says what it is to hold.
    pub road: Option<ToldRoad>,
}

/// A track of the ladder.
#[derive(Serialize, ToSchema)]
pub struct ToldTrack {
    id: String,
    name: String,
}

/// A level of the ladder.
#[derive(Serialize, ToSchema)]
pub struct ToldLevel {
    level: LevelBrief,
    state: LevelState,
    verdict: Verdict,
    #[schema(value_type = Option<String>, format = Date)]
    held_since: Option<Date>,
    /// Whether what rests on it may count on it.
    counts_as_held: bool,
    /// The places of the levels it needs; of each need the alternatives.
    needs: Vec<Vec<usize>>,
}

/// A gate.
#[derive(Serialize, ToSchema)]
pub struct ToldGate {
    level: LevelBrief,
    verdict: Verdict,
    check: GateCheck,
    /// Days of which the first ask counts.
    first_ask_days: u32,
}

/// Two rides of one level.
#[derive(Serialize, ToSchema)]
pub struct ThenAndNow {
    level: LevelBrief,
    /// The last ride before the month at which it was asked, or the first in it.
    then: Strip,
    /// The last one.
    now: Strip,
}

/// A road as it is drawn.
#[derive(Serialize, ToSchema)]
pub struct ToldRoad {
    #[schema(value_type = String, format = Date)]
    on: Date,
    road: RoadOutput,
    behind: Vec<HeldOn>,
}

/// Where a month is looked at from.
#[derive(Clone, Copy)]
pub struct Looked<'a> {
    pub app: &'a App,
    pub barn_id: Uuid,
    pub today: Date,
}

impl Looked<'_> {
    async fn look(&self) -> Answer<BarnTransaction> {
        Ok(BarnTransaction::look(&self.app.pool, self.barn_id).await?)
    }

    /// The month of a horse, as far as it has come.
    ///
    /// # Errors
    /// A month that lies ahead.
    pub async fn month(&self, horse: &StoredHorse, month: Month) -> Answer<ToldMonth> {
        let to = until(month, self.today)?;
        let horse_id = horse.horse_id;
        let mut barn = self.look().await?;
        let from = month.before().first();
        // The load of today goes by four weeks before it, whatever the month.
        let rides_from = from.min(self.today.saturating_sub(LOAD_DAYS.days()));
        let rides = load::rides(&mut barn, horse_id, rides_from, self.today).await?;
        let trips = booking::trips(&mut barn, month.first(), to).await?;
        let trips = trips.into_iter().find(|(id, _)| *id == horse_id);
        let known = &self.app.known;
        let now = known.judged_horse(barn, horse_id, to).await?;
        let evening = month.before().last();
        let before = known
            .judged_horse(self.look().await?, horse_id, evening)
            .await?;
        let today = known
            .judged_horse(self.look().await?, horse_id, self.today)
            .await?;
        let road = self.road(horse_id, &today).await?;
        let gathered = Gathered {
            name: horse.name.clone(),
            rides,
            trips: trips.map(|(_, trips)| trips).unwrap_or_default(),
            before,
            now,
            today,
            road,
        };
        let work = &self.app.work.judging;
        work.run(move || gathered.told(month, to)).await
    }

    async fn road(&self, horse_id: Uuid, judged: &Judged) -> Answer<Option<ToldRoad>> {
        let read = road_input::read(self.app, self.look().await?, self.today).await?;
        let Some(read) = read.map(Arc::new) else {
            return Ok(None);
        };
        let road = road_cache::of_horse(self.app, self.barn_id, read, horse_id).await?;
        Ok(road.map(|road| ToldRoad {
            on: judged.on,
            road: road.found.clone(),
            behind: behind(judged),
        }))
    }
}

/// Days of rides that the load of a day goes by.
const LOAD_DAYS: i64 = 120;

/// Everything a month is told from.
struct Gathered {
    name: String,
    rides: Vec<LoadRide>,
    trips: Trips,
    before: Arc<Judged>,
    now: Arc<Judged>,
    today: Arc<Judged>,
    road: Option<ToldRoad>,
}

impl Gathered {
    fn told(self, month: Month, to: Date) -> ToldMonth {
        let now = &self.now;
        let ladder = now.ladder();
        let next = next_level(ladder, &now.standings, to);
        let rides: Vec<TimedRide> = self.rides.iter().map(|ride| timed(ride, now)).collect();
        // Its program may have been changed between the two readings.
        let before = if self.before.on_ladder.is_same(&now.on_ladder) {
            self.before.clone()
        } else {
            Arc::new(self.before.on_another_ladder(&now.on_ladder))
        };
        let asked = HorseOfMonth {
            name: &self.name,
            ladder,
            file: &now.file,
            before: &before.standings,
            now: &now.standings,
            rides: &rides,
            trips: self.trips,
        };
        let ahead = self.ahead(next, &rides);
        ToldMonth {
            month: HorseMonth::of(&asked, month, to, self.today.on, ahead),
            tracks: ladder
                .tracks
                .iter()
                .map(|track| ToldTrack {
                    id: track.id.clone(),
                    name: track.name.clone(),
                })
                .collect(),
            ladder: levels(now),
            next,
            gate: next.map(|index| gate(now, index)),
            then_and_now: then_and_now(now, next, month),
            road: self.road,
        }
    }

    fn ahead(&self, next: Option<usize>, rides: &[TimedRide]) -> Ahead {
        let (now, today) = (&self.now, &self.today);
        let care = &today.file.care;
        let mouth = caution::of_mouth(care, today.on);
        let feet = caution::of_fast_work(care, today.on);
        let cautions = caution::of_horse(care, &today.file.rides, today.on);
        let all = cautions.iter().chain(&mouth).chain(&feet);
        let goals = self.road.iter().flat_map(|road| &road.road.road.goals);
        Ahead {
            next: next.map(|index| next_step(now, index)),
            dates: goals
                .map(|goal| DateAhead {
                    name: goal.name.clone(),
                    day: goal.day,
                    chance: goal.chance,
                    from: goal.from,
                    to: goal.to,
                    text: goal.text.clone(),
                })
                .collect(),
            cautions: all
                .map(words::caution)
                .chain(load_says(today, rides))
                .collect(),
            care_due: due(care, &days_in_season(today), today.on)
                .into_iter()
                .map(Into::into)
                .collect(),
        }
    }
}

fn timed(ride: &LoadRide, judged: &Judged) -> TimedRide {
    TimedRide {
        day: ride.day,
        minutes: ride.minutes,
        load: load_of(ride, judged.ladder()),
    }
}

fn load_says(today: &Judged, rides: &[TimedRide]) -> Vec<String> {
    let Some(first) = rides.first().map(|ride| ride.day) else {
        return Vec::new();
    };
    let of_day = |day: Date| {
        let own = rides.iter().filter(|ride| ride.day == day);
        own.map(|ride| ride.load).sum::<f64>()
    };
    let days = first.series(1.day()).take_while(|day| *day <= today.on);
    let loads: Vec<f64> = days.map(of_day).collect();
    load_cautions(&of_days(&loads), of_week(&loads), today.file.sex)
}

fn next_step(judged: &Judged, index: usize) -> ComesNext {
    let (ladder, file, standings) = (judged.ladder(), &judged.file, &judged.standings);
    let said = level::of_standings(ladder, file, standings, index, judged.on);
    let forecast = level::forecast_of_standings(ladder, file, standings, index, judged.on);
    ComesNext {
        level: ladder.levels[index].level.clone(),
        name: ladder.levels[index].name.clone(),
        says: said.text,
        takes: said.takes,
        forecast: words::forecast(&forecast, file.sex),
    }
}

fn levels(judged: &Judged) -> Vec<ToldLevel> {
    let ladder = judged.ladder();
    let standings = judged.standings.iter();
    standings
        .map(|standing| {
            let level = &ladder.levels[standing.index];
            let below = level.below.iter().map(|below| vec![*below]);
            ToldLevel {
                level: LevelBrief::of(level, ladder),
                state: standing.state,
                verdict: standing.verdict,
                held_since: standing.retention.held_since,
                counts_as_held: standing.counts_as_held(),
                needs: below.chain(level.needs.iter().cloned()).collect(),
            }
        })
        .collect()
}

fn gate(judged: &Judged, index: usize) -> ToldGate {
    let ladder = judged.ladder();
    let said = level::of_standings(ladder, &judged.file, &judged.standings, index, judged.on);
    ToldGate {
        level: LevelBrief::of(&ladder.levels[index], ladder),
        verdict: said.verdict,
        check: said.gate,
        first_ask_days: ladder.levels[index].gate.first_ask_days,
    }
}

/// Two rides of the level that comes next; where it was not asked on two of them, of the level
/// that was asked most in the month.
fn then_and_now(judged: &Judged, next: Option<usize>, month: Month) -> Option<ThenAndNow> {
    let ladder = judged.ladder();
    let asked = |index: &usize| {
        let asks = judged.file.asks_until(*index, judged.on);
        let own = asks.iter().filter(|ask| ask.day >= month.first());
        own.count()
    };
    let most = (0..ladder.levels.len())
        .max_by_key(asked)
        .filter(|index| asked(index) > 0);
    next.into_iter().chain(most).find_map(|index| {
        let level = &ladder.levels[index];
        let reps = judged.known.reps.get(&level.level)?;
        let all = strips(reps, level, ladder, judged.on);
        let now = all
            .last()
            .filter(|strip| strip.day >= month.first())?
            .clone();
        let earlier = all.iter().rev().find(|strip| strip.day < month.first());
        let then = earlier.or(all.first())?;
        (then.ride_id != now.ride_id).then(|| ThenAndNow {
            level: LevelBrief::of(level, ladder),
            then: then.clone(),
            now,
        })
    })
}

/// What stands in the address of a month.
#[derive(Debug, Clone, serde::Deserialize, utoipa::IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct OfMonth {
    /// The month, such as 2026-10; this one when left out.
    #[param(example = "2026-10", pattern = "^[0-9]{4}-[0-9]{2}$")]
    month: Option<String>,
}

impl OfMonth {
    /// The month asked for, or this one.
    ///
    /// # Errors
    /// What is not written as a month.
    pub fn month(&self, today: Date) -> Answer<Month> {
        month_of(self.month.as_deref(), today)
    }
}
