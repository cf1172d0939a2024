//! The give: how long, with how much hand, and what the horse did.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::recorded::{Asked, Recorded, tenths};
use super::{HandWeight, SoftRule, TimeToGive};
use crate::Gait;
use crate::bounds::{BUMPS, FieldError, TIME_S};

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
}

impl Recorded for Give {
    const TIMED: bool = true;

    const ASKS_A_MINUTE: f64 = 1.6;

    const TELLS: &'static [&'static str] =
        &["head_up", "roots_down", "nose_out", "behind_vertical"];

    /// Gave, light enough, soon enough, without evading; where bumps are
    /// counted, with few enough.
    fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool {
        self.answer == Answer::Gave
            && self.hand <= rule.most_hand
            && self.time_s <= rule.most_s(gait)
            && self.bumps.is_none_or(|bumps| bumps <= rule.most_bumps)
    }

    fn soft_means(rule: &SoftRule, gait: Gait) -> String {
        format!(
            "Gives within {} s, {} at most, no evasion.",
            rule.most_s(gait),
            rule.most_hand.text()
        )
    }

    /// The fault that the answer itself tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        match self.answer {
            Answer::EvadedUp => vec!["head_up"],
            Answer::EvadedDown => vec!["roots_down"],
            Answer::EvadedOut => vec!["nose_out"],
            Answer::EvadedBehind => vec!["behind_vertical"],
            _ => vec![],
        }
    }

    /// Checks every number.
    fn check(&self) -> Result<(), FieldError> {
        TIME_S.check("/time_s", self.time_s)?;
        BUMPS.check_count("/bumps", self.bumps.unwrap_or(0) as usize)?;
        Ok(())
    }

    fn time(&self) -> Option<TimeToGive> {
        Some(TimeToGive {
            seconds: self.time_s,
            gave: self.answer.gave(),
        })
    }

    fn draw(at: &Asked<'_>, rng: &mut ChaCha8Rng) -> Give {
        let most_s = at.rule.most_s(at.gait);
        if at.soft {
            soft_give(at.chance, most_s, rng)
        } else {
            other_give(most_s, rng)
        }
    }
}

/// The readier the horse, the sooner its soft answers come.
fn soft_give(chance: f64, longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    let slowest = longest_soft_s * (1.0 - 0.45 * chance);
    let hand = if rng.random_bool(0.3 + 0.5 * chance.clamp(0.0, 1.0)) {
        HandWeight::Fingertip
    } else {
        HandWeight::TwoFingers
    };
    Give::new(hand, tenths(rng.random_range(0.3..slowest)), Answer::Gave)
}

/// Late, heavy, unanswered or evaded.
fn other_give(longest_soft_s: f64, rng: &mut ChaCha8Rng) -> Give {
    let late_s = tenths(longest_soft_s * rng.random_range(1.1..2.2));
    let waited_s = tenths(longest_soft_s * rng.random_range(1.5..3.5));
    match rng.random_range(0..100) {
        0..40 => Give::new(HandWeight::TwoFingers, late_s, Answer::Gave),
        40..52 => Give::new(HandWeight::ClosedHand, tenths(late_s / 1.5), Answer::Gave),
        52..76 => Give::new(HandWeight::ClosedHand, waited_s, Answer::DidNotGive),
        _ => {
            let evaded = EVASIONS[rng.random_range(0..EVASIONS.len())];
            Give::new(HandWeight::TwoFingers, tenths(waited_s / 2.0), evaded)
        }
    }
}

const EVASIONS: [Answer; 4] = [
    Answer::EvadedUp,
    Answer::EvadedDown,
    Answer::EvadedOut,
    Answer::EvadedSideways,
];
