//! What the answers of a held level take off it, side by side.
//!
//! # Rule
//! Every answer that is not soft puts [`FOR_A_MISS`] points on its side, every soft one
//! takes one off, never below nothing; within one ride a side rises by at most
//! [`MOST_A_RIDE`] above where the ride began. From [`WATCHED_FROM`] on the side is
//! watched, from [`IN_DOUBT_FROM`] on the level is in doubt, at [`LOST_AT`] it is lost.
//! Where rides have one ask a side, points say too little: there the level is lost at
//! [`SINGLE_MISSES`] of the side's last [`SINGLES`] not soft, on two days.
//!
//! Source: common practice of the trade, no source; the figures are product defaults,
//! measured on the bench (docs/judge.md, "Afterwards").

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::Side;

/// Points of an answer that is not soft.
pub const FOR_A_MISS: u32 = 3;
/// Points a side rises in one ride at the most.
pub const MOST_A_RIDE: u32 = 4;
/// Points from which on a side is asked a little every ride.
pub const WATCHED_FROM: u32 = 3;
/// Points from which on a level is in doubt.
pub const IN_DOUBT_FROM: u32 = 7;
/// Points at which a level is lost.
pub const LOST_AT: u32 = 14;
/// Asks looked back where rides have one ask a side.
pub const SINGLES: usize = 10;
/// Of those not soft, and the level is lost.
pub const SINGLE_MISSES: usize = 6;
/// Days on which they have to lie.
const SINGLE_DAYS: usize = 2;
/// Answers named as the evidence of a doubt or a loss.
const TOLD: usize = 10;

/// Answers of a side that were not soft: the evidence under a doubt or a loss.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Missed {
    /// The side.
    pub side: Side,
    /// Answers that were not soft.
    pub missed: u32,
    /// Out of so many.
    pub asked: u32,
    /// The day of the first of them.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub from: Date,
}

/// What stands against one side of a held level.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AgainstSide {
    /// The side.
    pub side: Side,
    /// Points against it.
    pub points: u32,
    /// Points from which on the level is in doubt.
    pub in_doubt_from: u32,
    /// Points at which it is lost.
    pub lost_at: u32,
}

/// The place of a side among two: what is asked on both counts as left.
pub(super) fn slot(side: Side) -> usize {
    usize::from(side == Side::Right)
}

/// What stands against one side.
#[derive(Debug, Clone, PartialEq, Eq, Default)]
pub struct SideScore {
    points: u32,
    /// The last answers since the points last stood at nothing: what a trainer is told.
    since: Vec<(Date, bool)>,
    /// The last asks of rides that had one ask on this side; emptied by a longer ride.
    singles: Vec<(Date, bool)>,
}

impl SideScore {
    /// Points that stand against the side.
    pub fn points(&self) -> u32 {
        self.points
    }

    /// What was missed of the last answers, since the points last stood at nothing; none at
    /// nothing.
    pub fn missed(&self, side: Side) -> Option<Missed> {
        let missed = || self.since.iter().filter(|(_, soft)| !soft);
        Some(Missed {
            side,
            missed: missed().count() as u32,
            asked: self.since.len() as u32,
            from: missed().next()?.0,
        })
    }

    /// Takes in the answers of one ride, in order; whether the level is lost by them, and
    /// what for.
    pub fn ride(&mut self, side: Side, day: Date, soft: &[bool]) -> Option<Missed> {
        let most = self.points + MOST_A_RIDE;
        for soft in soft {
            self.answer(day, *soft, most);
        }
        if let [only] = soft {
            return self.single(side, day, *only);
        }
        self.singles.clear();
        let lost = self.points >= LOST_AT && soft.contains(&false);
        lost.then(|| self.missed(side)).flatten()
    }

    fn answer(&mut self, day: Date, soft: bool, most: u32) {
        self.points = if soft {
            self.points.saturating_sub(1)
        } else {
            (self.points + FOR_A_MISS).min(most).min(LOST_AT)
        };
        if self.points == 0 {
            self.since.clear();
            return;
        }
        if self.since.len() == TOLD {
            self.since.remove(0);
        }
        self.since.push((day, soft));
    }

    fn single(&mut self, side: Side, day: Date, soft: bool) -> Option<Missed> {
        if self.singles.len() == SINGLES {
            self.singles.remove(0);
        }
        self.singles.push((day, soft));
        let missed: Vec<Date> = self
            .singles
            .iter()
            .filter(|(_, soft)| !soft)
            .map(|(day, _)| *day)
            .collect();
        let mut days = missed.clone();
        days.dedup();
        let lost = !soft && missed.len() >= SINGLE_MISSES && days.len() >= SINGLE_DAYS;
        lost.then(|| Missed {
            side,
            missed: missed.len() as u32,
            asked: self.singles.len() as u32,
            from: self.singles[0].0,
        })
    }
}
