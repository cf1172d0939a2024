//! What stands in a cell: days, times of day, numbers, words, ids.

use jiff::civil::{Date, Time};
use jiff::{Timestamp, civil};
use uuid::Uuid;

use crate::bounds::check_past_day;
use crate::rows::{Row, RowError};

/// A row that is being read, and what does not fit in it.
pub(super) struct Cells<'a> {
    pub row: &'a Row,
    errors: Vec<RowError>,
}

impl<'a> Cells<'a> {
    pub fn of(row: &'a Row) -> Cells<'a> {
        Cells {
            row,
            errors: Vec::new(),
        }
    }

    pub fn text(&self, column: &str) -> &'a str {
        self.row.cell(column)
    }

    /// Keeps what does not fit in a column.
    pub fn keep<T>(&mut self, column: &str, read: Result<T, String>) -> Option<T> {
        read.map_err(|detail| self.say(column, detail)).ok()
    }

    pub fn say(&mut self, column: &str, detail: String) {
        self.errors
            .push(RowError::new(self.row.line, column, detail));
    }

    /// What did not fit; nothing when the row is whole.
    pub fn errors(self) -> Vec<RowError> {
        self.errors
    }

    pub fn is_whole(&self) -> bool {
        self.errors.is_empty()
    }

    /// A number; none in an empty cell.
    pub fn number(&mut self, column: &str) -> Option<f64> {
        let read = number(self.text(column));
        self.keep(column, read).flatten()
    }

    /// What a word of a list stands for; none for an empty cell.
    pub fn word<T: Copy>(&mut self, column: &str, all: &[(&'static str, T)]) -> Option<T> {
        let named: Vec<usize> = (0..all.len()).collect();
        let at = self.kind(column, &named, |at| all[at].0)?;
        Some(all[at].1)
    }

    /// The kind that a word stands for; none for an empty cell.
    pub fn kind<T: Copy>(
        &mut self,
        column: &str,
        all: &[T],
        word: impl Fn(T) -> &'static str,
    ) -> Option<T> {
        let read = kind(self.text(column), all, word);
        self.keep(column, read).flatten()
    }
}

/// A day: as ISO 8601 has it, or month/day/year.
pub(super) fn day(text: &str, today: Date) -> Result<Date, String> {
    let wrong = || format!("must be a day such as 2026-05-04 or 5/4/2026, found \"{text}\"");
    let day = match text.split_once('/') {
        None => text.parse::<Date>().map_err(|_| wrong())?,
        Some((month, rest)) => {
            let (day, year) = rest.split_once('/').ok_or_else(wrong)?;
            let figures = |text: &str| text.trim().parse::<i16>().map_err(|_| wrong());
            let (month, day, year) = (figures(month)?, figures(day)?, figures(year)?);
            let year = if (0..100).contains(&year) {
                year + 2000
            } else {
                year
            };
            let small = |number: i16| i8::try_from(number).map_err(|_| wrong());
            Date::new(year, small(month)?, small(day)?)
                .map_err(|_| format!("{} (month/day/year)", wrong()))?
        }
    };
    check_past_day("", day, today).map_err(|error| error.detail)?;
    Ok(day)
}

/// A time of day, by 24 hours or with am and pm; none in an empty cell.
pub(super) fn time_of_day(text: &str) -> Result<Option<Time>, String> {
    if text.is_empty() {
        return Ok(None);
    }
    let wrong = || format!("must be a time of day such as 14:30 or 2:30 pm, found \"{text}\"");
    let lower = text.to_lowercase().replace('.', "");
    let (figures, half) = match (lower.strip_suffix("am"), lower.strip_suffix("pm")) {
        (Some(rest), _) => (rest, Some(0)),
        (_, Some(rest)) => (rest, Some(12)),
        _ => (lower.as_str(), None),
    };
    let mut parts = figures.trim().split(':');
    let mut next = || -> Option<i8> { parts.next()?.trim().parse().ok() };
    let hour = next().ok_or_else(wrong)?;
    let minute = match (next(), half) {
        (Some(minute), _) => minute,
        (None, Some(_)) if !figures.contains(':') => 0,
        (None, _) => return Err(wrong()),
    };
    let second = if figures.matches(':').count() > 1 {
        next().ok_or_else(wrong)?
    } else {
        0
    };
    let hour = match half {
        None => hour,
        Some(half) if (1..=12).contains(&hour) => hour % 12 + half,
        Some(_) => return Err(wrong()),
    };
    civil::Time::new(hour, minute, second, 0)
        .map(Some)
        .map_err(|_| wrong())
}

/// A moment; none in an empty cell.
pub(super) fn moment(text: &str, now: Timestamp) -> Result<Option<Timestamp>, String> {
    if text.is_empty() {
        return Ok(None);
    }
    let at: Timestamp = text
        .parse()
        .map_err(|_| format!("must be a moment such as 2026-05-04T14:30:00Z, found \"{text}\""))?;
    if at > now {
        return Err(format!("must not be later than now, found \"{text}\""));
    }
    Ok(Some(at))
}

/// A number, with a point or a comma; none in an empty cell.
pub(super) fn number(text: &str) -> Result<Option<f64>, String> {
    if text.is_empty() {
        return Ok(None);
    }
    let point = if text.contains('.') {
        text.to_owned()
    } else {
        text.replacen(',', ".", 1)
    };
    match point.parse::<f64>() {
        Ok(number) if number.is_finite() => Ok(Some(number)),
        _ => Err(format!("must be a number, found \"{text}\"")),
    }
}

/// Yes or no; an empty cell is no.
pub(super) fn yes(text: &str) -> Result<bool, String> {
    match text.to_lowercase().as_str() {
        "" | "no" | "n" | "false" | "0" => Ok(false),
        "yes" | "y" | "true" | "1" | "x" => Ok(true),
        _ => Err(format!("must be yes or no, found \"{text}\"")),
    }
}

/// The kind that a word stands for, blanks in it as good as its own signs; none for an empty cell.
pub(super) fn kind<T: Copy>(
    text: &str,
    all: &[T],
    word: impl Fn(T) -> &'static str,
) -> Result<Option<T>, String> {
    if text.is_empty() {
        return Ok(None);
    }
    let asked = text.to_lowercase().replace([' ', '-'], "_");
    let found = all.iter().copied().find(|one| word(*one) == asked);
    found.map(Some).ok_or_else(|| {
        let words: Vec<&str> = all.iter().map(|one| word(*one)).collect();
        format!("must be {}, found \"{text}\"", words.join(", "))
    })
}

/// An id that the sheet has of its own; none in an empty cell.
pub(super) fn id(text: &str) -> Result<Option<Uuid>, String> {
    if text.is_empty() {
        return Ok(None);
    }
    text.parse()
        .map(Some)
        .map_err(|_| format!("must be an id (UUID) or empty, found \"{text}\""))
}
