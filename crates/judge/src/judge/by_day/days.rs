//! The days on which anything happened to the horse, numbered, and on which of them each
//! level was shown soft.

use jiff::civil::Date;

use crate::day::days_between;
use crate::judge::held::saying::Said;
use crate::judge::held::soft_day::SoftDay;
use crate::judge::horse_file::HorseFile;
use crate::ladder::Ladder;

/// The days on which anything happened, oldest first.
#[derive(Debug, Clone, Default)]
pub struct Days {
    days: Vec<Date>,
}

impl Days {
    /// The days of a horse until `on`: asks, rides, care and what was said.
    pub fn of(file: &HorseFile, soft_days: &[Vec<SoftDay>], said: &[Vec<Said>], on: Date) -> Days {
        let mut days: Vec<Date> = soft_days.iter().flatten().map(|soft| soft.day).collect();
        days.extend(file.rides.iter().map(|ride| ride.day));
        for note in &file.care {
            days.push(note.day);
            days.extend(note.cleared_on);
        }
        days.extend(file.answers.iter().map(|answer| answer.day));
        days.extend(said.iter().flatten().map(|said| said.day));
        days.extend(file.carried.as_ref().map(|carried| carried.from));
        days.retain(|day| *day <= on);
        days.sort_unstable();
        days.dedup();
        Days { days }
    }

    /// All of them, oldest first.
    pub fn all(&self) -> &[Date] {
        &self.days
    }

    /// Those from a day on.
    pub fn from(&self, from: Date) -> &[Date] {
        &self.days[self.days.partition_point(|day| *day < from)..]
    }

    /// How many.
    pub fn len(&self) -> usize {
        self.days.len()
    }

    /// Whether nothing ever happened.
    pub fn is_empty(&self) -> bool {
        self.days.is_empty()
    }

    /// The number of a day on which something happened.
    fn number(&self, day: Date) -> Option<usize> {
        self.days.binary_search(&day).ok()
    }

    /// How many days lie at or before `day`.
    fn until(&self, day: Date) -> usize {
        self.days.partition_point(|one| *one <= day)
    }
}

/// On which days each level was shown soft, itself or in one that is built on it, or was
/// said to count: who rolls back soft has kept the stop.
#[derive(Debug, Clone)]
pub struct Shown<'a> {
    days: &'a Days,
    /// A bit a day, by level.
    bits: Vec<Vec<u64>>,
}

impl<'a> Shown<'a> {
    /// Of all levels of a ladder.
    pub fn of(
        ladder: &Ladder,
        days: &'a Days,
        soft_days: &[Vec<SoftDay>],
        said: &[Vec<Said>],
    ) -> Shown<'a> {
        let words = days.len().div_ceil(64);
        let mut bits = vec![vec![0u64; words]; ladder.levels.len()];
        let set = |bits: &mut Vec<u64>, day: Date| {
            if let Some(number) = days.number(day) {
                bits[number / 64] |= 1 << (number % 64);
            }
        };
        for index in (0..ladder.levels.len()).rev() {
            for day in soft_days[index].iter().filter(|day| day.shown_soft) {
                set(&mut bits[index], day.day);
            }
            for said in said[index].iter().filter(|said| said.counts()) {
                set(&mut bits[index], said.day);
            }
            let level = &ladder.levels[index];
            for need in level.below.iter().chain(level.needs.iter().flatten()) {
                // Needs come first on a ladder.
                let (under, above) = bits.split_at_mut(index);
                for (word, own) in under[*need].iter_mut().zip(&above[0]) {
                    *word |= own;
                }
            }
        }
        Shown { days, bits }
    }

    /// The last day until `on` on which a level was shown soft.
    pub fn last(&self, index: usize, on: Date) -> Option<Date> {
        let until = self.days.until(on);
        let bits = &self.bits[index];
        for word in (0..until.div_ceil(64)).rev() {
            let kept = until - word * 64;
            let mask = if kept >= 64 {
                u64::MAX
            } else {
                (1 << kept) - 1
            };
            let left = bits[word] & mask;
            if left != 0 {
                return Some(self.days.days[word * 64 + 63 - left.leading_zeros() as usize]);
            }
        }
        None
    }

    /// Whether a level was not shown soft for more than so many days on `on`.
    pub fn is_rusty(&self, index: usize, after_days: u32, on: Date) -> bool {
        self.last(index, on)
            .is_some_and(|last| days_between(last, on) > i64::from(after_days))
    }
}
