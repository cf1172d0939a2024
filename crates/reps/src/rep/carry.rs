//! Something carried: a frame, a line, a lead, a pace beside a cow.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::recorded::{Asked, Recorded};
use super::{Help, SoftRule};
use crate::Gait;
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

impl Recorded for Carry {
    const ASKS_A_MINUTE: f64 = 0.6;

    /// All that was asked, leaving at most so often.
    fn is_soft(&self, rule: &SoftRule, _gait: Gait) -> bool {
        self.carried >= self.asked && self.leaves <= rule.most_leaves
    }

    fn soft_means(rule: &SoftRule, _gait: Gait) -> String {
        let leaves = match rule.most_leaves {
            0 => "without leaving it".to_owned(),
            1 => "leaving it once at most".to_owned(),
            most => format!("leaving it {most} times at most"),
        };
        format!("Carried as long as you asked, {leaves}.")
    }

    /// Checks every number.
    fn check(&self) -> Result<(), FieldError> {
        ASKED_TO_CARRY.check("/asked", self.asked)?;
        CARRIED.check("/carried", self.carried)?;
        LEAVES.check_count("/leaves", self.leaves as usize)?;
        Ok(())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Carry {
        let soft = at.soft;
        let asked = f64::from(rng.random_range(2..7) * 10);
        Carry {
            unit: CarryUnit::Seconds,
            asked,
            carried: if soft {
                asked
            } else {
                (asked * rng.random_range(0.2..0.9)).round()
            },
            leaves: if soft {
                rng.random_range(0..2)
            } else {
                rng.random_range(2..6)
            },
            help: Some(at.help()),
        }
    }
}
