//! The give: how long, with how much hand, and what the horse did.

use serde::{Deserialize, Serialize};

use crate::Gait;
use crate::bounds::{FieldError, TIME_S};

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
}

impl Give {
    /// Checks the time.
    ///
    /// # Errors
    /// A time outside [`TIME_S`].
    pub fn check(&self) -> Result<(), FieldError> {
        TIME_S.check("/time_s", self.time_s).map(|_| ())
    }
}

/// When a give counts as soft.
///
/// Source: product default, chosen by us; that lightness is judged by hand, time
/// and evasion is common practice of the trade, no source.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct SoftRule {
    /// The most hand a soft answer may have taken.
    pub most_hand: HandWeight,
    /// The longest soft time standing and at the walk, in seconds.
    pub stand_walk_s: f64,
    /// The longest soft time at the jog and trot, in seconds.
    pub jog_trot_s: f64,
    /// The longest soft time at the lope and gallop, in seconds.
    pub lope_s: f64,
}

impl Default for SoftRule {
    fn default() -> SoftRule {
        SoftRule {
            most_hand: HandWeight::TwoFingers,
            stand_walk_s: 2.0,
            jog_trot_s: 2.5,
            lope_s: 3.0,
        }
    }
}

impl SoftRule {
    /// The longest time a soft give may take at `gait`, in seconds.
    pub fn most_s(&self, gait: Gait) -> f64 {
        match gait {
            Gait::Stand | Gait::Walk => self.stand_walk_s,
            Gait::Jog | Gait::Trot => self.jog_trot_s,
            Gait::Lope | Gait::Gallop => self.lope_s,
        }
    }

    /// Gave, light enough, soon enough, without evading.
    pub fn is_soft(&self, gait: Gait, give: &Give) -> bool {
        give.answer == Answer::Gave
            && give.hand <= self.most_hand
            && give.time_s <= self.most_s(gait)
    }

    /// Checks the three times.
    ///
    /// # Errors
    /// The first time out of bounds, by name.
    pub fn check(&self) -> Result<(), FieldError> {
        TIME_S.check("/stand_walk_s", self.stand_walk_s)?;
        TIME_S.check("/jog_trot_s", self.jog_trot_s)?;
        TIME_S.check("/lope_s", self.lope_s)?;
        Ok(())
    }
}
