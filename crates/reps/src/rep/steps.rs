//! Steps: so many asked, so many clean.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::fits::at_most;
use super::recorded::{Asked, Recorded};
use crate::Gait;
use crate::bounds::{FieldError, STEPS};

/// Where the stepping foot crossed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Crossed {
    /// In front of the other.
    InFront,
    /// Behind the other.
    Behind,
}

/// Steps asked at once.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Steps {
    /// Steps asked.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub asked: u32,
    /// Steps that were clean.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 60))]
    pub clean: u32,
    /// Where the foot crossed, where it was seen.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub crossed: Option<Crossed>,
    /// Whether it hurried.
    #[serde(default)]
    pub hurried: bool,
}

impl Recorded for Steps {
    const ASKS_A_MINUTE: f64 = 1.2;

    /// All asked steps were clean.
    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        self.clean == self.asked
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Every step asked is clean.".into()
    }

    /// Checks both numbers.
    fn check(&self) -> Result<(), FieldError> {
        STEPS.check_count("/asked", self.asked as usize)?;
        at_most("/clean", self.clean, "asked", self.asked)
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Steps {
        let soft = at.soft;
        let asked = rng.random_range(1..=4);
        Steps {
            asked,
            clean: if soft {
                asked
            } else {
                rng.random_range(0..asked)
            },
            crossed: None,
            hurried: !soft && rng.random_bool(0.4),
        }
    }
}
