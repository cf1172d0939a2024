//! What every measure says of itself, in one file a measure.

use rand_chacha::ChaCha8Rng;

use super::{Help, SoftRule, TimeToGive};
use crate::Gait;
use crate::bounds::FieldError;

/// A measure: its record, checked and understood.
pub trait Recorded: Sized {
    /// The ids of the faults it can tell of by itself; the ladder file must have them.
    const TELLS: &'static [&'static str] = &[];

    /// How many fit into a minute of a block, with the rests between. Product default.
    const ASKS_A_MINUTE: f64;

    /// Whether its answers are timed.
    const TIMED: bool = false;

    /// Whether the answer was soft. Decided here, never by a screen.
    fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool;

    /// What a soft answer is at `gait`, as a trainer says it.
    fn soft_means(rule: &SoftRule, gait: Gait) -> String;

    /// The ids of the faults that this one tells of.
    fn faults(&self, _rule: &SoftRule) -> Vec<&'static str> {
        Vec::new()
    }

    /// Checks every number.
    ///
    /// # Errors
    /// The first field out of bounds, as a path below the measure.
    fn check(&self) -> Result<(), FieldError>;

    /// The time measured, and whether it ended with a give.
    fn time(&self) -> Option<TimeToGive> {
        None
    }

    /// What it adds to a count.
    fn count(&self) -> u32 {
        1
    }

    /// How a simulated horse answers. What is not soft goes wrong in one of the ways
    /// the measure can record.
    fn draw(asked: &Asked<'_>, rng: &mut ChaCha8Rng) -> Self;
}

/// What a simulated horse is asked, and whether the answer is to be soft.
#[derive(Debug, Clone, Copy)]
pub struct Asked<'a> {
    /// When an answer counts as soft.
    pub rule: &'a SoftRule,
    /// The gait.
    pub gait: Gait,
    /// The chance that the answer is soft.
    pub chance: f64,
    /// Whether it is.
    pub soft: bool,
}

impl Asked<'_> {
    /// The readier the horse, the less hand and the more leg it takes.
    pub(super) fn help(&self) -> Help {
        match self.chance {
            chance if chance < 0.55 => Help::MostlyHand,
            chance if chance < 0.8 => Help::Even,
            _ => Help::MostlyLeg,
        }
    }
}

/// Rounded to tenths, as times and feet are recorded.
pub(super) fn tenths(value: f64) -> f64 {
    (value * 10.0).round() / 10.0
}
