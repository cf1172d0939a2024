//! What a level showed on one day.

use jiff::civil::Date;

use crate::Side;
use crate::evidence::{Ask, SoftCount};
use crate::ladder::Gate;

/// Soft and asked on one day.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct SoftDay {
    /// The day.
    pub day: Date,
    /// Soft answers and asks of each side; those of both at once stand first.
    pub sides: [SoftCount; 2],
    /// Whether every side asked was soft often enough for its gate.
    pub shown_soft: bool,
}

impl SoftDay {
    /// Soft answers and asks of all sides.
    pub fn all_sides(&self) -> SoftCount {
        SoftCount {
            soft: self.sides[0].soft + self.sides[1].soft,
            asked: self.sides[0].asked + self.sides[1].asked,
        }
    }

    /// soft / asked, of all sides.
    pub fn share(&self) -> f64 {
        self.all_sides().share().unwrap_or_default()
    }
}

/// The days of a level on which it was asked, in order.
pub fn soft_days(asks: &[Ask], gate: &Gate, sides: &[Side]) -> Vec<SoftDay> {
    asks.chunk_by(|a, b| a.day == b.day)
        .map(|day| soft_day(day, gate, sides))
        .collect()
}

fn soft_day(day: &[Ask], gate: &Gate, sides: &[Side]) -> SoftDay {
    let mut counts = [SoftCount::default(); 2];
    for ask in day {
        counts[usize::from(ask.side == Side::Right)].count(ask.soft);
    }
    let shown_soft = sides.iter().all(|side| {
        let of_side = counts[usize::from(*side == Side::Right)];
        let needed = gate.soft_share * f64::from(of_side.asked) - 1e-9;
        of_side.asked > 0 && f64::from(of_side.soft) >= needed
    });
    SoftDay {
        day: day[0].day,
        sides: counts,
        shown_soft,
    }
}
