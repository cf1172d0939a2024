//! The stop: feet quit AND off the bridle.

use serde::{Deserialize, Serialize};

use super::SoftRule;
use crate::bounds::{FieldError, STEPS, STRIDES, TIME_S};
use crate::{Gait, Side};

/// The last cue it needed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Cue {
    /// The seat alone.
    Seat,
    /// The voice.
    Voice,
    /// One rein.
    OneRein,
    /// Both reins.
    TwoReins,
}

/// What the head did.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Head {
    /// Stayed quiet.
    Quiet,
    /// Came up.
    Up,
    /// Went out.
    Out,
}

/// One stop.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Stop {
    /// The last cue it needed.
    pub cue: Cue,
    /// Strides until the feet quit.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub strides: f64,
    /// Seconds until it was off the bridle; null when it never came off.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub off_bridle_s: Option<f64>,
    /// What the head did.
    pub head: Head,
    /// The side it drifted to; none when it stopped straight.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub drift: Option<Side>,
    /// Whether the feet crept on afterwards.
    #[serde(default)]
    pub crept: bool,
    /// Steps back that were soft, where some were asked.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub steps_back: Option<u32>,
}

impl Stop {
    /// Both: the feet quit soon enough, and off the bridle soon enough, head quiet.
    pub fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool {
        self.strides <= rule.strides_at(gait)
            && self.off_bridle_s.is_some_and(|s| s <= rule.off_bridle_s)
            && self.head == Head::Quiet
            && !self.crept
    }

    /// The faults that it tells of.
    pub fn faults(&self, rule: &SoftRule) -> &'static [&'static str] {
        if self.head == Head::Up {
            &["head_up"]
        } else if self.head == Head::Out {
            &["nose_out"]
        } else if self.crept {
            &["creeps"]
        } else if self.off_bridle_s.is_none_or(|s| s > rule.off_bridle_s) {
            &["leans_on_bridle"]
        } else {
            &[]
        }
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first number out of bounds; a drift to both sides.
    pub fn check(&self) -> Result<(), FieldError> {
        STRIDES.check("/strides", self.strides)?;
        TIME_S.check("/off_bridle_s", self.off_bridle_s.unwrap_or(0.0))?;
        super::one_side("/drift", self.drift)?;
        if let Some(steps) = self.steps_back {
            STEPS.check_count("/steps_back", steps as usize)?;
        }
        Ok(())
    }
}
