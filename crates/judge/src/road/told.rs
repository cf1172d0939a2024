//! Many futures, added up: the chance to be ready by the date, the range of the day, what
//! decides.

use jiff::ToSpan;
use jiff::civil::Date;
use rand::SeedableRng;
use rand_chacha::ChaCha8Rng;

use super::answer::{GoalRoad, LevelRoad, OnChain, Road};
use super::asked::RoadAsked;
use super::future::{Ahead, Future};
use super::needed::{RoadLevels, road_levels};
use super::words;
use crate::day::days_between;
use crate::ladder::Ladder;

/// Days looked ahead beyond the last goal.
const DAYS_BEYOND: i64 = 84;
/// Levels named on the chain.
const ON_CHAIN: usize = 8;
/// Beyond what is looked ahead.
const NEVER: u32 = u32::MAX;
/// A chance below which a date is at risk. Product default.
pub const AT_RISK: f64 = 0.5;
/// A month later.
pub const MONTH_DAYS: i64 = 28;

/// The days on which a ride is planned, counted from tomorrow as 1: spread over the week,
/// never on all seven days, and never on a day off.
pub fn ride_days(asked: &RoadAsked, days: u32) -> Vec<u32> {
    let a_day = asked.rides_a_week / 7.0;
    let off: Vec<i64> = asked
        .days_off
        .iter()
        .map(|day| days_between(asked.today, *day))
        .collect();
    (1..=days)
        .filter(|day| {
            let by = |day: u32| (f64::from(day) * a_day + 1e-9).floor();
            by(*day) > by(day - 1) && !off.contains(&i64::from(*day))
        })
        .collect()
}

/// The road of a horse to its goals.
pub fn road(ladder: &Ladder, asked: &RoadAsked) -> Road {
    let levels = road_levels(ladder, asked);
    let drawn = Drawn::of(asked, &levels);
    drawn.told(ladder, asked, &levels)
}

/// All futures, as far as they are added up.
pub struct Drawn {
    /// For each goal, the day of each future; [`NEVER`] beyond what is looked ahead.
    goals: Vec<Vec<u32>>,
    /// For each place on the road likewise, all futures of one after the other.
    levels: Vec<u32>,
    on_chain: Vec<u32>,
    futures: u32,
}

impl Drawn {
    /// Draws them.
    pub fn of(asked: &RoadAsked, road: &RoadLevels) -> Drawn {
        let last = asked.goals.iter().map(|goal| goal.day).max();
        let ahead = last.map_or(0, |last| days_between(asked.today, last)) + DAYS_BEYOND;
        let ride_days = ride_days(asked, ahead.max(1) as u32);
        let mut order: Vec<usize> = (0..road.levels.len()).collect();
        // Of equal ways what is begun comes first.
        order.sort_by(|a, b| {
            let key = |at: &usize| &road.levels[*at];
            key(b)
                .ahead
                .total_cmp(&key(a).ahead)
                .then(key(b).stands.asked_rides.cmp(&key(a).stands.asked_rides))
        });
        let mut rank = vec![0; order.len()];
        for (place, at) in order.into_iter().enumerate() {
            rank[at] = place;
        }
        let ahead = Ahead {
            road,
            asked,
            ride_days: &ride_days,
            rank: &rank,
        };
        let mut drawn = Drawn {
            goals: vec![Vec::with_capacity(asked.futures as usize); road.goals.len()],
            levels: vec![NEVER; road.levels.len() * asked.futures as usize],
            on_chain: vec![0; road.levels.len()],
            futures: asked.futures,
        };
        let mut future = Future::default();
        for number in 0..asked.futures {
            let seed = u64::from(asked.seed) << 32 | u64::from(number);
            let mut rng = ChaCha8Rng::seed_from_u64(seed);
            future.draw(&ahead, &mut rng);
            drawn.add(number as usize, &future, road);
        }
        drawn
    }

    fn add(&mut self, number: usize, future: &Future, road: &RoadLevels) {
        for (days, goal) in self.goals.iter_mut().zip(&road.goals) {
            days.push(future.all_held(goal).unwrap_or(NEVER));
        }
        let held = |at: &usize| future.held[*at].unwrap_or(NEVER);
        for at in 0..road.levels.len() {
            self.levels[at * self.futures as usize + number] = held(&at);
        }
        // The path that was longest: from the goal's last level down what it waited for.
        let mut last = road.goals.iter().flatten().copied().max_by_key(held);
        while let Some(at) = last.filter(|at| held(at) > 0) {
            self.on_chain[at] += 1;
            let needs = road.levels[at].needs.iter().copied();
            last = needs.max_by_key(held);
        }
    }

    /// The day of each future on which a level was held.
    fn of_level(&self, at: usize) -> &[u32] {
        let futures = self.futures as usize;
        &self.levels[at * futures..(at + 1) * futures]
    }

    /// Share of the futures in which a goal is reached by a day, counted from today.
    pub fn chance(&self, goal: usize, day: i64) -> f64 {
        share_by(&self.goals[goal], day)
    }

    fn told(&self, ladder: &Ladder, asked: &RoadAsked, road: &RoadLevels) -> Road {
        let name = |at: usize| ladder.levels[road.levels[at].index].name.clone();
        let level = |at: usize| ladder.levels[road.levels[at].index].level.clone();
        let goals = asked.goals.iter().enumerate().map(|(number, goal)| {
            let by = days_between(asked.today, goal.day);
            let (from, median, to) = range(&self.goals[number], asked.today);
            let levels = road.goals[number].iter().map(|at| {
                let days = self.of_level(*at);
                let (from, median, to) = range(days, asked.today);
                LevelRoad {
                    level: level(*at),
                    name: name(*at),
                    held: road.levels[*at].stands.held,
                    chance: share_by(days, by),
                    median,
                    from,
                    to,
                }
            });
            let chance = self.chance(number, by);
            let mut told = GoalRoad {
                name: goal.name.clone(),
                day: goal.day,
                chance,
                chance_a_month_later: self.chance(number, by + MONTH_DAYS),
                median,
                from,
                to,
                levels: levels.collect(),
                at_risk: chance < AT_RISK,
                text: String::new(),
            };
            told.text = words::goal(&told);
            told
        });
        let goals: Vec<GoalRoad> = goals.collect();
        let mut chain: Vec<(usize, u32)> = self
            .on_chain
            .iter()
            .copied()
            .enumerate()
            .filter(|(_, count)| *count > 0)
            .collect();
        chain.sort_by_key(|(at, count)| (std::cmp::Reverse(*count), *at));
        chain.truncate(ON_CHAIN);
        Road {
            goals,
            chain: chain
                .into_iter()
                .map(|(at, count)| OnChain {
                    level: level(at),
                    name: name(at),
                    share: f64::from(count) / f64::from(self.futures),
                    median: range(self.of_level(at), asked.today).1,
                })
                .collect(),
        }
    }
}

fn share_by(days: &[u32], by: i64) -> f64 {
    let there = days.iter().filter(|day| i64::from(**day) <= by);
    there.count() as f64 / days.len().max(1) as f64
}

/// The days by which one future in ten, every second, nine in ten are there.
fn range(days: &[u32], today: Date) -> (Option<Date>, Option<Date>, Option<Date>) {
    let mut sorted = days.to_vec();
    sorted.sort_unstable();
    let at = |share: f64| {
        let day = *sorted.get(((sorted.len() as f64) * share) as usize)?;
        (day < NEVER).then(|| today.saturating_add(i64::from(day).days()))
    };
    (at(0.1), at(0.5), at(0.9))
}
