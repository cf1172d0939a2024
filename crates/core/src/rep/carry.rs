//! Something carried: a frame, a line, a lead, a pace beside a cow.

use serde::{Deserialize, Serialize};

use super::{Help, SoftRule};
use crate::bounds::{ASKED_TO_CARRY, CARRIED, FieldError, LEAVES};

/// What the carrying is counted in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum CarryUnit {
    /// Seconds.
    Seconds,
    /// Circles.
    Circles,
}

/// One thing carried.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Carry {
    /// What it is counted in.
    pub unit: CarryUnit,
    /// How much was asked.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 3600))]
    pub asked: f64,
    /// How much was carried.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 3600))]
    pub carried: f64,
    /// Times it left the frame.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub leaves: u32,
    /// What helped, where it was noted.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub help: Option<Help>,
}

impl Carry {
    /// All that was asked, leaving at most so often.
    pub fn is_soft(&self, rule: &SoftRule) -> bool {
        self.carried >= self.asked && self.leaves <= rule.most_leaves
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds.
    pub fn check(&self) -> Result<(), FieldError> {
        ASKED_TO_CARRY.check("/asked", self.asked)?;
        CARRIED.check("/carried", self.carried)?;
        LEAVES.check_count("/leaves", self.leaves as usize)?;
        Ok(())
    }
}
