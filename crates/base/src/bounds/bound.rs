//! A limit, what is wrong with a field, and checks that are no number's.

use std::collections::HashSet;

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// One limit: what it is, its unit, the least and the most that is allowed.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Bound {
    /// What the number is, in the trade's words.
    pub what: &'static str,
    /// Its unit, empty for a plain count or share.
    pub unit: &'static str,
    /// The least that is allowed.
    pub least: f64,
    /// The most that is allowed.
    pub most: f64,
}

/// A limit of the table.
pub(super) const fn bound(what: &'static str, unit: &'static str, least: f64, most: f64) -> Bound {
    Bound {
        what,
        unit,
        least,
        most,
    }
}

/// Days ahead that can be planned.
pub const PLANNED_AHEAD_DAYS: Bound = bound("days ahead", "days", 0.0, 400.0);

/// What is wrong with one field of an input, and what is allowed there.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize, thiserror::Error)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[error("{field}: {detail}")]
pub struct FieldError {
    /// Path of the field as a JSON pointer (RFC 6901), such as `/reps/3/measure/time_s`.
    pub field: String,
    /// What was found and what is allowed, in a sentence for the person who sent it.
    pub detail: String,
}

impl FieldError {
    /// An error at `field`.
    pub fn new(field: impl Into<String>, detail: impl Into<String>) -> FieldError {
        FieldError {
            field: field.into(),
            detail: detail.into(),
        }
    }

    /// The same error, its field seen from further out.
    pub fn under(mut self, outer: &str) -> FieldError {
        self.field = format!("{outer}{}", self.field);
        self
    }
}

impl Bound {
    /// `value` itself when it lies within the bound.
    ///
    /// # Errors
    /// A [`FieldError`] at `field` that states the value and what is allowed.
    pub fn check(&self, field: &str, value: f64) -> Result<f64, FieldError> {
        if value.is_finite() && value >= self.least && value <= self.most {
            return Ok(value);
        }
        let unit = if self.unit.is_empty() {
            String::new()
        } else {
            format!(" {}", self.unit)
        };
        Err(FieldError::new(
            field,
            format!(
                "{} must be {} to {}{unit}, found {value}",
                self.what, self.least, self.most
            ),
        ))
    }

    /// As [`Bound::check`], for a count.
    ///
    /// # Errors
    /// As [`Bound::check`].
    pub fn check_count(&self, field: &str, value: usize) -> Result<usize, FieldError> {
        self.check(field, value as f64).map(|_| value)
    }
}

/// Everything that does not fit, of several checks.
///
/// # Errors
/// The errors of all checks that failed, in their order.
pub fn together(
    checks: impl IntoIterator<Item = Result<(), FieldError>>,
) -> Result<(), Vec<FieldError>> {
    let errors: Vec<FieldError> = checks.into_iter().filter_map(Result::err).collect();
    if errors.is_empty() {
        Ok(())
    } else {
        Err(errors)
    }
}

/// Checks a day that something was: today or before, at most twenty years back.
///
/// # Errors
/// A day outside, at `field`, with what is allowed.
pub fn check_past_day(field: &str, day: Date, today: Date) -> Result<(), FieldError> {
    let earliest = today.saturating_sub(20.years());
    if (earliest..=today).contains(&day) {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("must be {earliest} to {today} (today), found {day}"),
    ))
}

/// Checks a day that is planned: today or later, and no further ahead than anyone
/// plans.
///
/// # Errors
/// A day outside, at `field`, with what is allowed.
pub fn check_planned_day(field: &str, day: Date, today: Date) -> Result<(), FieldError> {
    let latest = today.saturating_add((PLANNED_AHEAD_DAYS.most as i32).days());
    if (today..=latest).contains(&day) {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("must be {today} (today) to {latest}, found {day}"),
    ))
}

/// Checks that an id is named once.
///
/// # Errors
/// An id that was seen before, at `field`.
pub fn once(seen: &mut HashSet<Uuid>, id: Uuid, field: &str) -> Result<(), FieldError> {
    if seen.insert(id) {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("{id} is named twice; name it once"),
    ))
}
