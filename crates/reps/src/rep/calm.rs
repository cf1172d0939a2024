//! Calm: relaxed through, or not; what showed it.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::SoftRule;
use super::recorded::{Asked, Recorded};
use crate::Gait;
use crate::bounds::{FieldError, MINUTES, SPOTS, WORD_LETTERS};
use crate::text::check_text;

/// Signs of relaxing.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Relaxing {
    /// Lowers the head.
    LowersHead,
    /// Licks or chews quietly.
    Licks,
    /// Blinks, or the third eyelid comes.
    Blinks,
    /// Yawns.
    Yawns,
    /// Sighs.
    Sighs,
    /// Soft ears.
    SoftEars,
    /// Quiet tail.
    QuietTail,
}

/// Signs of trouble. Any of them may be pain.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Trouble {
    /// Pinned ears.
    PinnedEars,
    /// Wrings the tail.
    TailWringing,
    /// Grinds the teeth.
    Grinding,
    /// Gapes.
    Gaping,
    /// The white of the eye.
    WhiteOfEye,
    /// Holds its breath.
    HoldsBreath,
    /// Head shy.
    HeadShy,
    /// Cold back.
    ColdBack,
    /// Uneven steps.
    UnevenSteps,
}

/// One stretch of being calm, or not.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Calm {
    /// Minutes it lasted.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub minutes: f64,
    /// Relaxed through.
    pub relaxed: bool,
    /// Signs of relaxing.
    #[serde(default)]
    pub signs: Vec<Relaxing>,
    /// Signs of trouble.
    #[serde(default)]
    pub trouble: Vec<Trouble>,
    /// Spots it was drawn to, such as the gate.
    #[serde(default)]
    pub drawn_to: Vec<String>,
}

impl Recorded for Calm {
    const ASKS_A_MINUTE: f64 = 0.25;

    const TELLS: &'static [&'static str] = &["drawn_to_gate"];

    /// Relaxed through, drawn to no spot.
    fn is_soft(&self, _rule: &SoftRule, _gait: Gait) -> bool {
        self.relaxed && self.trouble.is_empty() && self.drawn_to.is_empty()
    }

    fn soft_means(_rule: &SoftRule, _gait: Gait) -> String {
        "Relaxed all through, no sign of trouble, drawn to no spot.".into()
    }

    /// The fault that it tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        if self.drawn_to.is_empty() {
            vec![]
        } else {
            vec!["drawn_to_gate"]
        }
    }

    /// Checks the minutes and the spots.
    fn check(&self) -> Result<(), FieldError> {
        MINUTES.check("/minutes", self.minutes)?;
        SPOTS.check_count("/drawn_to", self.drawn_to.len())?;
        SPOTS.check_count("/signs", self.signs.len())?;
        SPOTS.check_count("/trouble", self.trouble.len())?;
        for (index, spot) in self.drawn_to.iter().enumerate() {
            check_text(WORD_LETTERS, &format!("/drawn_to/{index}"), spot)?;
        }
        Ok(())
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Calm {
        let soft = at.soft;
        Calm {
            minutes: f64::from(rng.random_range(2..8)),
            relaxed: soft,
            signs: if soft {
                vec![Relaxing::LowersHead]
            } else {
                Vec::new()
            },
            trouble: if soft {
                Vec::new()
            } else {
                vec![Trouble::HoldsBreath]
            },
            drawn_to: Vec::new(),
        }
    }
}
