//! Out of the pen to dry work: when the shoulder leaks or the head is tossed, more turns only
//! teach it.
//!
//! # Source
//! Two of the last three turns; back up soft, shoulders over, rock back; then a slow cow: common
//! practice, no source.

use serde::Serialize;

use crate::ladder::Level;
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
    /// The cow to come back to.
    pub back_to: Tempo,
}

/// Back up soft, shoulders over, rock back.
pub fn dry_work() -> Vec<Level> {
    [
        ("frame.back", "stand"),
        ("turn.haunches", "quarter"),
        ("stop.rock-back", "walk"),
    ]
    .map(|(skill, rung)| Level::new(skill, rung))
    .to_vec()
}

/// Of the last so many turns
pub const LAST: usize = 3;
/// so many with a leak or a toss.
pub const BAD: usize = 2;

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
        back_to: Tempo::Slow,
    })
}
