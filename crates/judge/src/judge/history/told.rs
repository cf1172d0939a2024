//! What is told of a level: day by day, what moved it, where it stands.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::between::{Before, Between};
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
    /// Where the walk ended.
    pub(super) between: Between,
    /// How it stood before the last day of all.
    pub(super) before_last: Option<Box<Before>>,
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

    /// Remembers how the level stood before a day.
    pub(super) fn remember_before(&mut self, day: Date) {
        self.before_last = Some(Box::new(Before {
            day,
            between: self.between,
            hold: self.hold.clone(),
            readiness: self.readiness,
            counted: self.counted,
            from: self.from,
            days: self.days.len(),
            changes: self.changes.len(),
            steps: self.timeline.len(),
            after: self.after.len(),
        }));
    }

    /// How the level stood before `from`, where that is still known.
    pub(super) fn before(&self, from: Date) -> Option<History> {
        let ends_before = |between: &Between| between.last.is_none_or(|last| last < from);
        if ends_before(&self.between) {
            return Some(self.clone());
        }
        let before = self.before_last.as_deref()?;
        let is_then = ends_before(&before.between) && from <= before.day;
        is_then.then(|| History {
            days: self.days[..before.days].to_vec(),
            soft_days: Vec::new(),
            changes: self.changes[..before.changes].to_vec(),
            hold: before.hold.clone(),
            timeline: self.timeline.first(before.steps),
            readiness: before.readiness,
            counted: before.counted,
            from: before.from,
            after: self.after[..before.after].to_vec(),
            between: before.between,
            before_last: None,
        })
    }
}

/// A level that was walked before.
#[derive(Debug, Clone, Copy)]
pub struct Walked<'a> {
    /// What came of it.
    pub history: &'a History,
    /// The first day of which it has other asks now.
    pub asks_from: Date,
    /// The first day on which anything of the horse may differ; the first of all days where
    /// the ladder or anything without a day does.
    pub from: Date,
}

impl<'a> Walked<'a> {
    /// What it showed on the days that are the same still.
    pub fn same_soft_days(&self) -> &'a [SoftDay] {
        if self.from == Date::MIN {
            return &[];
        }
        let days = &self.history.soft_days;
        &days[..days.partition_point(|soft| soft.day < self.asks_from)]
    }
}
