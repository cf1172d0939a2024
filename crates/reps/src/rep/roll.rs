//! The rollback.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::recorded::{Asked, Recorded};
use crate::Gait;
use crate::bounds::FieldError;

/// What it was rolled back against.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Against {
    /// A barrel.
    Barrel,
    /// The fence.
    Fence,
    /// Nothing.
    Open,
}

/// How it left.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Exit {
    /// Soft.
    Soft,
    /// Stiff.
    Stiff,
}

/// One rollback.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Roll {
    /// What it was rolled back against.
    pub against: Against,
    /// Whether the weight was behind.
    pub weight_behind: bool,
    /// Whether it fell forward.
    pub fell_forward: bool,
    /// How it left.
    pub exit: Exit,
    /// Whether it took a full 360.
    #[serde(default)]
    pub full_turn: bool,
}

impl Recorded for Roll {
    const ASKS_A_MINUTE: f64 = 0.6;

    const TELLS: &'static [&'static str] = &["falls_forward", "stiff_exit"];

    /// Weight behind, did not fall forward, left soft.
    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        self.weight_behind && !self.fell_forward && self.exit == Exit::Soft
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Weight behind, not falling forward, leaves soft.".into()
    }

    /// The faults that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        match (self.fell_forward, self.exit) {
            (true, Exit::Stiff) => vec!["falls_forward", "stiff_exit"],
            (true, Exit::Soft) => vec!["falls_forward"],
            (false, Exit::Stiff) => vec!["stiff_exit"],
            (false, Exit::Soft) => vec![],
        }
    }

    fn check(&self) -> Result<(), FieldError> {
        Ok(())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Roll {
        let soft = at.soft;
        let forward = !soft && rng.random_bool(0.6);
        Roll {
            against: Against::Fence,
            weight_behind: !forward,
            fell_forward: forward,
            exit: if soft || forward {
                Exit::Soft
            } else {
                Exit::Stiff
            },
            full_turn: false,
        }
    }
}
