//! How a level stood on each day, for what rests on it.

use jiff::civil::Date;

use super::days::Shown;
use crate::ladder::LadderLevel;

/// How a level stands from a day on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Step {
    /// From this day on.
    pub day: Date,
    /// It counts as held.
    pub counts: bool,
    /// It counts, but is in doubt.
    pub in_doubt: bool,
    /// Days without a soft showing after which it is rusty.
    pub rusty_after_days: u32,
}

/// How a level stood, by day; before the first step it did not count.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Timeline {
    steps: Vec<Step>,
}

impl Timeline {
    /// Says how it stands from a day on; a day that was said before is said anew.
    pub fn step(&mut self, step: Step) {
        if self.steps.last().is_some_and(|last| last.day == step.day) {
            self.steps.pop();
        }
        let same = |last: &Step| {
            (last.counts, last.in_doubt, last.rusty_after_days)
                == (step.counts, step.in_doubt, step.rusty_after_days)
        };
        let stays_out = self.steps.is_empty() && !step.counts;
        if !stays_out && !self.steps.last().is_some_and(same) {
            self.steps.push(step);
        }
    }

    /// How many steps there are.
    pub(in crate::judge) fn len(&self) -> usize {
        self.steps.len()
    }

    /// Its first steps.
    pub(in crate::judge) fn first(&self, steps: usize) -> Timeline {
        Timeline {
            steps: self.steps[..steps].to_vec(),
        }
    }

    /// The days on which it changed.
    pub fn days(&self) -> impl Iterator<Item = Date> + '_ {
        self.steps.iter().map(|step| step.day)
    }

    /// Whether it came to count on that very day.
    pub fn came_back_on(&self, day: Date) -> bool {
        let until = self.steps.partition_point(|step| step.day <= day);
        let before = until.checked_sub(2).map(|before| &self.steps[before]);
        let last = self.steps[..until].last();
        last.is_some_and(|last| last.day == day && last.counts)
            && before.is_some_and(|before| !before.counts)
    }

    /// How it stood on a day; none while it did not count.
    pub fn on(&self, day: Date) -> Option<&Step> {
        let until = self.steps.partition_point(|step| step.day <= day);
        self.steps[..until].last().filter(|step| step.counts)
    }
}

/// What a level needs, on one day.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Needs {
    /// Not held; of alternatives the first.
    pub missing: Vec<usize>,
    /// Held, but in doubt.
    pub in_doubt: Vec<usize>,
    /// Held, but rusty.
    pub stale: Vec<usize>,
}

impl Needs {
    /// Of a level on a day, by how the levels before it stood.
    pub fn of(level: &LadderLevel, before: &[Timeline], shown: &Shown<'_>, day: Date) -> Needs {
        let mut needs = Needs::default();
        let below = level.below.as_slice();
        let groups = (!below.is_empty()).then_some(below).into_iter();
        for need in groups.chain(level.needs.iter().map(Vec::as_slice)) {
            let held = || {
                let on = |index: &usize| Some((*index, before[*index].on(day)?));
                need.iter().filter_map(on)
            };
            let Some((first, _)) = held().next() else {
                needs.missing.extend(need.first());
                continue;
            };
            let rusty =
                |(index, step): (usize, &Step)| shown.is_rusty(index, step.rusty_after_days, day);
            let mut sure = held().filter(|(_, step)| !step.in_doubt).peekable();
            if sure.peek().is_none() {
                needs.in_doubt.push(first);
            } else if sure.all(rusty) {
                needs.stale.push(first);
            }
        }
        needs
    }

    /// Whether a level on them may advance.
    pub fn are_good(&self) -> bool {
        self.missing.is_empty() && self.in_doubt.is_empty() && self.stale.is_empty()
    }
}
