//! What moved a level, with day and reason. A change is never dated back: a new reading
//! of old asks carries the day of the reading.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::score::Missed;
use crate::ladder::Level;

/// How a level moved.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LevelMoved))]
#[serde(rename_all = "snake_case")]
pub enum Moved {
    /// It came to be held.
    Gained,
    /// It was lost once, and is held again.
    Regained,
    /// It is in doubt: nothing above it advances.
    InDoubt,
    /// Soft answers cleared the doubt.
    Cleared,
    /// It is not held any more: working again.
    Lost,
    /// It was sent down and counts as held for nothing.
    Eased,
    /// It counts again: its first asks are soft, and what it went back to is.
    EaseEnded,
    /// Something it needs does not count as held.
    Waiting,
    /// What it needs is back: a cold test comes first.
    Retest,
    /// The cold test was soft: it counts again.
    Retested,
    /// The trainer keeps it from counting.
    KeptBack,
}

impl Moved {
    /// Whether the level counts as held for more than before.
    pub fn is_up(self) -> bool {
        matches!(
            self,
            Moved::Gained
                | Moved::Regained
                | Moved::Cleared
                | Moved::EaseEnded
                | Moved::Retest
                | Moved::Retested
        )
    }
}

/// Why.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LevelMovedBecause))]
#[serde(tag = "reason", rename_all = "snake_case")]
pub enum Because {
    /// Every rail is filled, and all it needs is held and not in doubt.
    Gate,
    /// Ten in a row on each side and three clean days: the way back of a safety level.
    InARow,
    /// The trainer said so.
    Word,
    /// The horse was placed by hand.
    Placed,
    /// An intake showed it.
    Intake,
    /// A level that stands on it was said, placed or shown to be held.
    Above {
        /// The level above.
        level: Level,
    },
    /// Answers that were not soft.
    Missed(Missed),
    /// First asks contradict what the intake or the placing said.
    Contradicted {
        /// First asks since that were not soft.
        missed: u32,
        /// First asks since.
        asked: u32,
    },
    /// Soft answers since.
    Soft,
    /// The last ride was soft too seldom, or a fault came too often.
    Poor,
    /// Something it needs.
    Need {
        /// The level it needs.
        level: Level,
    },
}

/// One change of a level.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LevelChange))]
pub struct Change {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// What.
    pub moved: Moved,
    /// Why.
    pub because: Because,
}
