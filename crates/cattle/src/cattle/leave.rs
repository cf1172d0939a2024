//! Out of the pen to dry work: when the shoulder leaks or the head is tossed, more turns only
//! teach it.
//!
//! # Source
//! Two of the last three turns; back up soft, shoulders over, rock back; then a slow cow: common
//! practice, no source.

use serde::Serialize;

use crate::ladder::{Ladder, Level};
use crate::rep::turn::{Shoulders, Tempo, Turn, Weight};

/// What ended the work.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum WhyLeave {
    /// The shoulders leaked toward the cow.
    ShoulderLeaks,
    /// The head was tossed.
    HeadTossed,
    /// Some of both.
    Both,
}

/// Leave the cattle: why, what to do, and what comes after.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Leave {
    /// Why.
    pub why: WhyLeave,
    /// The dry work, in order.
    pub dry_work: Vec<Level>,
    /// Asks of each of them before the way back.
    pub dry_asks: u32,
    /// The cow to come back to.
    pub back_to: Tempo,
    /// Why, in a sentence.
    pub says: String,
}

/// Back up soft, shoulders over, rock back: as the ladder file says.
pub fn dry_work() -> Vec<Level> {
    Ladder::every_level().dry_work.clone()
}

/// Of the last so many turns
pub const LAST: usize = 3;
/// so many with a leak or a toss.
pub const BAD: usize = 2;
/// Asks of each part of the dry work. Product default.
pub const DRY_ASKS: u32 = 4;

/// What the last turns order, first to last.
pub fn leave(turns: &[Turn]) -> Option<Leave> {
    let last: Vec<&Turn> = turns.iter().rev().take(LAST).collect();
    let leaked = last
        .iter()
        .filter(|turn| turn.shoulders == Shoulders::Leaked)
        .count();
    let tossed = last
        .iter()
        .filter(|turn| turn.weight == Weight::HeadTossed)
        .count();
    let bad = last
        .iter()
        .filter(|turn| turn.shoulders == Shoulders::Leaked || turn.weight == Weight::HeadTossed);
    if bad.count() < BAD {
        return None;
    }
    let why = match (leaked, tossed) {
        (_, 0) => WhyLeave::ShoulderLeaks,
        (0, _) => WhyLeave::HeadTossed,
        _ => WhyLeave::Both,
    };
    Some(Leave {
        why,
        dry_work: dry_work(),
        dry_asks: DRY_ASKS,
        back_to: Tempo::Slow,
        says: match why {
            WhyLeave::ShoulderLeaks => {
                format!("The shoulder leaked in {BAD} of the last {LAST} turns.")
            }
            WhyLeave::HeadTossed => {
                format!("The head was tossed in {BAD} of the last {LAST} turns.")
            }
            WhyLeave::Both => {
                format!("A leaking shoulder and a tossed head in the last {LAST} turns.")
            }
        },
    })
}
