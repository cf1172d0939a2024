//! The hours somebody works: days of the week, from when to when.

use jiff::civil::Time;
use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, HORSES_A_DAY, WEEKDAY};

/// A stretch of one day of the week.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WorkHours {
    /// 1 is Monday, 7 is Sunday (ISO 8601).
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 7))]
    pub weekday: u8,
    /// Barn time.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "07:00:00"))]
    pub from: Time,
    /// Barn time, later than `from`.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "15:30:00"))]
    pub to: Time,
    /// The most horses they ride on such a day.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub most_horses: u8,
}

/// Checks a week of hours: one stretch a day at the most, each with a length.
///
/// # Errors
/// The first stretch that does not fit, with what is allowed.
pub fn check_week(field: &str, week: &[WorkHours]) -> Result<(), FieldError> {
    WEEKDAY.check_count(field, week.len().max(1))?;
    for (index, hours) in week.iter().enumerate() {
        let at = format!("{field}/{index}");
        WEEKDAY.check(&format!("{at}/weekday"), f64::from(hours.weekday))?;
        HORSES_A_DAY.check(&format!("{at}/most_horses"), f64::from(hours.most_horses))?;
        if hours.to <= hours.from {
            return Err(FieldError::new(
                format!("{at}/to"),
                format!("must be later than {}, found {}", hours.from, hours.to),
            ));
        }
        if week[..index]
            .iter()
            .any(|other| other.weekday == hours.weekday)
        {
            return Err(FieldError::new(
                format!("{at}/weekday"),
                "this day is named twice; one stretch a day",
            ));
        }
    }
    Ok(())
}
