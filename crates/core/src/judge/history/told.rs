//! What is told of a level: day by day, what moved it, where it stands.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::evidence::Ask;
use crate::evidence::readiness::Readiness;
use crate::judge::by_day::timeline::Timeline;
use crate::judge::held::change::Change;
use crate::judge::held::hold::Hold;
use crate::judge::held::soft_day::SoftDay;
use crate::judge::risk::Passed;
use crate::judge::verdict::Verdict;

/// The verdict at the end of one day.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DayVerdict {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// What the judge said that evening.
    pub verdict: Verdict,
    /// Whether every rail passed.
    pub passes: bool,
    /// Rails that passed.
    pub rails_filled: u32,
    /// Rails of the gate.
    pub rails: u32,
}

/// A level's days until a date, what moved it, and where it stands after them.
#[derive(Debug, Clone)]
pub struct History {
    /// The verdict after each day it was asked, oldest first.
    pub days: Vec<DayVerdict>,
    /// Soft and asked of each day it was asked.
    pub soft_days: Vec<SoftDay>,
    /// What moved it, oldest first.
    pub changes: Vec<Change>,
    /// Where it stands.
    pub hold: Hold,
    /// How it stood on each day, for what rests on it.
    pub timeline: Timeline,
    /// The readiness after the asks that count.
    pub readiness: Readiness,
    /// How many of the asks count: all, but for soft ones at the very end that
    /// would close a gate that stood open before them.
    pub counted: usize,
    /// From which ask on the gate looks: after a loss it begins anew.
    pub from: usize,
    /// The readiness after all asks of each day.
    pub(super) after: Vec<Readiness>,
}

impl History {
    /// What the gate looked at on a day; none before the first ask. `sides` is how many are
    /// asked apart.
    pub fn passed_on(&self, day: Date, sides: usize) -> Option<Passed> {
        let days = self.soft_days.partition_point(|soft| soft.day <= day);
        let last = days.checked_sub(1)?;
        let asked = self.soft_days[..days].iter();
        let asked: u32 = asked.map(|soft| soft.all_sides().asked).sum();
        let readiness = self.after.get(last)?;
        let a_side = f64::from(asked) / sides.max(1) as f64;
        Some(Passed::of(readiness, days, a_side))
    }
}

/// What was walked before over asks that may be the same.
#[derive(Debug, Clone, Copy)]
pub struct Walked<'a> {
    /// The asks.
    pub asks: &'a [Ask],
    /// What came of them.
    pub history: &'a History,
}
