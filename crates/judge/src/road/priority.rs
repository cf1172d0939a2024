//! How much more a ride of the horse counts when a week is planned: the more, the more rides
//! still change about its date, and the nearer that is.
//!
//! # Source
//! Own, product default.

use super::asked::RoadAsked;
use super::what_would_help::{MOST_A_WEEK, chance, with};
use crate::day::days_between;
use crate::ladder::Ladder;

/// Days before a date from which on its rides count more.
pub const NEAR_DAYS: i64 = 60;
/// A ride more a week that brings so much makes the horse's rides count twice.
const WHOLE_GAIN: f64 = 0.25;

/// How near a date is: 0 from [`NEAR_DAYS`] on, 1 on the day.
pub fn near(days_left: i64) -> f64 {
    let left = days_left.clamp(0, NEAR_DAYS);
    (NEAR_DAYS - left) as f64 / NEAR_DAYS as f64
}

/// The weight of a ride, 1 to 2, for a horse with a date and nothing said of what it is to
/// hold by then: by the date alone.
pub fn by_date(days_left: i64) -> f64 {
    1.0 + near(days_left)
}

/// The weight of a ride, 1 to 2, by what one more a week would change about the first goal.
pub fn priority(ladder: &Ladder, asked: &RoadAsked) -> f64 {
    let Some(goal) = asked.goals.first() else {
        return 1.0;
    };
    let by = days_between(asked.today, goal.day);
    if near(by) == 0.0 {
        return 1.0;
    }
    let now = chance(ladder, &with(asked, |_| {}), by);
    let more = with(asked, |one| {
        one.rides_a_week = (one.rides_a_week + 1.0).min(MOST_A_WEEK);
    });
    let gain = (chance(ladder, &more, by) - now).max(0.0);
    1.0 + near(by) * (gain / WHOLE_GAIN).min(1.0)
}
