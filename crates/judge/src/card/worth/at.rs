//! One level with everything its worth on today's card is made of.

use crate::card::day::Day;
use crate::card::horse::Horse;
use crate::card::limits::Limits;
use crate::judge::{BrakeChain, Standing};
use crate::ladder::LadderLevel;

use super::candidate::{Candidate, Role, Why};

/// What the trainer wants comes before all else.
const WANTED: f64 = 100.0;
/// What the week's plan names. Product default.
const AIM: f64 = 6.0;

/// A level with everything its worth is made of.
pub(super) struct At<'a> {
    pub(super) horse: Horse<'a>,
    pub(super) day: &'a Day,
    pub(super) index: usize,
    pub(super) level: &'a LadderLevel,
    pub(super) standing: &'a Standing,
    pub(super) planned: Option<usize>,
    pub(super) brake: BrakeChain,
}

impl<'a> At<'a> {
    pub(super) fn of(horse: Horse<'a>, day: &'a Day, limits: &Limits, index: usize) -> At<'a> {
        let level = &horse.ladder.levels[index];
        At {
            horse,
            day,
            index,
            level,
            standing: &horse.standings[index],
            planned: day
                .planned
                .iter()
                .position(|block| block.level == level.level),
            brake: limits.brake,
        }
    }

    pub(super) fn is_new(&self) -> bool {
        self.standing.last_asked.is_none() && !self.standing.counts_as_held()
    }

    /// 1 at the gate, towards 0 far from it.
    pub(super) fn closeness(&self) -> f64 {
        match self.standing.nearest {
            None => 0.5,
            Some(nearest) => nearest
                .days
                .map_or(0.05, |days| 1.0 / (1.0 + f64::from(days) / 3.0)),
        }
    }

    /// The days it has stood, as a part of the days after which it is rusty.
    pub(super) fn stood(&self) -> f64 {
        let kept = &self.standing.retention;
        let days = kept.idle_days.unwrap_or_default();
        f64::from(days) / f64::from(kept.rusty_after_days.max(1))
    }

    pub(super) fn ready(&self) -> f64 {
        self.level
            .asked_sides()
            .iter()
            .map(|side| self.standing.history.readiness.now(*side))
            .fold(1.0, f64::min)
    }

    pub(super) fn candidate(&self, role: Role, worth: f64, minutes: u32, why: Why) -> Candidate {
        Candidate {
            index: self.index,
            role,
            worth,
            minutes,
            why,
        }
    }

    /// What the trainer's own word adds, and the reason it then has.
    pub(super) fn wanted(&self, worth: f64, why: Why) -> (f64, Why) {
        match self.planned {
            Some(planned) => (worth + WANTED, Why::Planned(planned)),
            None if self.day.aim.as_ref() == Some(&self.level.level) => (worth + AIM, Why::Aim),
            None => (worth, why),
        }
    }
}
