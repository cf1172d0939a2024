//! A level day by day: the verdict after each day it was asked; how stay became
//! confirm, and confirm advance.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::ease;
use super::rails::{Tally, failing, rails};
use super::side_drop::side_drop;
use super::verdict::{Gated, Verdict, decide};
use super::window::{GateInput, window_of};
use crate::Side;
use crate::day::days_between;
use crate::evidence::readiness::{self, Readiness};
use crate::evidence::{Ask, SoftCount};
use crate::ladder::Gate;

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

/// Soft and asked on one day, all sides.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct SoftDay {
    /// The day.
    pub day: Date,
    /// Soft answers and asks.
    pub all_sides: SoftCount,
    /// Whether every side asked was soft often enough for its gate.
    pub shown_soft: bool,
}

impl SoftDay {
    /// soft / asked.
    pub fn share(&self) -> f64 {
        self.all_sides.share().unwrap_or_default()
    }
}

/// A level's days until a date, and the readiness after them.
#[derive(Debug, Clone)]
pub struct History {
    /// The verdict after each day it was asked, oldest first.
    pub days: Vec<DayVerdict>,
    /// Soft and asked of each day it was asked.
    pub soft_days: Vec<SoftDay>,
    /// The readiness after the asks that count.
    pub readiness: Readiness,
    /// How many of the asks count: all, but for soft ones at the very end that
    /// would close a gate that stood open before them.
    pub counted: usize,
}

/// Walks over a level's days. `asks` are in order; `below` are the days of the
/// level below.
pub fn walk(asks: &[Ask], gate: &Gate, sides: &'static [Side], below: &[SoftDay]) -> History {
    let mut history = History {
        days: Vec::new(),
        soft_days: Vec::new(),
        readiness: Readiness::default(),
        counted: 0,
    };
    let mut before = Readiness::default();
    let mut end = 0;
    for day in asks.chunk_by(|a, b| a.day == b.day) {
        let start = end;
        end += day.len();
        let end_of_day = EndOfDay {
            asks: &asks[..end],
            start,
            before: &before,
            gate,
            sides,
            below: share_below(below, gate, day[0].day),
        };
        let all = end_of_day.counting(end);
        let after_all = all.readiness;
        let seen = all.seen;
        let counted_asks = end_of_day.counted_asks(all);
        history.soft_days.push(soft_day(day, gate, sides));
        history.days.push(end_of_day.verdict(seen, &counted_asks));
        history.counted = counted_asks.counted;
        history.readiness = counted_asks.readiness;
        before = after_all;
    }
    history
}

/// The end of one day at a level.
struct EndOfDay<'a> {
    asks: &'a [Ask],
    /// Where the day's asks begin.
    start: usize,
    before: &'a Readiness,
    gate: &'a Gate,
    sides: &'static [Side],
    below: Option<f64>,
}

/// What the gate is held against that evening.
struct CountedAsks<'a> {
    counted: usize,
    /// The asks in the window.
    seen: &'a [Ask],
    readiness: Readiness,
    gated: Gated,
    rails: u32,
}

impl<'a> EndOfDay<'a> {
    /// All asks count. But one more soft answer must never close a gate that
    /// stood open before it (it could: by making the day look like a good day, or
    /// the better side better still), so soft answers at the very end are left
    /// out where that opens the gate.
    fn counted_asks(&self, all: CountedAsks<'a>) -> CountedAsks<'a> {
        if all.gated.passes || !all.gated.only_hurt_by_soft {
            return all;
        }
        let trailing = self.asks[self.start..]
            .iter()
            .rev()
            .take_while(|ask| ask.soft)
            .count();
        (1..=trailing)
            .map(|fewer| self.counting(self.asks.len() - fewer))
            .find(|counted_asks| counted_asks.gated.passes)
            .unwrap_or(all)
    }

    fn counting(&self, counted: usize) -> CountedAsks<'a> {
        let mut readiness = *self.before;
        if counted > self.start {
            let day = &self.asks[self.start..counted];
            readiness.day(day[0].day, &readiness::DayEvidence::of(day));
        }
        let on = self.asks[self.start].day;
        let seen = window_of(&self.asks[..counted], self.gate, on);
        let shown = GateInput {
            asks: &self.asks[..counted],
            on,
            readiness: &readiness,
            below: self.below,
            sides: self.sides,
        };
        let tally = Tally::of(&shown, seen, self.gate);
        CountedAsks {
            counted,
            seen,
            gated: Gated::of(failing(&shown, &tally, self.gate)),
            rails: rails(&shown, self.gate).count() as u32,
            readiness,
        }
    }

    /// The verdict by the gate alone. On a day it was asked, a level is being
    /// retested, so it is not rusty.
    fn verdict(&self, seen: &[Ask], counted_asks: &CountedAsks<'_>) -> DayVerdict {
        let on = self.asks[self.start].day;
        let dropped = side_drop(seen).is_some();
        let eased = ease::by_share(seen, self.gate).is_some();
        DayVerdict {
            day: on,
            verdict: decide(&counted_asks.gated, dropped, eased, true, false),
            passes: counted_asks.gated.passes,
            rails_filled: counted_asks.rails - counted_asks.gated.fails,
            rails: counted_asks.rails,
        }
    }
}

fn soft_day(day: &[Ask], gate: &Gate, sides: &'static [Side]) -> SoftDay {
    let shown_soft = sides.iter().all(|side| {
        let of_side = SoftCount::of(day.iter().filter(|ask| ask.side == *side));
        let needed = gate.soft_share * f64::from(of_side.asked) - 1e-9;
        of_side.asked > 0 && f64::from(of_side.soft) >= needed
    });
    SoftDay {
        day: day[0].day,
        all_sides: SoftCount::of(day),
        shown_soft,
    }
}

/// Soft share of the level below on the last day it was asked inside the window.
pub fn share_below(below: &[SoftDay], gate: &Gate, on: Date) -> Option<f64> {
    if !gate.level_below {
        return None;
    }
    let until = below.partition_point(|tally| tally.day <= on);
    let last = below[..until].last()?;
    (days_between(last.day, on) < i64::from(gate.window_days)).then(|| last.share())
}
