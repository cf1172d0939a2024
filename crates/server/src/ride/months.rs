//! Months as they stand in an address.

use cavesson_core::bounds::FieldError;
use cavesson_core::report::Month;
use jiff::civil::Date;

use crate::http::problem::{Answer, Problem};

/// The month asked for, or the one of today.
///
/// # Errors
/// What is not written as a month.
pub fn month_of(asked: Option<&str>, today: Date) -> Answer<Month> {
    match asked {
        None => Ok(Month::of(today)),
        Some(text) => Month::parse(text).ok_or_else(not_begun),
    }
}

/// The last day of a month that has come.
///
/// # Errors
/// A month that lies ahead.
pub fn until(month: Month, today: Date) -> Answer<Date> {
    month.told_until(today).ok_or_else(not_begun)
}

fn not_begun() -> Problem {
    Problem::field(FieldError::new(
        "/month",
        "must be a month that has begun, written as 2026-10",
    ))
}
