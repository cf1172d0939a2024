//! The stop: feet quit AND off the bridle.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::fits::one_side;
use super::recorded::{Asked, Recorded, tenths};
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

impl Recorded for Stop {
    const ASKS_A_MINUTE: f64 = 0.8;

    const TELLS: &'static [&'static str] = &["head_up", "nose_out", "creeps", "leans_on_bridle"];

    /// Both: the feet quit soon enough, and off the bridle soon enough, head quiet.
    fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool {
        self.strides <= rule.strides_at(gait)
            && self.off_bridle_s.is_some_and(|s| s <= rule.off_bridle_s)
            && self.head == Head::Quiet
            && !self.crept
    }

    fn soft_means(rule: &SoftRule, gait: Gait) -> String {
        format!(
            "Feet quit within {} AND off the bridle within {} s, head quiet, no creeping.",
            strides(rule.strides_at(gait)),
            rule.off_bridle_s
        )
    }

    /// The faults that it tells of.
    fn faults(&self, rule: &SoftRule) -> Vec<&'static str> {
        if self.head == Head::Up {
            vec!["head_up"]
        } else if self.head == Head::Out {
            vec!["nose_out"]
        } else if self.crept {
            vec!["creeps"]
        } else if self.off_bridle_s.is_none_or(|s| s > rule.off_bridle_s) {
            vec!["leans_on_bridle"]
        } else {
            vec![]
        }
    }

    /// Checks every number.
    fn check(&self) -> Result<(), FieldError> {
        STRIDES.check("/strides", self.strides)?;
        TIME_S.check("/off_bridle_s", self.off_bridle_s.unwrap_or(0.0))?;
        one_side("/drift", self.drift)?;
        if let Some(steps) = self.steps_back {
            STEPS.check_count("/steps_back", steps as usize)?;
        }
        Ok(())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Stop {
        let soft = at.soft;
        let strides = at.rule.strides_at(at.gait);
        let leans = !soft && rng.random_bool(0.6);
        Stop {
            cue: if rng.random_bool(if soft { 0.7 } else { 0.2 }) {
                Cue::Seat
            } else {
                Cue::TwoReins
            },
            strides: if soft || leans {
                strides.min(1.0)
            } else {
                strides + 1.0
            },
            off_bridle_s: match (soft, leans) {
                (true, _) => Some(tenths(rng.random_range(0.3..1.8))),
                (false, true) => None,
                (false, false) => Some(1.0),
            },
            head: Head::Quiet,
            drift: (!soft && rng.random_bool(0.3)).then_some(Side::Right),
            crept: !soft && !leans && rng.random_bool(0.5),
            steps_back: None,
        }
    }
}

fn strides(number: f64) -> String {
    if number == 1.0 {
        "1 stride".into()
    } else {
        format!("{number} strides")
    }
}
