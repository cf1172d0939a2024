//! What a horse did on cattle lately, and how a day is matched by it.

use uuid::Uuid;

use super::leave::leave;
use super::matching::Horse;
use super::pen::tempo_due;
use crate::ladder::RungId;
use crate::rep::turn::{Tempo, Turn};

/// Works of a horse on a ride. Few works a ride: common practice, no source; two: product
/// default.
pub const WORKS_A_RIDE: u32 = 2;

/// What a horse did on cattle lately.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct CattleLately {
    /// It has worked cattle.
    pub worked: bool,
    /// Its last turns, first to last, each with its ride.
    pub turns: Vec<(Uuid, Turn)>,
}

impl CattleLately {
    /// It had to leave the cattle at any moment of the last ride on which it turned one.
    pub fn corrected(&self) -> bool {
        let Some((last, _)) = self.turns.last() else {
            return false;
        };
        let own = self.turns.iter().filter(|(ride_id, _)| ride_id == last);
        let turns: Vec<Turn> = own.map(|(_, turn)| *turn).collect();
        (1..=turns.len()).any(|many| leave(&turns[..many]).is_some())
    }

    /// The horse as a day is matched by it, asked at a tempo where it has no turns yet.
    pub fn to_match(&self, horse_id: Uuid, asked: Tempo) -> Horse {
        let turns: Vec<Turn> = self.turns.iter().map(|(_, turn)| *turn).collect();
        Horse {
            horse_id,
            tempo: tempo_due(&turns, asked).1,
            first: !self.worked,
            corrected: self.corrected(),
            works: WORKS_A_RIDE,
        }
    }
}

/// The tempo that a level asks of the cow; the slow one where it names none.
pub fn tempo_of(rung: &RungId) -> Tempo {
    match rung.0.as_str() {
        "medium" => Tempo::Medium,
        "quick" => Tempo::Quick,
        _ => Tempo::Slow,
    }
}
