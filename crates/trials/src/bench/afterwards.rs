//! What becomes of a level after it was gained: how long a false advance stays held, how
//! often a level that is truly ready is lost, how soon one that fell is, and the same of
//! the brake.

use jiff::ToSpan;
use jiff::civil::{Date, date};
use serde::Serialize;

use super::family::Family;
use super::population::{BenchHorse, Population};
use super::{FALSE_BELOW, READY_FROM, RIDES};
use crate::evidence::{Ask, asks_in_order};
use crate::judge::held::change::{Change, Moved};
use crate::judge::{HorseFile, judge_horse};
use crate::ladder::{Ladder, Role};
use crate::sim_horse::{PlannedBlock, PlannedRide, SimulatedHorse, Traits};

/// Rides looked at after the advance.
pub const RIDES_AFTER: usize = 100;
/// Rides after the advance on which a side is hurt.
const HURT_AFTER: usize = 20;

/// Rides until something happened, over many horses.
#[derive(Debug, Clone, PartialEq, Serialize)]
pub struct RidesUntil {
    /// Horses.
    pub horses: usize,
    /// Half of them by then; none beyond the last ride.
    pub median: Option<usize>,
    /// Nine of ten by then.
    pub nine_of_ten: Option<usize>,
    /// Share of them on which it never happened.
    pub never: f64,
}

impl RidesUntil {
    fn of(mut rides: Vec<Option<usize>>) -> RidesUntil {
        rides.sort_unstable_by_key(|rides| rides.unwrap_or(usize::MAX));
        let horses = rides.len();
        let at = |share: f64| {
            let place = (horses as f64 * share) as usize;
            rides.get(place).copied().flatten()
        };
        let never = rides.iter().filter(|rides| rides.is_none()).count();
        RidesUntil {
            horses,
            median: at(0.5),
            nine_of_ten: at(0.9),
            never: never as f64 / horses.max(1) as f64,
        }
    }
}

/// What became of the levels of a population after they were gained.
#[derive(Debug, Clone, PartialEq, Serialize)]
pub struct Afterwards {
    /// Rides until a false advance counted for nothing: it was lost, or sent down.
    pub false_advance: RidesUntil,
    /// Losses of levels that were truly ready, in a hundred rides on which one was held.
    pub false_losses: f64,
    /// Of all rides with a level held, those on which it was truly under 0.70.
    pub held_but_not_there: f64,
    /// Rides from a side being hurt, so that it is truly under 0.70, until the level counted
    /// for nothing.
    pub hurt: RidesUntil,
    /// Rides from being lost until a level that was truly ready again, or still, was held.
    pub regained: RidesUntil,
}

/// Follows the horses of a population for [`RIDES_AFTER`] rides after the advance.
pub fn afterwards(population: Population, count: u64, first_seed: u64) -> Afterwards {
    let (mut false_advances, mut hurts, mut regained) = (Vec::new(), Vec::new(), Vec::new());
    let (mut lost_ready, mut held_ready, mut held, mut not_there) =
        (0usize, 0usize, 0usize, 0usize);
    for seed in first_seed..first_seed + count {
        let horse = BenchHorse::ride(population, seed, RIDES + RIDES_AFTER + 1);
        let changes = horse.judged_to_the_end().history.changes;
        let Some(gained) = ride_of(&horse, &changes, Moved::Gained, 0).filter(|at| *at < RIDES)
        else {
            continue;
        };
        let end = gained + RIDES_AFTER;
        let lost = ride_of(&horse, &changes, Moved::Lost, gained).filter(|lost| *lost <= end);
        if horse.truth[gained].weakest() < FALSE_BELOW {
            let until = counts_until(&horse, &changes, gained).filter(|until| *until <= end);
            false_advances.push(until.map(|until| until - gained));
        }
        let is_held = held_rides(&horse, &changes);
        for ride in gained + 1..=end {
            let truth = horse.truth[ride].weakest();
            // Held on the way into the ride.
            if is_held[ride - 1] {
                held += 1;
                not_there += usize::from(truth < FALSE_BELOW);
                if truth >= READY_FROM {
                    held_ready += 1;
                    lost_ready += usize::from(!is_held[ride]);
                }
            }
        }
        if let Some(lost) = lost.filter(|lost| horse.truth[*lost].weakest() >= READY_FROM) {
            let back = ride_of(&horse, &changes, Moved::Regained, lost);
            regained.push(back.filter(|back| *back <= end).map(|back| back - lost));
        }
        if horse.truth[gained].weakest() >= READY_FROM {
            hurts.push(until_hurt_is_lost(population, seed, gained + HURT_AFTER));
        }
    }
    let share = |part: usize, of: usize| part as f64 / of.max(1) as f64;
    Afterwards {
        false_advance: RidesUntil::of(false_advances),
        false_losses: 100.0 * share(lost_ready, held_ready),
        held_but_not_there: share(not_there, held),
        hurt: RidesUntil::of(hurts.into_iter().flatten().collect()),
        regained: RidesUntil::of(regained),
    }
}

