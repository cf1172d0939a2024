//! A month over the barn: what was planned and done, what was gained and lost, whose word was
//! right, where the hours went.

use std::collections::{BTreeMap, HashSet};

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::evenness::{MonthSides, month_sides};
use super::hours::{HoursRide, TrackMinutes, minutes_by_track};
use super::moved::{Moved, moved};
use super::worked::{Ridden, TimedRide, ridden};
use crate::day::{days_between, monday_of};
use crate::ground::runs::quota;
use crate::judge::{HorseFile, Standing};
use crate::ladder::{Ladder, Role};
use crate::rep::MeasureKind;
use crate::ride::quit_use::{QuitUse, quit_use};
use crate::week::Trips;

/// What the review of a horse is made from.
#[derive(Debug, Clone, Copy)]
pub struct ReviewedHorse<'a> {
    /// The horse.
    pub horse_id: Uuid,
    /// What it is called.
    pub name: &'a str,
    /// Whose it is, where that person is known here.
    pub owner: Option<&'a str>,
    /// Its ladder.
    pub ladder: &'a Ladder,
    /// All that is known of it.
    pub file: &'a HorseFile,
    /// Where it stood on the evening before the month.
    pub before: &'a [Standing],
    /// Where it stands on the last day told of.
    pub now: &'a [Standing],
    /// Its rides of the month.
    pub rides: &'a [TimedRide],
    /// The same rides with what was asked.
    pub hours: &'a [HoursRide],
    /// Days on which a ride of it was planned, those that were skipped among them.
    pub planned: &'a [Date],
    /// Its trips of the month.
    pub trips: Trips,
    /// The first and last day of the month on which it was here.
    pub here: Option<(Date, Date)>,
    /// Rides a week by its program.
    pub rides_a_week: f64,
}

/// Planned rides, and those that came about.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Planned {
    /// Days on which a ride was planned.
    pub planned: u32,
    /// Of those, days on which it was ridden.
    pub done: u32,
    /// Days on which it was ridden without a plan.
    pub unplanned: u32,
}

/// Days here against the program.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Training {
    /// Days of the month on which it was here.
    pub days_here: u32,
    /// Days on which it was ridden.
    pub ridden_days: u32,
    /// Days on which its program would have it ridden, of those on which it was here.
    pub program_days: u32,
}

/// Weeks with runs at speed.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunWeeks {
    /// Weeks with a run at three-quarter speed or faster.
    pub weeks: u32,
    /// Of those, weeks with more of them than are enough.
    pub over: u32,
}

/// A horse's month.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HorseReview {
    /// The horse.
    pub horse_id: Uuid,
    /// What it is called.
    pub horse: String,
    /// Whose it is; null where that person is not known here.
    pub owner: Option<String>,
    /// Rides planned and done.
    pub planned: Planned,
    /// Its rides.
    pub ridden: Ridden,
    /// Where the hours went, the most first.
    pub hours: Vec<TrackMinutes>,
    /// What moved on its ladder.
    pub moved: Moved,
    /// Good places to quit, taken or not, and the first asks after them.
    pub quits: QuitUse,
    /// Left against right.
    pub sides: MonthSides,
    /// Asks on the stiff side, of all on one side; null where no side is stiff.
    pub stiff_asks: Option<StiffAsks>,
    /// Runs at speed, week by week.
    pub runs: RunWeeks,
    /// Trips with the trailer, and those on which nothing was asked.
    pub trips: Trips,
    /// Days here against the program.
    pub training: Training,
}

/// Asks on the stiff side.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StiffAsks {
    /// On the stiff side.
    pub stiff: u32,
    /// On either side.
    pub both: u32,
}

/// The review of a horse from one day to another.
pub fn review(horse: &ReviewedHorse<'_>, from: Date, to: Date) -> HorseReview {
    let sides = month_sides(horse.file, from, to);
    HorseReview {
        horse_id: horse.horse_id,
        horse: horse.name.to_owned(),
        owner: horse.owner.map(str::to_owned),
        planned: planned(horse.planned, horse.rides),
        ridden: ridden(horse.rides, from, to),
        hours: hours(horse),
        moved: moved(horse.ladder, horse.now, from, to),
        quits: quit_use(horse.file, from, to),
        stiff_asks: sides
            .stiff_asks()
            .map(|(stiff, both)| StiffAsks { stiff, both }),
        sides,
        runs: run_weeks(horse, from, to),
        trips: horse.trips,
        training: training(horse, from, to),
    }
}

fn planned(planned: &[Date], rides: &[TimedRide]) -> Planned {
    let planned: HashSet<Date> = planned.iter().copied().collect();
    let ridden: HashSet<Date> = rides.iter().map(|ride| ride.day).collect();
    Planned {
        planned: planned.len() as u32,
        done: planned.intersection(&ridden).count() as u32,
        unplanned: ridden.difference(&planned).count() as u32,
    }
}

fn hours(horse: &ReviewedHorse<'_>) -> Vec<TrackMinutes> {
    let tracks = &horse.ladder.tracks;
    let (of_track, of_none) = minutes_by_track(horse.hours, tracks.len());
    let mut found: Vec<TrackMinutes> = tracks
        .iter()
        .zip(of_track)
        .map(|(track, minutes)| TrackMinutes {
            track: track.id.clone(),
            name: track.name.clone(),
            minutes: minutes.round() as u32,
        })
        .collect();
    found.push(TrackMinutes {
        track: String::new(),
        name: "Nothing asked".into(),
        minutes: of_none.round() as u32,
    });
    found.retain(|one| one.minutes > 0);
    found.sort_by_key(|one| std::cmp::Reverse(one.minutes));
    found
}

fn run_weeks(horse: &ReviewedHorse<'_>, from: Date, to: Date) -> RunWeeks {
    let finished = horse.ladder.last_in(Role::TimedPattern);
    let finished = finished.is_some_and(|index| horse.now[index].counts_as_held());
    let fast = |rung: &str| matches!(rung, "three_quarter" | "run");
    let own = horse.ladder.levels.iter().zip(&horse.file.asks);
    let runs = own
        .filter(|(level, _)| level.measure == MeasureKind::Run && fast(&level.level.rung.0))
        .flat_map(|(_, asks)| asks)
        .filter(|ask| (from..=to).contains(&ask.day));
    let mut weeks: BTreeMap<Date, u32> = BTreeMap::new();
    for ask in runs {
        *weeks.entry(monday_of(ask.day)).or_default() += 1;
    }
    RunWeeks {
        weeks: weeks.len() as u32,
        over: weeks
            .values()
            .filter(|runs| **runs > quota(**runs, finished).enough)
            .count() as u32,
    }
}

fn training(horse: &ReviewedHorse<'_>, from: Date, to: Date) -> Training {
    let days_here = horse.here.map_or(0, |(first, last)| {
        let (first, last) = (first.max(from), last.min(to));
        (days_between(first, last) + 1).max(0)
    });
    Training {
        days_here: days_here as u32,
        ridden_days: ridden(horse.rides, from, to).days,
        program_days: (days_here as f64 * horse.rides_a_week / 7.0).round() as u32,
    }
}
