//! An obstacle of the trail.

use serde::{Deserialize, Serialize};

use super::SoftRule;
use crate::Side;
use crate::bounds::{FEET_ON, FieldError, TRIES};

/// One obstacle, as often as it was tried.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Obstacle {
    /// Tries until the first foot was on, or until it was left.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub tries: u32,
    /// Feet that were on it at once.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 4))]
    pub feet_on: u32,
    /// Whether it was crossed whole.
    pub crossed: bool,
    /// The side it ran out on; none when it did not.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub ran_out: Option<Side>,
    /// Jumped off.
    #[serde(default)]
    pub jumped_off: bool,
    /// Relaxed.
    pub relaxed: bool,
}

impl Obstacle {
    /// Crossed whole on an early try, relaxed.
    pub fn is_soft(&self, rule: &SoftRule) -> bool {
        self.crossed && self.tries <= rule.most_tries && self.relaxed && !self.jumped_off
    }

    /// The fault that it tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        if self.ran_out.is_some() || self.jumped_off {
            &["off_obstacle"]
        } else {
            &[]
        }
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds; running out on both sides.
    pub fn check(&self) -> Result<(), FieldError> {
        TRIES.check_count("/tries", self.tries as usize)?;
        FEET_ON.check_count("/feet_on", self.feet_on as usize)?;
        super::one_side("/ran_out", self.ran_out)
    }
}
