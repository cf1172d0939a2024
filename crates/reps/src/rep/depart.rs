//! The lope depart.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::recorded::{Asked, Recorded};
use crate::Gait;
use crate::bounds::{FieldError, STRIDES};

/// One depart; the lead asked is the level's.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Depart {
    /// Waited in position for the ask.
    pub waited: bool,
    /// The head stayed still.
    pub head_still: bool,
    /// Stayed straight.
    pub straight: bool,
    /// Took the asked lead.
    pub right_lead: bool,
    /// Strides of walk or jog before it loped.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub strides_before: u32,
}

impl Recorded for Depart {
    const ASKS_A_MINUTE: f64 = 0.5;

    const TELLS: &'static [&'static str] = &["anticipates"];

    /// Waited, on the right lead, head still.
    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        self.waited && self.right_lead && self.head_still
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Waits, right lead, head still.".into()
    }

    /// The fault that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        if self.waited {
            vec![]
        } else {
            vec!["anticipates"]
        }
    }

    /// Checks the strides.
    fn check(&self) -> Result<(), FieldError> {
        STRIDES.check("/strides_before", f64::from(self.strides_before))?;
        Ok(())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Depart {
        let soft = at.soft;
        let early = !soft && rng.random_bool(0.5);
        Depart {
            waited: !early,
            head_still: soft || early,
            straight: soft,
            right_lead: true,
            strides_before: rng.random_range(0..3),
        }
    }
}
