//! The candidate rules. Each looks at what was seen until a ride and says from
//! which ride on it would advance the horse.

use crate::Side;
use crate::evidence::readiness::{DayEvidence, Readiness};
use crate::evidence::share::{quantile, share_of_days, wilson};
use crate::evidence::{Ask, days_of};

use super::population::BenchHorse;
use crate::judge::held::change::Moved;

/// A candidate.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Rule {
    /// (a) The last three asks of each side were soft.
    ThreeInARow,
    /// (b) Ten rides by the calendar.
    TenRides,
    /// (c) 80 % soft on each side in the last ride.
    LastRide,
    /// (d) Last 10 rides: share and plain Wilson bound.
    WilsonWindow,
    /// (d') The same with days as clusters.
    ClusteredWindow,
    /// (e) Wald's sequential probability ratio test on the last 10 rides.
    Sprt,
    /// (f) Two-state hidden Markov knowledge model.
    KnowledgeModel,
    /// (g) State-space filter of readiness alone.
    Filter,
    /// (h) The shipped gate: the filter, the window of 6 rides, first asks, evenness.
    Shipped,
}

impl Rule {
    /// All candidates.
    pub const ALL: [Rule; 9] = [
        Rule::ThreeInARow,
        Rule::TenRides,
        Rule::LastRide,
        Rule::WilsonWindow,
        Rule::ClusteredWindow,
        Rule::Sprt,
        Rule::KnowledgeModel,
        Rule::Filter,
        Rule::Shipped,
    ];

    /// What it is, for the table.
    pub fn name(self) -> &'static str {
        match self {
            Rule::ThreeInARow => "(a) three soft ones in a row on each side",
            Rule::TenRides => "(b) ten rides by the calendar",
            Rule::LastRide => "(c) 80% on each side in the last ride",
            Rule::WilsonWindow => "(d) window of 10 rides: share 0.80, Wilson bound 0.70",
            Rule::ClusteredWindow => "(d') the same, days as clusters",
            Rule::Sprt => "(e) Wald's SPRT on the last 10 rides, 0.70 against 0.80",
            Rule::KnowledgeModel => "(f) two-state hidden Markov model, 0.95 sure",
            Rule::Filter => "(g) state-space filter, 0.95 sure above 0.70",
            Rule::Shipped => {
                "(h) shipped gate: filter 0.92 sure, window of 6, first asks, evenness"
            }
        }
    }

    /// The ride after which it would advance the horse, and not before.
    pub fn advances_at(self, horse: &BenchHorse) -> Option<usize> {
        match self {
            Rule::Shipped => shipped(horse),
            Rule::Filter => filter(horse),
            Rule::KnowledgeModel => knowledge_model(horse),
            _ => (0..horse.days.len()).find(|ride| self.holds_at(horse, *ride)),
        }
    }

    fn holds_at(self, horse: &BenchHorse, ride: usize) -> bool {
        let each = |holds: &dyn Fn(Side) -> bool| Side::EACH.into_iter().all(holds);
        match self {
            Rule::ThreeInARow => each(&|side| {
                let seen = until(horse, 0, ride);
                let mut last = seen.iter().rev().filter(|ask| ask.side == side).take(3);
                ride >= 1 && last.all(|ask| ask.soft)
            }),
            Rule::TenRides => ride == 9,
            Rule::LastRide => each(&|side| {
                let (soft, asked) = count(until(horse, ride, ride), side);
                soft >= 0.8 * asked
            }),
            Rule::WilsonWindow => each(&|side| {
                let (soft, asked) = count(window(horse, ride), side);
                let z = quantile(0.90, false);
                ride >= 2
                    && asked >= 12.0
                    && soft >= 0.8 * asked
                    && wilson(soft / asked, asked, z).low >= 0.70
            }),
            Rule::ClusteredWindow => each(&|side| {
                let days = days_of(window(horse, ride), side);
                let found = share_of_days(&days, 0.05, quantile(0.90, false));
                found.is_some_and(|share| {
                    days.len() >= 3
                        && share.asked >= 12
                        && share.share >= 0.8
                        && share.interval.low >= 0.70
                })
            }),
            _ => each(&|side| {
                let (soft, asked) = count(window(horse, ride), side);
                let ratio = soft * (0.80f64 / 0.70).ln() + (asked - soft) * (0.20f64 / 0.30).ln();
                ride >= 2 && ratio >= (0.90f64 / 0.05).ln()
            }),
        }
    }
}

fn until(horse: &BenchHorse, from: usize, ride: usize) -> &[Ask] {
    let (first, last) = (horse.days[from], horse.days[ride]);
    let start = horse.asks.partition_point(|ask| ask.day < first);
    let end = horse.asks.partition_point(|ask| ask.day <= last);
    &horse.asks[start..end]
}

fn window(horse: &BenchHorse, ride: usize) -> &[Ask] {
    until(horse, (ride + 1).saturating_sub(10), ride)
}

fn count(asks: &[Ask], side: Side) -> (f64, f64) {
    let asked = asks.iter().filter(|ask| ask.side == side);
    (
        asked.clone().filter(|ask| ask.soft).count() as f64,
        asked.count() as f64,
    )
}

fn filter(horse: &BenchHorse) -> Option<usize> {
    let mut readiness = Readiness::default();
    let rides = horse.asks.chunk_by(|a, b| a.day == b.day);
    rides.enumerate().position(|(ride, day)| {
        readiness.day(day[0].day, &DayEvidence::of(day));
        let sure = |side| readiness.sure_above(side, super::limits::FALSE_BELOW) >= 0.95;
        ride >= 2 && Side::EACH.into_iter().all(sure)
    })
}

/// Corbett and Anderson, User Modeling and User-Adapted Interaction 4 (1995)
/// 253-278 (from memory): known or not; learns with each ask, slips, guesses. The
/// four figures are ours, near the middle of the reference population.
fn knowledge_model(horse: &BenchHorse) -> Option<usize> {
    const LEARNS: f64 = 0.02;
    const SLIPS: f64 = 0.13;
    const GUESSES: f64 = 0.55;
    let mut known = [0.05f64; 2];
    let rides = horse.asks.chunk_by(|a, b| a.day == b.day);
    rides.enumerate().position(|(ride, day)| {
        for ask in day {
            let p = &mut known[usize::from(ask.side == Side::Right)];
            let (if_known, if_not) = if ask.soft {
                (1.0 - SLIPS, GUESSES)
            } else {
                (SLIPS, 1.0 - GUESSES)
            };
            let after = *p * if_known / (*p * if_known + (1.0 - *p) * if_not);
            *p = after + (1.0 - after) * LEARNS;
        }
        ride >= 2 && known.iter().all(|p| *p >= 0.95)
    })
}

fn shipped(horse: &BenchHorse) -> Option<usize> {
    let judged = horse.judged_to_the_end();
    let mut changes = judged.history.changes.iter();
    let gained = changes.find(|change| change.moved == Moved::Gained)?;
    horse.days.iter().position(|day| *day == gained.day)
}
