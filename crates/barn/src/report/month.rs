//! A calendar month of the barn.

use std::fmt;

use jiff::ToSpan;
use jiff::civil::Date;

/// A month of a year.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub struct Month {
    first: Date,
}

impl Month {
    /// The month of a day.
    pub fn of(day: Date) -> Month {
        Month {
            first: day.first_of_month(),
        }
    }

    /// A month written as `2026-10`; none where it is written otherwise.
    pub fn parse(text: &str) -> Option<Month> {
        let (year, month) = text.split_once('-')?;
        let digits = |part: &str, length| {
            (part.len() == length && part.bytes().all(|byte| byte.is_ascii_digit())).then_some(())
        };
        digits(year, 4)?;
        digits(month, 2)?;
        let first = Date::new(year.parse().ok()?, month.parse().ok()?, 1).ok()?;
        Some(Month { first })
    }

    /// Its first day.
    pub fn first(self) -> Date {
        self.first
    }

    /// Its last day.
    pub fn last(self) -> Date {
        self.first.last_of_month()
    }

    /// The one before.
    pub fn before(self) -> Month {
        Month::of(self.first.saturating_sub(1.day()))
    }

    /// The last day of it that has come by `today`; none while it lies ahead.
    pub fn told_until(self, today: Date) -> Option<Date> {
        (self.first <= today).then(|| self.last().min(today))
    }

    /// As people say it: October 2026.
    pub fn name(self) -> String {
        self.first.strftime("%B %Y").to_string()
    }

    /// The month alone: October.
    pub fn short(self) -> String {
        self.first.strftime("%B").to_string()
    }
}

impl fmt::Display for Month {
    fn fmt(&self, to: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(to, "{}", self.first.strftime("%Y-%m"))
    }
}
