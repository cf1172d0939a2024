//! Horses and rides told in a few words, for the tests of all districts.
//!
//! - [`horse_told`]: a ride is a day, a level, and answers left and right
//! - [`horse`]: horses as lists of rides
//! - [`holding`], [`carded`]: any horse, and the card of its day, for what must always hold

pub mod carded;
pub mod holding;
pub mod horse;
pub mod horse_told;

use cavesson_base::Side;
use cavesson_judge::judge::{Judgement, judge_reps};
use cavesson_reps::ladder::{Ladder, LadderLevel, Level, RungId, SkillId};
use cavesson_reps::rep::{Answer, Give, HandWeight, Measure, Rep};
use cavesson_reps::sim_horse::{PlannedBlock, PlannedRide, SimulatedRide, Traits, simulate};
use jiff::civil::{Date, date};
use jiff::{SignedDuration, ToSpan};
use uuid::Uuid;

/// The first day of every test horse's story, a Monday.
pub const FIRST_DAY: Date = date(2026, 3, 2);

/// The day so many days after the first.
pub fn day(after: i64) -> Date {
    FIRST_DAY.checked_add(after.days()).unwrap()
}

pub const SOFT: Give = give(1.0, Answer::Gave);
pub const LATE: Give = give(3.5, Answer::Gave);
pub const BRACED: Give = give(6.0, Answer::DidNotGive);
pub const HEAD_UP: Give = give(2.0, Answer::EvadedUp);

pub const fn give(time_s: f64, answer: Answer) -> Give {
    Give::new(HandWeight::Fingertip, time_s, answer)
}

/// `bend.flex` at the stand, what most horses of these tests are asked.
pub fn flex() -> &'static LadderLevel {
    at("bend.flex", "stand")
}

/// A level of the shipped ladder.
pub fn at(skill: &str, rung: &str) -> &'static LadderLevel {
    Ladder::shipped().at(&Level::new(skill, rung)).unwrap()
}

/// Judged at `bend.flex` on the day so many days after the first, as if what it
/// needs were held.
pub fn judged(reps: &[Rep], after: i64) -> Judgement {
    judge_reps(Ladder::shipped(), &flex().level, reps, day(after)).unwrap()
}

/// A ride `after` days from the first, its asks in order.
pub fn ride(after: i64, asks: &[(Side, Give)]) -> Vec<Rep> {
    let day = day(after);
    let start = day
        .at(14, 0, 0, 0)
        .to_zoned(jiff::tz::TimeZone::UTC)
        .unwrap()
        .timestamp();
    asks.iter()
        .enumerate()
        .map(|(index, (side, give))| Rep {
            rep_id: Uuid::from_u128(((after as u128) << 64) + index as u128),
            ride_id: Uuid::from_u128((after as u128) + 1),
            skill: SkillId("bend.flex".into()),
            rung: RungId("stand".into()),
            side: *side,
            day,
            asked_at: start + SignedDuration::from_secs(20 * index as i64),
            measure: Measure::Give(*give),
            faults: Vec::new(),
        })
        .collect()
}

/// A ride with so many soft asks out of so many on each side; what is not soft
/// comes last, so the first ask is soft when any is.
pub fn ride_of(after: i64, left: (usize, usize), right: (usize, usize)) -> Vec<Rep> {
    let side = |side, (soft, of): (usize, usize)| {
        (0..of).map(move |index| (side, if index < soft { SOFT } else { BRACED }))
    };
    let asks: Vec<_> = side(Side::Left, left)
        .chain(side(Side::Right, right))
        .collect();
    ride(after, &asks)
}

/// The same ride with the first ask of each side not soft.
pub fn cold_ride(after: i64, asks_a_side: usize) -> Vec<Rep> {
    let side =
        |side| (0..asks_a_side).map(move |index| (side, if index == 0 { LATE } else { SOFT }));
    let asks: Vec<_> = side(Side::Left).chain(side(Side::Right)).collect();
    ride(after, &asks)
}

/// Soft rides on these days, five asks a side.
pub fn soft_days(days: impl IntoIterator<Item = i64>) -> Vec<Rep> {
    days.into_iter()
        .flat_map(|after| ride_of(after, (5, 5), (5, 5)))
        .collect()
}

/// The same horse seen in a mirror.
pub fn mirrored(reps: &[Rep]) -> Vec<Rep> {
    reps.iter()
        .map(|rep| Rep {
            side: rep.side.other(),
            ..rep.clone()
        })
        .collect()
}

/// A simulated horse asked `left` and `right` times in every ride, `gap` days apart.
pub fn simulated(
    traits: &Traits,
    rides: usize,
    gap: i64,
    (left, right): (u32, u32),
    seed: u64,
) -> Vec<SimulatedRide> {
    simulate(traits, flex(), &plan(rides, gap, (left, right)), seed)
}

/// Rides of one block, `gap` days apart.
pub fn plan(rides: usize, gap: i64, (left, right): (u32, u32)) -> Vec<PlannedRide> {
    (0..rides)
        .map(|ride| {
            let day = day(gap * ride as i64);
            let first_ask_at = day
                .at(15, 0, 0, 0)
                .to_zoned(jiff::tz::TimeZone::UTC)
                .unwrap()
                .timestamp();
            let blocks = vec![PlannedBlock {
                level: 0,
                left,
                right,
            }];
            PlannedRide {
                day,
                first_ask_at,
                blocks,
            }
        })
        .collect()
}
