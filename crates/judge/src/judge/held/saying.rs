//! What somebody says of a level on a day.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

/// What a level rests on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum HeldBy {
    /// Its gate.
    Gate,
    /// The trainer's word.
    Word,
    /// The horse was placed by hand.
    Placed,
    /// An intake.
    Intake,
}

/// What was said of a level.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Saying {
    /// The trainer lets it count as held.
    Counts,
    /// The trainer keeps it from counting.
    KeptBack,
    /// Placed by hand, or shown at an intake: so likely held.
    Likely {
        /// Which.
        by: HeldBy,
        /// How likely.
        chance: f64,
    },
    /// It is under a level that was said to be held.
    Under {
        /// The level above.
        above: usize,
        /// How that one was said.
        by: HeldBy,
        /// How likely; none for the trainer's word.
        chance: Option<f64>,
    },
}

/// What was said of a level on a day.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Said {
    /// The day.
    pub day: Date,
    /// What.
    pub saying: Saying,
}

impl Said {
    /// Whether by it the level may count as held.
    pub fn counts(&self) -> bool {
        self.saying != Saying::KeptBack
    }
}
