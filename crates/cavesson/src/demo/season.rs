//! A demo mare's season, and the weather.

use cavesson_core::day::days_between;
use cavesson_core::horse::RideMark;
use jiff::ToSpan;
use jiff::civil::Date;

/// Days between the beginnings of two seasons.
const CYCLE_DAYS: i64 = 21;
/// Days of a season.
const SEASON_DAYS: i64 = 5;

/// When a mare was in season: every three weeks, the last time some days ago.
pub struct Season {
    last_began: Date,
}

impl Season {
    /// One that began last `days_ago`.
    pub fn began(days_ago: i64, today: Date) -> Season {
        Season {
            last_began: today.saturating_sub(days_ago.days()),
        }
    }

    /// Whether she was in season on `day`.
    pub fn holds(&self, day: Date) -> bool {
        days_between(self.last_began, day).rem_euclid(CYCLE_DAYS) < SEASON_DAYS
    }
}

/// What the weather did to the rides of a day: wind on one in nine, bad ground on one in
/// fourteen.
pub fn weather(day: Date) -> Vec<RideMark> {
    let number = i64::from(day.year()) * 366 + i64::from(day.day_of_year());
    let mut marks = Vec::new();
    if number * 7 % 9 == 2 {
        marks.push(RideMark::Wind);
    }
    if number * 5 % 14 == 3 {
        marks.push(RideMark::BadGround);
    }
    marks
}
