//! What a rule did, held against what was true.

use serde::Serialize;

use super::family::Family;
use super::population::BenchHorse;
use super::{FALSE_BELOW, Rule};
use crate::judge::Verdict;

/// True readiness of the weaker side under which sending the horse back is due.
const EASE_DUE_BELOW: f64 = 0.35;

/// A rule on one population.
#[derive(Debug, Clone, PartialEq, Serialize)]
pub struct RuleResult {
    /// The rule.
    pub rule: &'static str,
    /// Horses that were advanced.
    pub advanced: usize,
    /// Share of the advances that were false.
    pub false_share: f64,
    /// Share of the horses that never became ready and were advanced falsely.
    pub false_of_never_ready: f64,
    /// Median true readiness of the weaker side of the falsely advanced.
    pub false_readiness: Option<f64>,
    /// Median rides by which they were early: until the weaker side was at the need
    /// after all; none where more than half never were.
    pub rides_early: Option<i64>,
    /// Rides from being ready to being advanced: lower quartile, median, upper
    /// quartile over all horses that became ready; none beyond the last ride.
    pub delay: [Option<i64>; 3],
    /// Share of the horses that became ready and were not advanced.
    pub never_advanced: f64,
}

impl RuleResult {
    /// Runs `rule` over `horses`.
    pub fn of(rule: Rule, horses: &[BenchHorse]) -> RuleResult {
        RuleResult::of_advances(rule.name(), horses, |horse| rule.advances_at(horse))
    }

    /// What came of advancing each horse after the ride that `advances_at` names.
    pub fn of_advances(
        rule: &'static str,
        horses: &[BenchHorse],
        advances_at: impl Fn(&BenchHorse) -> Option<usize>,
    ) -> RuleResult {
        let mut advances = Advances::default();
        for horse in horses {
            advances.add(horse, advances_at(horse));
        }
        advances.result(rule)
    }
}

#[derive(Default)]
struct Advances {
    advanced: usize,
    false_advances: usize,
    never_ready: usize,
    never_ready_false: usize,
    /// True readiness of the falsely advanced.
    false_readiness: Vec<f64>,
    /// Rides until they were at the need after all; none beyond the last ride.
    rides_early: Vec<Option<i64>>,
    delays: Vec<Option<i64>>,
}

impl Advances {
    fn add(&mut self, horse: &BenchHorse, advanced: Option<usize>) {
        let ready = horse.ready_at();
        let is_false = advanced.is_some_and(|ride| horse.truth[ride].weakest() < FALSE_BELOW);
        self.advanced += usize::from(advanced.is_some());
        self.false_advances += usize::from(is_false);
        if let Some(ride) = advanced.filter(|_| is_false) {
            self.false_readiness.push(horse.truth[ride].weakest());
            let later = horse.truth[ride..].iter();
            self.rides_early.push(
                later
                    .clone()
                    .position(|truth| truth.weakest() >= FALSE_BELOW)
                    .map(|rides| rides as i64),
            );
        }
        match ready {
            Some(ready) => self
                .delays
                .push(advanced.map(|ride| ride as i64 - ready as i64)),
            None => {
                self.never_ready += 1;
                self.never_ready_false += usize::from(is_false);
            }
        }
    }

    fn result(mut self, rule: &'static str) -> RuleResult {
        let none_last = |rides: &Option<i64>| rides.unwrap_or(i64::MAX);
        self.delays.sort_unstable_by_key(none_last);
        self.rides_early.sort_unstable_by_key(none_last);
        self.false_readiness.sort_unstable_by(f64::total_cmp);
        let count = self.delays.len();
        let at = |quarter: usize| self.delays.get(count * quarter / 4).copied().flatten();
        let falsely = self.false_readiness.len();
        let share = |part: usize, of: usize| part as f64 / of.max(1) as f64;
        RuleResult {
            rule,
            advanced: self.advanced,
            false_share: share(self.false_advances, self.advanced),
            false_of_never_ready: share(self.never_ready_false, self.never_ready),
            false_readiness: self.false_readiness.get(falsely / 2).copied(),
            rides_early: self.rides_early.get(falsely / 2).copied().flatten(),
            delay: [at(1), at(2), at(3)],
            never_advanced: share(
                self.delays.iter().filter(|delay| delay.is_none()).count(),
                count,
            ),
        }
    }
}

/// Of the rides with at least six asks on a horse whose true readiness was far
/// under one half on both sides, the share on which the judge did not send it
/// back.
pub fn missed_ease_backs(horses: &[BenchHorse]) -> f64 {
    let level = Family::Give.level();
    let (mut due, mut missed) = (0usize, 0usize);
    for horse in horses {
        let history = horse.judged_to_the_end().history;
        for ((day, truth), soft_day) in history
            .days
            .iter()
            .zip(&horse.truth)
            .zip(&history.soft_days)
        {
            if truth.left.max(truth.right) < EASE_DUE_BELOW
                && soft_day.all_sides().asked >= level.gate.ease_reps
            {
                due += 1;
                missed += usize::from(!matches!(
                    day.verdict,
                    Verdict::EaseBack | Verdict::CheckFirst
                ));
            }
        }
    }
    missed as f64 / due.max(1) as f64
}
