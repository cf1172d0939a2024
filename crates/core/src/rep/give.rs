//! The give: how long, with how much hand, and what the horse did.

use serde::{Deserialize, Serialize};

use super::SoftRule;
use crate::Gait;
use crate::bounds::{BUMPS, FieldError, TIME_S};

/// How much was in the hand. Our own scale; the class bounds are product defaults.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HandWeight {
    /// Under 2 newtons.
    Feather,
    /// 2 to 5 newtons.
    Fingertip,
    /// 5 to 10 newtons.
    TwoFingers,
    /// 10 to 20 newtons.
    ClosedHand,
    /// 20 to 40 newtons.
    Forearm,
    /// Over 40 newtons.
    Pull,
}

impl HandWeight {
    /// The upper bound of each class in newtons, lightest first; a pull has none.
    const MOST_N: [(HandWeight, f64); 5] = [
        (HandWeight::Feather, 2.0),
        (HandWeight::Fingertip, 5.0),
        (HandWeight::TwoFingers, 10.0),
        (HandWeight::ClosedHand, 20.0),
        (HandWeight::Forearm, 40.0),
    ];

    /// The class of a measured rein force in newtons, as a rein gauge gives it.
    pub fn from_newtons(force_n: f64) -> HandWeight {
        HandWeight::MOST_N
            .into_iter()
            .find(|(_, most)| force_n < *most)
            .map_or(HandWeight::Pull, |(class, _)| class)
    }
}

/// What the horse did with the ask.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Answer {
    /// Gave; the time is the time to give.
    Gave,
    /// Gave, but late in the rider's own judgement.
    Late,
    /// Braced: the ask was ended with no give; the time is the time waited.
    DidNotGive,
    /// Evaded with the head up.
    EvadedUp,
    /// Rooted down on the hand.
    EvadedDown,
    /// Evaded with the nose out.
    EvadedOut,
    /// Evaded behind the vertical.
    EvadedBehind,
    /// Went out through the shoulder.
    EvadedShoulder,
    /// Stepped away sideways.
    EvadedSideways,
    /// Backed off.
    EvadedBackedOff,
}

impl Answer {
    /// Whether the ask ended with a give. One that did not is a right-censored
    /// time: the give would have come later, if at all.
    pub fn gave(self) -> bool {
        matches!(self, Answer::Gave | Answer::Late)
    }

    /// Whether the horse got out of the ask instead of answering it.
    pub fn evaded(self) -> bool {
        !matches!(self, Answer::Gave | Answer::Late | Answer::DidNotGive)
    }
}

/// What the feet did while the horse gave.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Feet {
    /// Kept going.
    KeptGoing,
    /// Stuck.
    Stuck,
    /// Hurried.
    Hurried,
}

/// What the mouth did with the bit.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Mouth {
    /// Works the bit quietly.
    Quiet,
    /// Holds it still; usually a horse that has to be asked longer.
    Still,
    /// Chews frantically.
    Frantic,
}

/// One give, as it is recorded.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Give {
    /// How much was in the hand.
    pub hand: HandWeight,
    /// Seconds from the ask to the give, or waited until the ask was ended.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub time_s: f64,
    /// What the horse did.
    pub answer: Answer,
    /// What the feet did, where it was seen.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub feet: Option<Feet>,
    /// Whether it stayed soft after the release, where it was seen.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub stayed_soft: Option<bool>,
    /// Bumps it took, where the rein asks by light bumps.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub bumps: Option<u32>,
    /// What the mouth did, where it was seen.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub mouth: Option<Mouth>,
}

impl Give {
    /// A give with nothing more seen.
    pub const fn new(hand: HandWeight, time_s: f64, answer: Answer) -> Give {
        Give {
            hand,
            time_s,
            answer,
            feet: None,
            stayed_soft: None,
            bumps: None,
            mouth: None,
        }
    }

    /// Gave, light enough, soon enough, without evading; where bumps are
    /// counted, with few enough.
    pub fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool {
        self.answer == Answer::Gave
            && self.hand <= rule.most_hand
            && self.time_s <= rule.most_s(gait)
            && self.bumps.is_none_or(|bumps| bumps <= rule.most_bumps)
    }

    /// The fault that the answer itself tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        match self.answer {
            Answer::EvadedUp => &["head_up"],
            Answer::EvadedDown => &["roots_down"],
            Answer::EvadedOut => &["nose_out"],
            Answer::EvadedBehind => &["behind_vertical"],
            _ => &[],
        }
    }

    /// Checks every number.
    ///
    /// # Errors
    /// A time or a number of bumps out of bounds.
    pub fn check(&self) -> Result<(), FieldError> {
        TIME_S.check("/time_s", self.time_s)?;
        BUMPS.check_count("/bumps", self.bumps.unwrap_or(0) as usize)?;
        Ok(())
    }
}
