//! One level, walked from the first day to the last.

use jiff::civil::Date;

use super::between::Between;
use super::day::At;
use super::given::LevelWalk;
use super::told::{History, Walked};
use crate::evidence::readiness::Readiness;
use crate::judge::by_day::timeline::Timeline;
use crate::judge::held::hold::Hold;

impl LevelWalk<'_> {
    /// Walks over the level's days.
    pub fn walk(&self) -> History {
        let level = &self.ladder.levels[self.index];
        let carried = self.file.carried.as_ref();
        let (from, history) = self.taken_up();
        let mut at = At {
            walk: self,
            level,
            sides: level.asked_sides(),
            begins: carried.map_or(Date::MIN, |carried| carried.from),
            same: self.same_days(),
            history: History {
                soft_days: self.soft_days[self.index].clone(),
                ..history
            },
        };
        let needs = self.need_days();
        let mut said = self.said.partition_point(|said| said.day < from);
        let mut need = needs.partition_point(|day| *day < from);
        let days = self.days.from(from);
        for day in days {
            let is_asked = self.asks.get(at.end()).is_some_and(|ask| ask.day == *day);
            let told = self.said[said..].partition_point(|one| one.day <= *day);
            let changed = needs[need..].partition_point(|one| one <= day);
            let of_day = &self.said[said..said + told];
            said += told;
            need += changed;
            if is_asked || !of_day.is_empty() || changed > 0 || at.is_waiting_for_a_day(*day) {
                if Some(day) == days.last() {
                    at.history.remember_before(*day);
                }
                at.day(*day, is_asked, of_day);
            }
        }
        at.history
    }

    /// How the level stood before the first day to walk, and that day.
    fn taken_up(&self) -> (Date, History) {
        // From the first of all days on, nothing holds: not even what was carried over.
        let holds = |walked: &Walked<'_>| walked.from > Date::MIN;
        let known = self.walked.filter(holds).and_then(|walked| {
            let history = walked.history.before(walked.from)?;
            Some((walked.from, history))
        });
        known.unwrap_or_else(|| (Date::MIN, self.before_all()))
    }

    fn before_all(&self) -> History {
        let level = &self.ladder.levels[self.index];
        let carried = self.file.carried.as_ref();
        let known = carried.and_then(|carried| carried.levels.get(&level.level));
        History {
            days: Vec::new(),
            soft_days: Vec::new(),
            changes: known.map(|known| known.changes.clone()).unwrap_or_default(),
            hold: known.map_or_else(|| Hold::new(level.safety), |known| known.hold.clone()),
            timeline: Timeline::default(),
            readiness: Readiness::default(),
            counted: 0,
            from: 0,
            after: Vec::new(),
            between: Between::default(),
            before_last: None,
        }
    }

    /// The days on which something changed of what the level needs.
    fn need_days(&self) -> Vec<Date> {
        let level = &self.ladder.levels[self.index];
        let needs = level.below.iter().chain(level.needs.iter().flatten());
        let mut days: Vec<Date> = needs.flat_map(|need| self.before[*need].days()).collect();
        days.sort_unstable();
        days
    }

    /// How many leading days of the asks are those of an earlier walk.
    fn same_days(&self) -> usize {
        let Some(walked) = self.walked else { return 0 };
        let days = &walked.history.soft_days;
        days.partition_point(|soft| soft.day < walked.asks_from)
    }
}
