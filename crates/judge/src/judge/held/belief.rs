//! What is believed of a level that was placed or shown at intake, until first asks bear it
//! out or speak against it.

use super::score::slot;
use crate::Side;
use crate::evidence::first_answer::{LUCK_BEGUN, SLIP};

/// The chance from which on a level that was placed or shown at intake is confirmed.
pub const CONFIRMED_FROM: f64 = 0.95;
/// The chance below which it no longer counts.
pub const COUNTS_FROM: f64 = 0.5;
/// Nobody's word and no intake is surer of a level than this: a first ask is wanted of each.
const SUREST: f64 = 0.93;

/// How likely a level is held that was placed or shown at intake, carried on by Bayes'
/// rule with the first ask of each later day and side.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Belief {
    log_odds: f64,
    soft: [bool; 2],
    missed: u32,
    asked: u32,
}

impl Belief {
    pub(super) fn of(chance: f64) -> Belief {
        let chance = chance.min(SUREST);
        Belief {
            log_odds: (chance / (1.0 - chance)).ln(),
            soft: [false; 2],
            missed: 0,
            asked: 0,
        }
    }

    pub(super) fn first_ask(&mut self, side: Side, soft: bool) {
        self.asked += 1;
        self.missed += u32::from(!soft);
        self.soft[slot(side)] |= soft;
        self.log_odds += if soft {
            ((1.0 - SLIP) / LUCK_BEGUN).ln()
        } else {
            (SLIP / (1.0 - LUCK_BEGUN)).ln()
        };
    }

    fn chance(&self) -> f64 {
        1.0 / (1.0 + (-self.log_odds).exp())
    }

    /// Whether first asks have borne it out, on every side.
    pub(super) fn is_confirmed(&self, sides: &[Side]) -> bool {
        self.chance() >= CONFIRMED_FROM && sides.iter().all(|side| self.soft[slot(*side)])
    }

    /// Whether it still counts.
    pub(super) fn counts(&self) -> bool {
        self.chance() >= COUNTS_FROM
    }

    /// First asks that were not soft, and all of them.
    pub(super) fn missed_of(&self) -> (u32, u32) {
        (self.missed, self.asked)
    }
}
