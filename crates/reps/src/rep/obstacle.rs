//! An obstacle of the trail.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::fits::one_side;
use super::recorded::{Asked, Recorded};
use crate::bounds::{FEET_ON, FieldError, TRIES};
use crate::{Gait, Side};

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

impl Recorded for Obstacle {
    const ASKS_A_MINUTE: f64 = 0.6;

    const TELLS: &'static [&'static str] = &["off_obstacle"];

    /// Crossed whole on an early try, relaxed.
    fn is_soft(&self, rule: &SoftRule, _gait: Gait) -> bool {
        self.crossed && self.tries <= rule.most_tries && self.relaxed && !self.jumped_off
    }

    fn soft_means(rule: &SoftRule, _gait: Gait) -> String {
        let tries = match rule.most_tries {
            1 => "on the first try".to_owned(),
            2 => "on the first or second try".to_owned(),
            most => format!("by try {most}"),
        };
        format!("Crossed whole {tries}, relaxed, not jumped.")
    }

    /// The fault that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        if self.ran_out.is_some() || self.jumped_off {
            vec!["off_obstacle"]
        } else {
            vec![]
        }
    }

    /// Checks every number.
    fn check(&self) -> Result<(), FieldError> {
        TRIES.check_count("/tries", self.tries as usize)?;
        FEET_ON.check_count("/feet_on", self.feet_on as usize)?;
        one_side("/ran_out", self.ran_out)
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Obstacle {
        let soft = at.soft;
        Obstacle {
            tries: if soft {
                rng.random_range(1..=2)
            } else {
                rng.random_range(2..6)
            },
            feet_on: if soft { 4 } else { rng.random_range(0..4) },
            crossed: soft,
            ran_out: (!soft && rng.random_bool(0.6)).then_some(Side::Left),
            jumped_off: false,
            relaxed: soft,
        }
    }
}
