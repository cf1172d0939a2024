//! An earlier judgement of the same horse, and how much of it still holds. A day's end rests
//! on what is dated until that day and on nothing later: so all days before the first
//! difference stand as they were.

use jiff::ToSpan;
use jiff::civil::Date;

use super::by_day::said::said;
use super::held::saying::Said;
use super::history::Walked;
use super::horse_file::{HorseFile, RideFacts};
use super::standing::Standing;
use crate::evidence::Ask;
use crate::ladder::Ladder;

/// A horse that was judged before, from asks of which many may be the same.
#[derive(Debug, Clone, Copy)]
pub struct JudgedBefore<'a> {
    /// The ladder it stood on.
    pub ladder: &'a Ladder,
    /// What was known.
    pub file: &'a HorseFile,
    /// What was said.
    pub standings: &'a [Standing],
    /// The date.
    pub on: Date,
}

/// What is judged now.
#[derive(Clone, Copy)]
pub(super) struct JudgedNow<'a> {
    pub(super) ladder: &'a Ladder,
    pub(super) file: &'a HorseFile,
    pub(super) said: &'a [Vec<Said>],
    pub(super) on: Date,
}

impl<'a> JudgedBefore<'a> {
    /// What was walked before of each level, and from which day on it may be otherwise now.
    pub(super) fn walked(&self, now: JudgedNow<'_>) -> Vec<Option<Walked<'a>>> {
        let mut walked: Vec<Option<Walked<'a>>> = (0..now.ladder.levels.len())
            .map(|index| self.level(index, now))
            .collect();
        let asks_from = walked.iter().flatten().map(|walked| walked.asks_from).min();
        let from = if self.is_same_but_for_days(now) {
            let day_after = self.on.min(now.on).saturating_add(1.day());
            let from = self.rides_from(now.file).min(self.said_from(now));
            from.min(asks_from.unwrap_or(Date::MAX)).min(day_after)
        } else {
            Date::MIN
        };
        for walked in walked.iter_mut().flatten() {
            walked.from = from;
        }
        walked
    }

    /// A level, which may stand elsewhere on another ladder.
    fn level(&self, index: usize, now: JudgedNow<'_>) -> Option<Walked<'a>> {
        let before = self.ladder.position(&now.ladder.levels[index].level)?;
        Some(Walked {
            history: &self.standings.get(before)?.history,
            asks_from: differ_from(
                self.file.asks_until(before, self.on),
                now.file.asks_until(index, now.on),
                |ask: &Ask| ask.day,
            ),
            from: Date::MIN,
        })
    }

    /// Whether all is the same but for asks, rides and words, of which each has its day.
    fn is_same_but_for_days(&self, now: JudgedNow<'_>) -> bool {
        let (before, file) = (self.file, now.file);
        let is_same_ladder = std::ptr::eq(self.ladder, now.ladder) || self.ladder == now.ladder;
        is_same_ladder
            && self.standings.len() == now.ladder.levels.len()
            && before.sex == file.sex
            && before.care == file.care
            && before.answers == file.answers
            && before.carried == file.carried
    }

    /// A ride that says little of the horse may hold asks of other days than its own.
    fn rides_from(&self, file: &HorseFile) -> Date {
        let same = same(&self.file.rides, &file.rides);
        let mut others = self.file.rides[same..].iter().chain(&file.rides[same..]);
        if others.clone().any(RideFacts::is_exceptional) {
            return Date::MIN;
        }
        let first = others.next().map(|ride| ride.day);
        let first = others.map(|ride| ride.day).chain(first).min();
        first.unwrap_or(Date::MAX)
    }

    /// The first day on which other words were said of any level.
    fn said_from(&self, now: JudgedNow<'_>) -> Date {
        let before = said(self.ladder, self.file, self.on);
        let of_level = before.iter().zip(now.said);
        let from = of_level.map(|(before, said)| differ_from(before, said, |said| said.day));
        from.min().unwrap_or(Date::MAX)
    }
}

/// How many leading ones are the same.
fn same<T: PartialEq>(one: &[T], other: &[T]) -> usize {
    let pairs = one.iter().zip(other);
    pairs.take_while(|(one, other)| one == other).count()
}

/// The first day on which two lists in the order of their days differ.
fn differ_from<T: PartialEq>(one: &[T], other: &[T], day: impl Fn(&T) -> Date) -> Date {
    let same = same(one, other);
    let next = one.get(same).into_iter().chain(other.get(same));
    next.map(day).min().unwrap_or(Date::MAX)
}
