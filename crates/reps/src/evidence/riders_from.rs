//! How riders differed, day by day: an ask is read by the comparison that stood on its day.
//!
//! Riders are compared every night. What was told of a horse stays as it was told, so a
//! comparison holds for the asks from its day on. One that says nearly the same as that in
//! use changes nothing: an ask's reading does not waver from night to night.
//!
//! The first comparison of a barn holds for the days that it was made from: a record that
//! came whole (an import, a new barn with its books) had no comparison before.
//!
//! Source: product default, no source.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::rider::{LOOK_BACK_DAYS, RiderOffset};
use crate::bounds::FieldError;

/// A comparison takes the place of that in use when a rider's offset, as far as it is very
/// likely real, moved by this much on the logit scale.
const MOVED: f64 = 0.1;

/// How riders differ, from a day on.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RidersFrom {
    /// The first day whose asks are read by it.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub from: Date,
    /// Riders who could be compared.
    pub riders: Vec<RiderOffset>,
}

impl RidersFrom {
    /// Checks every rider's numbers.
    ///
    /// # Errors
    /// The first out of bounds.
    pub fn check(&self) -> Result<(), FieldError> {
        for (index, rider) in self.riders.iter().enumerate() {
            rider
                .check()
                .map_err(|error| error.under(&format!("/riders/{index}")))?;
        }
        Ok(())
    }

    /// By how much a rider's answers are taken to be softer; 0 where that may be chance.
    pub fn offset(&self, rider_id: Uuid) -> f64 {
        self.riders
            .iter()
            .find(|rider| rider.rider_id == rider_id && rider.is_very_likely_real())
            .map_or(0.0, |rider| rider.offset)
    }

    fn says_other(&self, other: &RidersFrom) -> bool {
        let riders = self.riders.iter().chain(&other.riders);
        riders
            .map(|rider| rider.rider_id)
            .any(|rider| (self.offset(rider) - other.offset(rider)).abs() >= MOVED)
    }
}

/// Those of a barn's nightly comparisons, the earliest first, that asks are read by.
pub fn in_use(comparisons: impl IntoIterator<Item = RidersFrom>) -> Vec<RidersFrom> {
    let mut in_use: Vec<RidersFrom> = Vec::new();
    for comparison in comparisons {
        match in_use.last() {
            None => in_use.push(RidersFrom {
                from: comparison.from.saturating_sub(LOOK_BACK_DAYS.days()),
                ..comparison
            }),
            Some(last) if comparison.says_other(last) => in_use.push(comparison),
            Some(_) => {}
        }
    }
    in_use
}

/// The comparison that an ask of `day` is read by.
pub fn of_day(in_use: &[RidersFrom], day: Date) -> Option<&RidersFrom> {
    let after = in_use.partition_point(|comparison| comparison.from <= day);
    in_use[..after].last()
}