/// Rides from a side being hurt until the level counted for nothing; none where it was not
/// held then, or is soft enough all the same.
fn until_hurt_is_lost(population: Population, seed: u64, at: usize) -> Option<Option<usize>> {
    let horse = BenchHorse::ride_hurt(population, seed, at + RIDES_AFTER + 1, at as u32);
    let changes = horse.judged_to_the_end().history.changes;
    let fell = horse.truth[at].weakest() < FALSE_BELOW;
    (fell && held_rides(&horse, &changes)[at - 1])
        .then(|| counts_until(&horse, &changes, at - 1).map(|until| until - at + 1))
}

/// The first ride after `after` on which a level came to count for nothing: lost, or sent
/// down.
fn counts_until(horse: &BenchHorse, changes: &[Change], after: usize) -> Option<usize> {
    [Moved::Lost, Moved::Eased]
        .into_iter()
        .filter_map(|moved| ride_of(horse, changes, moved, after))
        .min()
}

/// The first ride after `after` on which a level moved so.
fn ride_of(horse: &BenchHorse, changes: &[Change], moved: Moved, after: usize) -> Option<usize> {
    let ride = |change: &Change| horse.days.binary_search(&change.day).ok();
    let found = changes.iter().filter(|change| change.moved == moved);
    let earliest = if after == 0 { 0 } else { after + 1 };
    found.filter_map(ride).find(|ride| *ride >= earliest)
}

/// Whether the level was held after each ride.
fn held_rides(horse: &BenchHorse, changes: &[Change]) -> Vec<bool> {
    let (mut held, mut next) = (false, 0);
    let after = |day: &Date| {
        while changes.get(next).is_some_and(|change| change.day <= *day) {
            held = match changes[next].moved {
                Moved::Gained | Moved::Regained => true,
                Moved::Lost => false,
                _ => held,
            };
            next += 1;
        }
        held
    };
    horse.days.iter().map(after).collect()
}

/// A brake that is held, and from some ride on is as good as said.
#[derive(Debug, Clone, PartialEq, Serialize)]
pub struct BrakeAfterwards {
    /// True chance that it holds, both sides.
    pub readiness: f64,
    /// Asks a side and ride.
    pub asks: u32,
    /// Rides until it was lost.
    pub lost: RidesUntil,
    /// Losses in a hundred rides on which it was held.
    pub losses: f64,
}

/// Rides after which the brake changes: by then it is held.
const BRAKE_CHANGES_AT: u32 = 40;

/// Follows brakes that change on ride 40 for [`RIDES_AFTER`] rides.
pub fn brake_afterwards(readiness: f64, asks: u32, count: u64, first_seed: u64) -> BrakeAfterwards {
    let ladder = Ladder::shipped();
    let stand = ladder
        .levels_in(Role::Brake)
        .min_by_key(|index| ladder.levels[*index].gait);
    let alone = ladder.of_one(stand.expect("the shipped ladder has a brake"));
    let level = &alone.levels[0];
    let sure = 8.0;
    let traits = Traits {
        start: sure,
        plateau: sure,
        weaker_by: 0.0,
        day_sd: 0.0,
        first_ask_drop: 0.0,
        warm_up: 0.0,
        falls_at: Some(BRAKE_CHANGES_AT),
        falls_to: (readiness / (1.0 - readiness)).ln(),
        ..Traits::PLAIN
    };
    let (mut until, mut losses, mut held) = (Vec::new(), 0usize, 0usize);
    for seed in first_seed..first_seed + count {
        let mut horse = SimulatedHorse::new(traits, &[level], seed);
        let mut day = date(2026, 1, 5);
        let (mut reps, mut days) = (Vec::new(), Vec::new());
        for _ in 0..BRAKE_CHANGES_AT as usize + RIDES_AFTER {
            let first_ask_at = day
                .at(15, 0, 0, 0)
                .to_zoned(jiff::tz::TimeZone::UTC)
                .map(|at| at.timestamp())
                .unwrap_or_default();
            let blocks = vec![PlannedBlock {
                level: 0,
                left: asks,
                right: asks,
            }];
            let plan = PlannedRide {
                day,
                first_ask_at,
                blocks,
            };
            reps.extend(horse.ride(&plan).reps);
            days.push(day);
            day = day.saturating_add(1.day());
        }
        let asks: Vec<Ask> = asks_in_order(&reps, level, &alone);
        let file = HorseFile {
            asks: vec![asks],
            ..HorseFile::default()
        };
        let judged = judge_horse(&alone, &file, days[days.len() - 1]);
        let bench = BenchHorse {
            family: Family::Give,
            asks: Vec::new(),
            truth: Vec::new(),
            days,
        };
        let changes = &judged[0].history.changes;
        let changed = BRAKE_CHANGES_AT as usize;
        let lost = ride_of(&bench, changes, Moved::Lost, changed - 1);
        until.push(lost.map(|lost| lost + 1 - changed));
        let is_held = held_rides(&bench, changes);
        for ride in changed..is_held.len() {
            held += usize::from(is_held[ride - 1]);
            losses += usize::from(is_held[ride - 1] && !is_held[ride]);
        }
    }
    BrakeAfterwards {
        readiness,
        asks,
        lost: RidesUntil::of(until),
        losses: 100.0 * losses as f64 / held.max(1) as f64,
    }
}
