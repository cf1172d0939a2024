//! The registry of measures. A new one is a file of its own and one line here.

use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::recorded::{Asked, Recorded};
use super::{
    Calm, Carry, Change, Circle, Count, Depart, Give, Obstacle, Roll, Run, SoftRule, Steps, Stop,
    TimeToGive, Turn,
};
use crate::Gait;
use crate::bounds::FieldError;

macro_rules! measures {
    ($($(#[doc = $about:literal])* $measure:ident = $word:literal,)*) => {
        /// What the reps of a skill record.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(rename_all = "snake_case")]
        pub enum MeasureKind {
            $($(#[doc = $about])* $measure,)*
        }

        /// What a rep records, by the measure of its skill.
        #[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        #[serde(tag = "kind", rename_all = "snake_case")]
        pub enum Measure {
            $($(#[doc = $about])* $measure($measure),)*
        }

        impl MeasureKind {
            /// All measures, in the order they are listed.
            pub const ALL: &[MeasureKind] = &[$(MeasureKind::$measure,)*];

            /// The word as it is stored and sent.
            pub fn word(self) -> &'static str {
                match self {
                    $(MeasureKind::$measure => $word,)*
                }
            }

            /// The faults this measure can tell of by itself.
            pub fn tells(self) -> &'static [&'static str] {
                match self {
                    $(MeasureKind::$measure => $measure::TELLS,)*
                }
            }

            /// Whether its answers are timed.
            pub fn timed(self) -> bool {
                match self {
                    $(MeasureKind::$measure => $measure::TIMED,)*
                }
            }

            /// How many fit into a minute of a block, with the rests between.
            pub fn asks_a_minute(self) -> f64 {
                match self {
                    $(MeasureKind::$measure => $measure::ASKS_A_MINUTE,)*
                }
            }

            /// What a soft answer is at `gait`, as a trainer says it.
            pub fn soft_means(self, rule: &SoftRule, gait: Gait) -> String {
                match self {
                    $(MeasureKind::$measure => $measure::soft_means(rule, gait),)*
                }
            }

            /// The answer of a simulated horse.
            pub fn draw(self, asked: &Asked<'_>, rng: &mut ChaCha8Rng) -> Measure {
                match self {
                    $(MeasureKind::$measure => Measure::$measure($measure::draw(asked, rng)),)*
                }
            }
        }

        impl Measure {
            /// Which measure it is.
            pub fn kind(&self) -> MeasureKind {
                match self {
                    $(Measure::$measure(_) => MeasureKind::$measure,)*
                }
            }

            /// Whether enough was seen of it to be judged.
            pub fn is_judged(&self) -> bool {
                !matches!(self, Measure::Run(run) if run.timed_only)
            }

            /// Whether the answer was soft at `gait`. Decided here, never by a screen.
            pub fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool {
                match self {
                    $(Measure::$measure(recorded) => recorded.is_soft(rule, gait),)*
                }
            }

            /// The ids of the faults the measure itself tells of.
            pub fn faults(&self, rule: &SoftRule) -> Vec<&'static str> {
                match self {
                    $(Measure::$measure(recorded) => recorded.faults(rule),)*
                }
            }

            /// The time measured, and whether it ended with a give; only gives are timed.
            pub fn time(&self) -> Option<TimeToGive> {
                match self {
                    $(Measure::$measure(recorded) => recorded.time(),)*
                }
            }

            /// What it adds to a count.
            pub fn count(&self) -> u32 {
                match self {
                    $(Measure::$measure(recorded) => recorded.count(),)*
                }
            }

            /// Checks every number of the measure.
            ///
            /// # Errors
            /// The first field out of bounds, as a path below the measure.
            pub fn check(&self) -> Result<(), FieldError> {
                match self {
                    $(Measure::$measure(recorded) => recorded.check(),)*
                }
            }
        }
    };
}

measures! {
    /// Time to give, hand weight, answer.
    Give = "give",
    /// Steps asked and clean.
    Steps = "steps",
    /// Circles and nose-ups.
    Circle = "circle",
    /// Feet quit, off the bridle.
    Stop = "stop",
    /// A rollback.
    Roll = "roll",
    /// A lope depart.
    Depart = "depart",
    /// A lead change.
    Change = "change",
    /// Something carried for a time or a number of circles.
    Carry = "carry",
    /// An obstacle crossed.
    Obstacle = "obstacle",
    /// A turn on a cow or flag.
    Turn = "turn",
    /// A run of the pattern.
    Run = "run",
    /// Relaxed, or not.
    Calm = "calm",
    /// A number that adds up.
    Count = "count",
}

impl MeasureKind {
    /// Every fault that some measure can tell of by itself.
    pub fn all_told() -> impl Iterator<Item = &'static str> {
        MeasureKind::ALL
            .iter()
            .flat_map(|kind| kind.tells())
            .copied()
    }
}
