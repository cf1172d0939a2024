//! Circles: soft ones, nose-ups, falling in or out.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::fits::at_most;
use super::recorded::{Asked, Recorded};
use super::{Help, SoftRule};
use crate::Gait;
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

impl Recorded for Circle {
    const ASKS_A_MINUTE: f64 = 0.7;

    const TELLS: &'static [&'static str] = &["falls_in"];

    /// A full circle without a nose-up, at the asked gait.
    fn is_soft(&self, rule: &SoftRule, _gait: Gait) -> bool {
        self.soft_circles >= 1 && self.nose_ups <= rule.most_nose_ups && !self.broke_gait
    }

    fn soft_means(rule: &SoftRule, _gait: Gait) -> String {
        let nose_ups = match rule.most_nose_ups {
            0 => "without a nose-up".to_owned(),
            1 => "with one nose-up at most".to_owned(),
            most => format!("with {most} nose-ups at most"),
        };
        format!("A whole circle at the gait {nose_ups}.")
    }

    /// The fault that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        if self.fell_in {
            vec!["falls_in"]
        } else {
            vec![]
        }
    }

    /// Checks every number.
    fn check(&self) -> Result<(), FieldError> {
        CIRCLES.check_count("/circles", self.circles as usize)?;
        at_most("/soft_circles", self.soft_circles, "circles", self.circles)?;
        NOSE_UPS.check_count("/nose_ups", self.nose_ups as usize)?;
        Ok(())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Circle {
        let soft = at.soft;
        let circles = rng.random_range(1..=3);
        Circle {
            circles,
            soft_circles: if soft { circles } else { 0 },
            nose_ups: if soft { 0 } else { rng.random_range(1..=4) },
            fell_in: !soft && rng.random_bool(0.4),
            fell_out: false,
            broke_gait: !soft && rng.random_bool(0.15),
            help: Some(at.help()),
        }
    }
}
