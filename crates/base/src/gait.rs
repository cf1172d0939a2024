//! The gaits, slowest first. Every gait asks the question anew.

use serde::{Deserialize, Serialize};

/// The gait at which an ask is made.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Gait {
    /// Standing still.
    Stand,
    /// Walk.
    Walk,
    /// The slow western trot.
    Jog,
    /// Trot.
    Trot,
    /// Lope.
    Lope,
    /// Gallop.
    Gallop,
}

impl Gait {
    /// All gaits, slowest first.
    pub const ALL: [Gait; 6] = [
        Gait::Stand,
        Gait::Walk,
        Gait::Jog,
        Gait::Trot,
        Gait::Lope,
        Gait::Gallop,
    ];

    /// The word as it is stored, sent and shown.
    pub fn word(self) -> &'static str {
        match self {
            Gait::Stand => "stand",
            Gait::Walk => "walk",
            Gait::Jog => "jog",
            Gait::Trot => "trot",
            Gait::Lope => "lope",
            Gait::Gallop => "gallop",
        }
    }

    /// The gait of that word, if there is one.
    pub fn from_word(word: &str) -> Option<Gait> {
        Gait::ALL.into_iter().find(|gait| gait.word() == word)
    }
}
