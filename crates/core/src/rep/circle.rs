//! Circles: soft ones, nose-ups, falling in or out.

use serde::{Deserialize, Serialize};

use super::{Help, SoftRule};
use crate::bounds::{CIRCLES, FieldError, NOSE_UPS};

/// Circles ridden at once.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Circle {
    /// Circles ridden.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub circles: u32,
    /// Circles that were soft all the way round.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub soft_circles: u32,
    /// Times the nose came up.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub nose_ups: u32,
    /// Fell in.
    #[serde(default)]
    pub fell_in: bool,
    /// Fell out.
    #[serde(default)]
    pub fell_out: bool,
    /// Broke gait.
    #[serde(default)]
    pub broke_gait: bool,
    /// What helped, where it was noted.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub help: Option<Help>,
}

impl Circle {
    /// A full circle without a nose-up, at the asked gait.
    pub fn is_soft(&self, rule: &SoftRule) -> bool {
        self.soft_circles >= 1 && self.nose_ups <= rule.most_nose_ups && !self.broke_gait
    }

    /// The fault that it tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        if self.fell_in { &["falls_in"] } else { &[] }
    }

    /// Checks every number.
    ///
    /// # Errors
    /// No circle, too many, more soft than ridden, too many nose-ups.
    pub fn check(&self) -> Result<(), FieldError> {
        CIRCLES.check_count("/circles", self.circles as usize)?;
        super::at_most("/soft_circles", self.soft_circles, "circles", self.circles)?;
        NOSE_UPS.check_count("/nose_ups", self.nose_ups as usize)?;
        Ok(())
    }
}
