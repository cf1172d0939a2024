//! What a turn says of the cow: it was headed, and it stopped or did not.
//!
//! # Source
//! A cow that is let through by a horse out of position has not shown that it would not stop:
//! common practice, no source.

use crate::rep::HowEnded;
use crate::rep::turn::{Position, Turn, TurnResult};

/// Whether the cow stopped; none where the horse was not there to stop it.
pub fn heading(turn: &Turn) -> Option<bool> {
    match (turn.result, turn.position) {
        (TurnResult::Turned, _) => Some(true),
        (TurnResult::Lost, Position::Even | Position::Long) if turn.waited => Some(false),
        (TurnResult::Lost, _) => None,
    }
}

/// The same of how a work ended: a cow that ran through a horse in position was headed.
pub fn heading_at_end(how: HowEnded) -> Option<bool> {
    (how == HowEnded::RanThrough).then_some(false)
}
