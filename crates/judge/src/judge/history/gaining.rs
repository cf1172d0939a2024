//! The gate at the end of a day, and the advance where it stands open.

use jiff::civil::Date;

use super::below::below;
use super::between::OpenGate;
use super::day::At;
use super::end_of_day::EndOfDay;
use super::told::DayVerdict;
use crate::day::days_between;
use crate::evidence::Ask;
use crate::judge::by_day::timeline::Needs;
use crate::judge::held::change::Because;
use crate::judge::held::hold::Phase;
use crate::judge::held::saying::HeldBy;
use crate::judge::verdict::{Verdict, decide};
use crate::judge::window::Below;

impl At<'_> {
    /// Holds the day's asks against the gate.
    pub(super) fn check(&mut self, day: Date, start: usize, seen: &[Ask]) {
        let number = self.history.after.len();
        let before = number.checked_sub(1).map(|last| self.history.after[last]);
        let before = before.unwrap_or_default();
        let known = self.walk.walked.filter(|_| number < self.same);
        let end_of_day = EndOfDay {
            asks: &self.walk.asks[..self.end()],
            from: self.history.from,
            start,
            before: &before,
            known: known.map(|walked| &walked.history.after[number]),
            gate: &self.history.hold.gate(&self.level.gate),
            sides: self.sides,
            below: self.below(day),
            // After a loss another gate is looked at, and its window may end sooner.
            seen: (!self.history.hold.begins_anew()
                && self.history.from + seen.len() <= self.end())
            .then_some(seen),
        };
        let all = end_of_day.counting(self.end());
        self.history.after.push(all.readiness);
        let counted = end_of_day.counted_asks(all);
        self.history.counted = counted.counted;
        self.history.readiness = counted.readiness;
        self.history.between.open = counted.gated.passes_but_below.then_some(OpenGate { day });
        self.history.days.push(DayVerdict {
            day,
            verdict: decide(&counted.gated, false, false, true, false),
            passes: counted.gated.passes,
            rails_filled: counted.rails - counted.gated.fails,
            rails: counted.rails,
        });
    }

    fn below(&self, day: Date) -> Option<Below> {
        let soft_days = &self.walk.soft_days[self.level.below?];
        below(self.walk.ladder, self.level, soft_days, day)
    }

    /// Whether every rail passes on a day: as they did on the last day the level was asked,
    /// for as long as that lies in the window, and the level below as it is now.
    fn is_open(&self, day: Date) -> bool {
        let gate = &self.level.gate;
        let in_window = |open: OpenGate| days_between(open.day, day) < i64::from(gate.window_days);
        let below_is_soft = self.history.hold.owes_way_back
            || self
                .below(day)
                .is_none_or(|below| below.is_soft(gate.soft_share, self.sides));
        self.history.between.open.is_some_and(in_window) && below_is_soft
    }

    /// The gate stands open, and all it needs is held and not in doubt: the level is held.
    pub(super) fn advance(&mut self, day: Date, is_asked: bool, needs: &mut Needs) {
        let hold = &self.history.hold;
        let held_back = hold.eased.is_some()
            || hold.dropped.is_some()
            || self.walk.cautions.hold_back(self.level, day);
        if !self.is_open(day) || held_back || hold.phase == Phase::KeptBack {
            return;
        }
        if hold.is_held() {
            if needs.are_good() && is_asked {
                self.history.hold.passed_days += 1;
                if self.history.hold.by != HeldBy::Gate {
                    self.history.hold.proven();
                }
            }
            return;
        }
        if needs.are_good() {
            let because = if hold.owes_way_back {
                Because::InARow
            } else {
                Because::Gate
            };
            let rests_anew = hold.was_held && self.rests_anew(day);
            let change = self.history.hold.gain(day, because);
            self.history.hold.passed_days = 1;
            // Shown while what it rests on was away: a cold test comes before anything above.
            self.history.hold.retest = rests_anew.then_some(day);
            self.moved(Some(change));
        }
    }

    /// Whether something it needs came back on that very day.
    fn rests_anew(&self, day: Date) -> bool {
        let needs = self
            .level
            .below
            .iter()
            .chain(self.level.needs.iter().flatten());
        needs
            .clone()
            .any(|need| self.walk.before[*need].came_back_on(day))
    }

    /// What the judge said that evening. On a day it was asked, a level is being retested,
    /// so it is not rusty.
    pub(super) fn verdict_of(&mut self, day: Date, needs: &Needs) {
        let hold = &self.history.hold;
        let cautions = hold.dropped.is_some() || self.walk.cautions.hold_back(self.level, day);
        let sent_down = hold.eased.is_some();
        let good = needs.are_good() && hold.in_doubt.is_none() && hold.retest.is_none();
        let Some(said) = self.history.days.last_mut() else {
            return;
        };
        if cautions {
            said.verdict = Verdict::CheckFirst;
        } else if sent_down {
            said.verdict = Verdict::EaseBack;
        } else if said.verdict == Verdict::Advance && !good {
            said.verdict = Verdict::Stay;
        }
    }
}
