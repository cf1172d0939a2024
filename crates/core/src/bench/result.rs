//! What a rule did, held against what was true.

use serde::Serialize;

use super::population::{BenchHorse, judged_level};
use super::{FALSE_BELOW, Rule};
use crate::judge::Verdict;
use crate::judge::history::walk;

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
    /// Rides from being ready to being advanced: lower quartile, median, upper
    /// quartile over all horses that became ready; none beyond the last ride.
    pub delay: [Option<i64>; 3],
    /// Share of the horses that became ready and were not advanced.
    pub never_advanced: f64,
}

impl RuleResult {
    /// Runs `rule` over `horses`.
    pub fn of(rule: Rule, horses: &[BenchHorse]) -> RuleResult {
        let mut tally = Tally::default();
        for horse in horses {
            tally.add(horse, rule.advances_at(horse));
        }
        tally.result(rule)
    }
}

#[derive(Default)]
struct Tally {
    advanced: usize,
    false_advances: usize,
    never_ready: usize,
    never_ready_false: usize,
    delays: Vec<Option<i64>>,
}

impl Tally {
    fn add(&mut self, horse: &BenchHorse, advanced: Option<usize>) {
        let ready = horse.ready_at();
        let is_false = advanced.is_some_and(|ride| horse.truth[ride].weakest() < FALSE_BELOW);
        self.advanced += usize::from(advanced.is_some());
        self.false_advances += usize::from(is_false);
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

    fn result(mut self, rule: Rule) -> RuleResult {
        self.delays
            .sort_unstable_by_key(|delay| delay.unwrap_or(i64::MAX));
        let count = self.delays.len();
        let at = |quarter: usize| self.delays.get(count * quarter / 4).copied().flatten();
        let share = |part: usize, of: usize| part as f64 / of.max(1) as f64;
        RuleResult {
            rule: rule.says(),
            advanced: self.advanced,
            false_share: share(self.false_advances, self.advanced),
            false_of_never_ready: share(self.never_ready_false, self.never_ready),
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
    let level = judged_level();
    let (mut due, mut missed) = (0usize, 0usize);
    for horse in horses {
        let history = walk(&horse.asks, &level.gate, level.asked_sides(), &[]);
        for ((day, truth), tally) in history.days.iter().zip(&horse.truth).zip(&history.tallies) {
            if truth.left.max(truth.right) < EASE_DUE_BELOW && tally.asked >= level.gate.ease_reps {
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
