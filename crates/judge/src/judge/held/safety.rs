//! The brake and other safety levels: lost sooner, and a way back of their own.
//!
//! # Rule
//! Lost at two misses in a side's last five, or three in the last twenty of all sides
//! together. Back at [`IN_A_ROW`] soft in a row on each side and [`CLEAN_DAYS`] clean days
//! after the day of the last miss. Every answer counts, whatever disturbed it: a brake
//! that fails in the wind has failed.
//!
//! Source: common practice of the trade, no source; the figures are product defaults,
//! measured on the bench (docs/judge.md, "The brake").

use jiff::civil::Date;

use super::score::Missed;
use crate::Side;
use crate::ladder::Gate;

/// Asks of a side looked back.
const OF_A_SIDE: usize = 5;
/// Misses among them, and the level is lost.
const MISSES_OF_A_SIDE: usize = 2;
/// Asks of all sides looked back.
const OF_ALL: usize = 20;
/// Misses among them, and the level is lost.
const MISSES_OF_ALL: usize = 3;
/// Soft in a row on each side, and it may be back.
pub const IN_A_ROW: u32 = 10;
/// Clean days after the last miss, and it may be back.
pub const CLEAN_DAYS: u32 = 3;
/// Answers kept: five of each side may reach further back than twenty of all, where one
/// side is asked far more.
const KEPT: usize = 60;

/// One answer.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
struct Answer {
    day: Date,
    side: Side,
    soft: bool,
}

/// What a safety level's answers say since it was last held.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct SafetyScore {
    /// Oldest first.
    last: Vec<Answer>,
}

impl SafetyScore {
    /// It is held from here on: what went before no longer speaks against it.
    pub fn begin(&mut self) {
        self.last.clear();
    }

    /// Takes in an answer; whether the level is lost by it, and what for.
    pub fn answer(&mut self, side: Side, day: Date, soft: bool) -> Option<Missed> {
        if self.last.len() == KEPT {
            self.last.remove(0);
        }
        self.last.push(Answer { day, side, soft });
        if soft { None } else { self.lost(side) }
    }

    fn lost(&self, side: Side) -> Option<Missed> {
        let of_side = self.of(side);
        let of_all: Vec<&Answer> = self.last.iter().rev().take(OF_ALL).collect();
        let missed = |of: &[&Answer]| of.iter().filter(|one| !one.soft).count();
        let (answers, side) = if missed(&of_side) >= MISSES_OF_A_SIDE {
            (of_side, side)
        } else if missed(&of_all) >= MISSES_OF_ALL {
            (of_all, Side::Both)
        } else {
            return None;
        };
        let first = answers.iter().rev().find(|one| !one.soft)?;
        Some(Missed {
            side,
            missed: missed(&answers) as u32,
            asked: answers.len() as u32,
            from: first.day,
        })
    }

    /// The last answers of a side, the latest first.
    fn of(&self, side: Side) -> Vec<&Answer> {
        let of_side = self.last.iter().rev().filter(|one| one.side == side);
        of_side.take(OF_A_SIDE).collect()
    }

    /// The side that missed once among its last five: asked a little every ride until that
    /// has passed.
    pub fn watched(&self) -> Option<Side> {
        [Side::Left, Side::Right, Side::Both]
            .into_iter()
            .find(|side| self.of(*side).iter().any(|one| !one.soft))
    }
}

/// What a lost safety level needs to be back, of the asks after the day of its last miss.
pub fn way_back(gate: &Gate) -> Gate {
    Gate {
        least_reps: 0,
        least_days: CLEAN_DAYS,
        soft_share: 0.0,
        low_share: 0.0,
        first_ask_soft: 0,
        no_miss_reps: IN_A_ROW,
        most_difference: None,
        most_time_ratio: None,
        level_below: false,
        ..*gate
    }
}
