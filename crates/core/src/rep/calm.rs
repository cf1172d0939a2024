//! Calm: relaxed through, or not; what showed it.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, MINUTES, SPOTS, WORD_LETTERS};

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

impl Calm {
    /// Relaxed through, drawn to no spot.
    pub fn is_soft(&self) -> bool {
        self.relaxed && self.trouble.is_empty() && self.drawn_to.is_empty()
    }

    /// The fault that it tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        if self.drawn_to.is_empty() {
            &[]
        } else {
            &["drawn_to_gate"]
        }
    }

    /// Checks the minutes and the spots.
    ///
    /// # Errors
    /// Minutes out of bounds, too many spots, a spot with no or a long name.
    pub fn check(&self) -> Result<(), FieldError> {
        MINUTES.check("/minutes", self.minutes)?;
        SPOTS.check_count("/drawn_to", self.drawn_to.len())?;
        SPOTS.check_count("/signs", self.signs.len())?;
        SPOTS.check_count("/trouble", self.trouble.len())?;
        for (index, spot) in self.drawn_to.iter().enumerate() {
            WORD_LETTERS.check_count(&format!("/drawn_to/{index}"), spot.trim().chars().count())?;
        }
        Ok(())
    }
}
