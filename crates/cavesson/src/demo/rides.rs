//! The demo's rides: simulated horses ridden over the last weeks.

use anyhow::Context;
use cavesson_client::recorded;
use cavesson_core::horse::RideMark;
use cavesson_core::judge::{Judgement, Verdict, judge_reps};
use cavesson_core::ladder::{Ladder, Level};
use cavesson_core::rep::Rep;
use cavesson_core::ride::{NewRep, NewRide};
use cavesson_core::sim_horse::{PlannedBlock, PlannedRide, SimulatedRide, Traits, simulate};
use jiff::{SignedDuration, ToSpan, Zoned};
use uuid::Uuid;

/// What a horse is there to show.
pub struct Part {
    pub traits: Traits,
    /// How many rides it has had.
    pub ride_days: u32,
    /// How many days ago the last was.
    pub last_ride: u32,
    /// What the judge says of it now.
    pub wanted: Verdict,
    /// Whether it went from stay to confirm to advance on the way.
    pub climbs: bool,
    /// How many asks fewer it gets on the right, the side it likes less.
    pub fewer_right: u32,
}

const SEEDS: u64 = 4000;

/// The level of the demo's rides.
pub fn level() -> Level {
    Level::new("bend.flex", "stand")
}

/// Rides the first seed that plays the part.
pub fn cast(part: &Part, now: &Zoned, starts_at: (i8, i8)) -> anyhow::Result<Vec<SimulatedRide>> {
    let ladder = Ladder::shipped();
    let at = ladder
        .at(&level())
        .context("the demo's level is on the ladder")?;
    let mut plan = plan(part.ride_days, part.last_ride, now, starts_at)?;
    for block in plan.iter_mut().flat_map(|ride| &mut ride.blocks) {
        block.right -= part.fewer_right;
    }
    (1..=SEEDS)
        .map(|seed| simulate(&part.traits, at, &plan, seed))
        .find(|ridden| {
            let reps: Vec<Rep> = ridden.iter().flat_map(|ride| ride.reps.clone()).collect();
            let Some(judged) = judge_reps(ladder, &level(), &reps, now.date()) else {
                return false;
            };
            judged.verdict == part.wanted
                && (part.wanted != Verdict::Confirm || one_good_day_is_missing(&judged))
                && (!part.climbs || climbs(judged.days.iter().map(|day| day.verdict)))
        })
        .with_context(|| {
            format!(
                "no seed up to {SEEDS} plays a horse that is to {:?}",
                part.wanted
            )
        })
}

fn one_good_day_is_missing(judged: &Judgement) -> bool {
    judged
        .what_it_takes
        .if_all_soft
        .is_some_and(|further| further.days == 1)
}

/// From stay over confirm to advance at the end, and never sent down on the way.
fn climbs(verdicts: impl Iterator<Item = Verdict>) -> bool {
    let mut order: Vec<Verdict> = verdicts.collect();
    order.dedup();
    let at = |verdict| order.iter().position(|said| *said == verdict);
    order.first() == Some(&Verdict::Stay)
        && order.last() == Some(&Verdict::Advance)
        && at(Verdict::Confirm) < at(Verdict::Advance)
        && at(Verdict::Confirm).is_some()
        && at(Verdict::EaseBack).is_none()
        && at(Verdict::CheckFirst).is_none()
}

/// Rides two days in three, backwards from the last one.
pub fn plan(
    ride_days: u32,
    last_ride: u32,
    now: &Zoned,
    starts_at: (i8, i8),
) -> anyhow::Result<Vec<PlannedRide>> {
    let last = now.date().checked_sub(i64::from(last_ride).days())?;
    let mut rides = Vec::new();
    for ride in 0..ride_days {
        let back = ride + ride / 2;
        let day = last.checked_sub(i64::from(back).days())?;
        let starts = day
            .at(starts_at.0, starts_at.1, 0, 0)
            .to_zoned(now.time_zone().clone())?;
        rides.push(PlannedRide {
            day,
            first_ask_at: (starts + SignedDuration::from_mins(4)).timestamp(),
            blocks: vec![PlannedBlock {
                level: 0,
                left: 4 + ride % 3,
                right: 4 + (ride + 1) % 3,
            }],
        });
    }
    rides.reverse();
    Ok(rides)
}

/// A simulated ride as the rider's device would have recorded it; none without an ask.
pub fn recorded(
    simulated: &SimulatedRide,
    horse_id: Uuid,
    marks: Vec<RideMark>,
) -> Option<(NewRide, Vec<NewRep>)> {
    let (first, last) = simulated.reps.first().zip(simulated.reps.last())?;
    let (ride, reps) = recorded::ride(
        simulated.ride_id,
        horse_id,
        first.asked_at - SignedDuration::from_mins(4),
        Some(last.asked_at + SignedDuration::from_mins(22)),
        &simulated.reps,
    );
    let ride = NewRide {
        marks: Some(marks),
        ..ride
    };
    Some((ride, reps))
}

#[cfg(test)]
mod tests {
    use super::super::horses::{SALTGRASS, TWO_CEDARS};
    use super::*;

    #[test]
    fn every_demo_horse_plays_its_part_on_any_day_of_the_year() {
        for day in ["2026-01-01", "2026-03-09", "2026-11-02", "2027-02-28"] {
            let now: Zoned = format!("{day}T05:00[America/Denver]").parse().unwrap();
            for horse in SALTGRASS.iter().chain(TWO_CEDARS) {
                if let Some(part) = &horse.part {
                    let ridden = cast(part, &now, horse.starts_at).expect(horse.name);
                    assert_eq!(ridden.len() as u32, part.ride_days, "{}", horse.name);
                }
            }
        }
    }
}
