//! What a demo horse is worked on beside its part: level by level, each with its
//! own simulated horse, put together into rides.

use anyhow::Context;
use cavesson_core::ladder::{FaultId, Ladder, Level};
use cavesson_core::rep::Rep;
use cavesson_core::sim_horse::{PlannedBlock, PlannedRide, SimulatedRide, Traits, simulate};
use jiff::SignedDuration;

use super::season::Season;

/// One level that is worked over a stretch of rides.
pub struct Work {
    /// Skill and rung.
    pub level: (&'static str, &'static str),
    /// How the horse takes to it.
    pub traits: Traits,
    /// From which ride to which, counted from the first.
    pub rides: (usize, usize),
    /// Every how many rides.
    pub every: usize,
    /// Asks of each side in a ride; of a level asked on both at once, all.
    pub asks: u32,
    /// What goes wrong now and then: the fault, and on how many of ten answers
    /// that are not soft.
    pub fault: Option<(&'static str, u64)>,
    /// Draws its answers.
    pub seed: u64,
}

/// How much less ready a mare is in season.
const SEASON_DROP: f64 = 1.1;

/// Puts the asks of `work` into the rides it belongs to.
pub fn put_into(
    ridden: &mut [SimulatedRide],
    days: &[PlannedRide],
    work: &Work,
    season: Option<&Season>,
) -> anyhow::Result<()> {
    let ladder = Ladder::shipped();
    let level = Level::new(work.level.0, work.level.1);
    let at = ladder
        .at(&level)
        .with_context(|| format!("the demo works {level}, which is not on the ladder"))?;
    let ridden_on: Vec<usize> = (work.rides.0..work.rides.1.min(days.len()))
        .step_by(work.every)
        .collect();
    let plan: Vec<PlannedRide> = ridden_on
        .iter()
        .map(|day| PlannedRide {
            blocks: vec![block(work.asks, at.asked_sides().len() == 1)],
            ..days[*day].clone()
        })
        .collect();
    let usual = simulate(&work.traits, at, &plan, work.seed);
    let low = Traits {
        start: work.traits.start - SEASON_DROP,
        plateau: work.traits.plateau - SEASON_DROP,
        ..work.traits
    };
    let in_season = simulate(&low, at, &plan, work.seed);
    for (index, day) in ridden_on.into_iter().enumerate() {
        let is_low = season.is_some_and(|season| season.holds(plan[index].day));
        let drawn = if is_low { &in_season } else { &usual };
        append(&mut ridden[day], &drawn[index].reps, work, ladder);
    }
    Ok(())
}

fn block(asks: u32, both: bool) -> PlannedBlock {
    PlannedBlock {
        level: 0,
        left: asks,
        right: if both { 0 } else { asks },
    }
}

/// Puts reps behind those of a ride, as if asked after them.
fn append(ride: &mut SimulatedRide, reps: &[Rep], work: &Work, ladder: &Ladder) {
    let Some(first) = reps.first() else { return };
    let shift = ride.reps.last().map_or(SignedDuration::ZERO, |last| {
        last.asked_at.duration_since(first.asked_at) + SignedDuration::from_mins(2)
    });
    for rep in reps {
        let mut own = rep.clone();
        own.ride_id = ride.ride_id;
        own.asked_at += shift;
        if let Some((fault, of_ten)) = work.fault
            && !is_soft(&own, ladder)
            && own.rep_id.as_u128() as u64 % 10 < of_ten
        {
            own.faults = vec![FaultId(fault.to_owned())];
        }
        ride.reps.push(own);
    }
}

fn is_soft(rep: &Rep, ladder: &Ladder) -> bool {
    ladder
        .at(&rep.level())
        .is_some_and(|level| cavesson_core::evidence::Ask::of(rep, level, ladder).soft)
}

/// Rides without a part to play: one a day of the plan, empty yet.
pub fn empty(days: &[PlannedRide], seed: u64) -> anyhow::Result<Vec<SimulatedRide>> {
    let ladder = Ladder::shipped();
    let any = ladder.levels.first().context("a ladder has levels")?;
    let plan: Vec<PlannedRide> = days
        .iter()
        .map(|day| PlannedRide {
            blocks: Vec::new(),
            ..day.clone()
        })
        .collect();
    Ok(simulate(&Traits::PLAIN, any, &plan, seed))
}
