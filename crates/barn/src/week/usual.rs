//! What a day has where nobody said otherwise. Product defaults.

use crate::ladder::{Ladder, Level};

/// Minutes of a ride.
pub const RIDE_MINUTES: u16 = 45;
/// The shortest ride that is laid out where the rider's next one comes soon.
const LEAST_MINUTES: u16 = 15;
/// Rides a week of a horse without a program that says it.
pub const RIDES_A_WEEK: u8 = 5;

/// What a horse that is down for nothing is taken out for: the lightest ask.
pub fn level() -> Level {
    let ladder = Ladder::every_level();
    let lightest = ladder.lightest_ask().unwrap_or_default();
    ladder.levels[lightest].level.clone()
}

/// Minutes of a ride that starts at `from_min`, where the rider's next one starts at
/// `next_min`.
pub fn ride_minutes(from_min: u16, next_min: Option<u16>) -> u16 {
    let gap = next_min.map_or(RIDE_MINUTES, |next| next.saturating_sub(from_min));
    gap.clamp(LEAST_MINUTES, RIDE_MINUTES)
}
