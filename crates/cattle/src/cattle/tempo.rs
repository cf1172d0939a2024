//! When a quicker or a slower cow is due.
//!
//! # Source
//! Up when the turns are right (8 of 10), down when position goes, correct and slow before quick
//! and wrong: common practice, no source. Three of the last four out of position: product default.

use serde::{Deserialize, Serialize};

use crate::rep::turn::{Position, Tempo, Turn};
use crate::rep::{Recorded, SoftRule};

/// What the last turns say of the next cow.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum NextTempo {
    /// A quicker one.
    Quicker,
    /// One as quick.
    Same,
    /// A slower one.
    Slower,
}

/// So many turns at a tempo, of which so many are right, and it goes up.
pub const TURNS: usize = 10;
/// Of ten.
pub const RIGHT: usize = 8;
/// Of the last so many turns
pub const LATELY: usize = 4;
/// so many out of position, and it comes down.
pub const OUT: usize = 3;

/// Reads the turns at one tempo, first to last.
pub fn next_tempo(turns: &[Turn]) -> NextTempo {
    let out = |turn: &&Turn| matches!(turn.position, Position::Short | Position::Past);
    let lately = turns.iter().rev().take(LATELY);
    if turns.len() >= LATELY && lately.filter(out).count() >= OUT {
        return NextTempo::Slower;
    }
    let rule = SoftRule::default();
    let right = |turn: &&Turn| turn.is_soft(&rule, crate::Gait::Walk);
    let last = turns.iter().rev().take(TURNS);
    if turns.len() >= TURNS && last.filter(right).count() >= RIGHT {
        return NextTempo::Quicker;
    }
    NextTempo::Same
}

/// What the turns say of the next cow, in a sentence; empty when it is to be one as quick.
pub fn says(next: NextTempo, tempo: Tempo) -> String {
    let cow = match tempo {
        Tempo::Slow => "a slow cow",
        Tempo::Medium => "a medium cow",
        Tempo::Quick => "a quick cow",
    };
    match next {
        NextTempo::Quicker => format!("{RIGHT} of the last {TURNS} good: {cow} next."),
        NextTempo::Same => String::new(),
        NextTempo::Slower => format!("Out of place {OUT} of the last {LATELY}: {cow} next."),
    }
}

/// One step quicker; the quickest stays.
pub fn quicker(tempo: Tempo) -> Tempo {
    match tempo {
        Tempo::Slow => Tempo::Medium,
        Tempo::Medium | Tempo::Quick => Tempo::Quick,
    }
}

/// One step slower; the slowest stays.
pub fn slower(tempo: Tempo) -> Tempo {
    match tempo {
        Tempo::Quick => Tempo::Medium,
        Tempo::Medium | Tempo::Slow => Tempo::Slow,
    }
}
