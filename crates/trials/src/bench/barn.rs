//! A large barn for measuring speed: every level of the ladder asked, as a season
//! goes up it.

use jiff::civil::date;
use jiff::{SignedDuration, ToSpan, tz::TimeZone};

use crate::ladder::{Ladder, LadderLevel};
use crate::rep::Rep;
use crate::sim_horse::{PlannedBlock, PlannedRide, SimulatedHorse, Traits};

/// Levels asked in one ride.
const LEVELS_A_RIDE: usize = 8;
/// Asks of a level on a side in a ride, on average.
const ASKS: [u32; 3] = [4, 5, 6];

/// The reps of one horse ridden on `days` days: eight levels a ride, going up the
/// ladder from the ground to its end. About 83 reps a ride.
pub fn season(ladder: &Ladder, seed: u64, days: usize) -> Vec<Rep> {
    let levels: Vec<&LadderLevel> = ladder.levels.iter().collect();
    let mut horse = SimulatedHorse::new(Traits::richer(seed), &levels, seed);
    let first = date(2026, 3, 2);
    let mut reps = Vec::new();
    for ride in 0..days {
        let day = first.saturating_add((ride as i64).days());
        let up = ride * (levels.len() - LEVELS_A_RIDE) / (days.max(2) - 1);
        let blocks = (up..up + LEVELS_A_RIDE)
            .map(|level| PlannedBlock {
                level,
                left: ASKS[(ride + level) % 3],
                right: ASKS[(ride + level + 1) % 3],
            })
            .collect();
        let morning = day
            .to_zoned(TimeZone::UTC)
            .map(|at| at.timestamp())
            .unwrap_or_default();
        let ridden = horse.ride(&PlannedRide {
            day,
            first_ask_at: morning + SignedDuration::from_hours(9),
            blocks,
        });
        reps.extend(ridden.reps);
    }
    reps
}
