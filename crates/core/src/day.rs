//! Counting in calendar days.

use jiff::civil::Date;

/// Whole days from `from` to `to`.
pub fn days_between(from: Date, to: Date) -> i64 {
    // A span of dates is counted in days unless asked otherwise.
    to.since(from).map_or(0, |span| i64::from(span.get_days()))
}
