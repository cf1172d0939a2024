//! Counting in calendar days.

use jiff::ToSpan;
use jiff::civil::Date;

/// Whole days from `from` to `to`.
pub fn days_between(from: Date, to: Date) -> i64 {
    // A span of dates is counted in days unless asked otherwise.
    to.since(from).map_or(0, |span| i64::from(span.get_days()))
}

/// The Monday of a day's week.
pub fn monday_of(day: Date) -> Date {
    day.saturating_sub(i64::from(day.weekday().to_monday_zero_offset()).days())
}

/// The week of a day, Monday to Sunday.
pub fn week_of(day: Date) -> (Date, Date) {
    let monday = monday_of(day);
    (monday, monday.saturating_add(6.days()))
}
