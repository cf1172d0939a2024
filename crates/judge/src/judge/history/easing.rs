//! A level that was sent down after a poor ride, and what takes the mark off again.

use jiff::civil::Date;

use super::day::At;
use crate::evidence::Ask;
use crate::judge::by_day::timeline::Timeline;
use crate::judge::held::change::{Because, Change, Moved};
use crate::judge::held::ease::{self, Eased, FIRST_DAYS, highest_held_under};
use crate::judge::held::soft_day::SoftDay;
use crate::ladder::{Ladder, Level};

impl At<'_> {
    /// Sends the level down after a poor ride, or counts a day on the way back up.
    pub(super) fn ease(&mut self, day: Date, start: usize, firsts: bool, seen: &[Ask]) {
        let asks = &self.walk.asks[..self.end()];
        self.history.hold.lighter = None;
        let Some((reason, pause)) = ease::reason(asks, seen, &self.level.gate, self.walk.ladder)
        else {
            if let Some(eased) = &mut self.history.hold.eased
                && start > 0
            {
                eased.asked(firsts);
            }
            return;
        };
        let to = self.highest_held_under(day);
        let days = asks
            .chunk_by(|a, b| a.day == b.day)
            .take(FIRST_DAYS + 1)
            .count();
        if to.is_none() && days <= FIRST_DAYS {
            self.history.hold.lighter = Some(reason);
            return;
        }
        let is_new = self.history.hold.eased.is_none();
        self.history.hold.eased = Some(Eased::on(day, reason, to, pause));
        let (moved, because) = (Moved::Eased, Because::Poor);
        self.moved(is_new.then_some(Change {
            day,
            moved,
            because,
        }));
    }

    /// The highest held level under this one on a day.
    fn highest_held_under(&self, day: Date) -> Option<Level> {
        let held = |index: usize| self.walk.before[index].on(day).is_some();
        let found = highest_held_under(self.level, self.walk.ladder, held)?;
        Some(self.walk.ladder.levels[found].level.clone())
    }

    /// Takes the mark of a poor ride off, where evidence does.
    pub(super) fn end_of_ease(&mut self, day: Date) {
        let Some(eased) = &self.history.hold.eased else {
            return;
        };
        let is_over = match eased.pause {
            Some((ride_id, rides)) => self.walk.file.rides_since(ride_id, day) >= rides,
            None => eased.firsts_are_soft() && self.went_back_soft(eased, day),
        };
        if is_over {
            self.history.hold.eased = None;
            let (moved, because) = (Moved::EaseEnded, Because::Soft);
            self.moved(Some(Change {
                day,
                moved,
                because,
            }));
        }
    }

    /// Whether what a level went back to is soft.
    fn went_back_soft(&self, eased: &Eased, day: Date) -> bool {
        went_back_soft(
            self.walk.ladder,
            self.walk.before,
            self.walk.soft_days,
            eased,
            day,
        )
    }
}

/// Whether what a level went back to is soft on a day: held and not in doubt, and soft on the
/// last day it was asked since; a level with nothing under it went back to nothing.
pub fn went_back_soft(
    ladder: &Ladder,
    timelines: &[Timeline],
    soft_days: &[Vec<SoftDay>],
    eased: &Eased,
    day: Date,
) -> bool {
    let Some(to) = eased.to.as_ref().and_then(|to| ladder.position(to)) else {
        return true;
    };
    let stands = timelines[to].on(day).is_some_and(|step| !step.in_doubt);
    let since = |soft: &&SoftDay| soft.day > eased.since && soft.day <= day;
    let last = soft_days[to].iter().rfind(since);
    stands && last.is_none_or(|last| last.shown_soft)
}
