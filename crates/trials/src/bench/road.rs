//! Does the road say what happens? Horses of several worlds are worked up the ladder, none
//! of them made by the road's own model: what a level takes, how horses differ, what a ride
//! is used for and how often one falls out are drawn otherwise. Each is asked about in the
//! middle of its way, with the pace of the barn's other horses, and held against its future.

use jiff::ToSpan;
use jiff::civil::{Date, date};
use rand::seq::SliceRandom;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal, StudentT};
use serde::Serialize;
use uuid::Uuid;

use crate::judge::brake;
use crate::ladder::Ladder;
use crate::road::asked::PaceOfLevel;
use crate::road::usual::usual_rides;
use crate::road::{GoalAsked, HorseFactor, LevelHistory, LevelStands, RoadAsked, pace, road};

/// The day the barns begin.
const BEGINS: Date = date(2026, 1, 5);
/// Other horses of the barn, and the days they have been ridden.
const OTHERS: u64 = 12;
const OTHERS_DAYS: u32 = 300;
/// Days after which a horse is asked about, and days it is followed.
const ASKED_AFTER: [u32; 3] = [28, 70, 140];
const FOLLOWED_DAYS: u32 = 420;

/// A make of horses and barns.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct RoadWorld {
    /// What it is, for the table.
    pub name: &'static str,
    /// Every level takes so many times the default, in this barn.
    pub barn: f64,
    /// How far levels lie apart beside that, in the logarithm.
    pub levels_apart: f64,
    /// How far horses lie apart, likewise.
    pub horses_apart: f64,
    /// How far the rides of one horse and level do.
    pub rest: f64,
    /// Now and then far off: Student's t with three degrees of freedom.
    pub heavy: bool,
    /// Levels above take longer: this much more at the top.
    pub slower_up: f64,
    /// Share of planned rides that come about.
    pub kept: f64,
    /// Whether the trainer works on what lies on the longest way, or on anything open.
    pub any_open: bool,
}

/// As the model has it.
const USUAL: RoadWorld = RoadWorld {
    name: "as the default has it",
    barn: 1.0,
    levels_apart: 0.3,
    horses_apart: 0.35,
    rest: 0.6,
    heavy: false,
    slower_up: 0.0,
    kept: 0.9,
    any_open: false,
};

/// The worlds of the bench: each differs from the first in what it names.
pub const WORLDS: [RoadWorld; 6] = [
    USUAL,
    RoadWorld {
        name: "a slow barn",
        barn: 1.6,
        ..USUAL
    },
    RoadWorld {
        name: "horses far apart",
        horses_apart: 0.6,
        rest: 0.5,
        ..USUAL
    },
    RoadWorld {
        name: "rides now and then far off (heavy tails)",
        horses_apart: 0.3,
        rest: 0.45,
        heavy: true,
        ..USUAL
    },
    RoadWorld {
        name: "the higher, the slower; every fifth ride falls out",
        barn: 0.9,
        slower_up: 0.6,
        kept: 0.8,
        ..USUAL
    },
    RoadWorld {
        name: "work on anything that is open",
        any_open: true,
        ..USUAL
    },
];

/// How the road did in a world.
#[derive(Debug, Clone, PartialEq, Serialize)]
pub struct RoadResult {
    /// The world.
    pub world: String,
    /// Questions asked.
    pub asked: usize,
    /// Share of the 80 % ranges that held what happened.
    pub held: f64,
    /// Share of what came sooner, and later.
    pub sooner: f64,
    /// Later than the range.
    pub later: f64,
    /// Tenth by tenth of the stated chance: how many, the mean chance, the share that came.
    pub tenths: Vec<(usize, f64, f64)>,
}

/// Ways from here on lead to a goal.
const TO_A_GOAL: u32 = 1_000_000;

struct Horse<'a> {
    ladder: &'a Ladder,
    takes: Vec<u32>,
    asked: Vec<u32>,
    held: Vec<Option<u32>>,
    shown: Vec<u32>,
}

/// What a level stands on; a trainer goes no faster than the brake.
fn needs(ladder: &Ladder, index: usize) -> impl Iterator<Item = usize> + '_ {
    let level = &ladder.levels[index];
    level
        .below
        .into_iter()
        .chain(level.needs.iter().map(|any| any[0]))
        .chain(brake::before(ladder, level))
}

impl<'a> Horse<'a> {
    fn new(ladder: &'a Ladder, world: &RoadWorld, level_part: &[f64], seed: u64) -> Horse<'a> {
        let mut rng = ChaCha8Rng::seed_from_u64(seed);
        let normal = Normal::new(0.0, 1.0).expect("a normal");
        let tails = StudentT::new(3.0).expect("three degrees of freedom");
        let quick = world.horses_apart * normal.sample(&mut rng);
        let many = ladder.levels.len() as f64;
        let takes = ladder.levels.iter().enumerate().map(|(index, level)| {
            let rest: f64 = if world.heavy {
                tails.sample(&mut rng)
            } else {
                normal.sample(&mut rng)
            };
            let up = 1.0 + world.slower_up * index as f64 / many;
            let mean = (usual_rides(level) * world.barn * up).ln() + level_part[index] + quick;
            ((mean + world.rest * rest).exp().round().clamp(1.0, 300.0) as u32)
                .max(level.gate.least_days)
        });
        Horse {
            takes: takes.collect(),
            asked: vec![0; ladder.levels.len()],
            held: vec![None; ladder.levels.len()],
            shown: vec![0; ladder.levels.len()],
            ladder,
        }
    }

    /// A ride: three levels at most, one of them new, one block to refresh what went rusty.
    fn ride(&mut self, world: &RoadWorld, day: u32, way: &[u32], rng: &mut ChaCha8Rng) {
        let mut room = 3;
        let rusty = (0..self.held.len()).find(|index| {
            let idle = self.held[*index].map(|held| day - held.max(self.fresh(*index)));
            idle.is_some_and(|idle| idle > self.ladder.levels[*index].gate.rusty_days_firm)
        });
        if let Some(index) = rusty {
            self.shown[index] = day;
            room -= 1;
        }
        let mut open: Vec<usize> = (0..self.held.len())
            .filter(|index| {
                self.held[*index].is_none()
                    && needs(self.ladder, *index)
                        .all(|need| self.held[need].is_some_and(|held| held < day))
            })
            .collect();
        if world.any_open {
            open.shuffle(rng);
            // Anything open on the way to the goal, what is begun before what is new.
            open.sort_by_key(|index| (way[*index] < TO_A_GOAL, self.asked[*index] == 0));
        } else {
            open.sort_by_key(|index| std::cmp::Reverse(way[*index]));
        }
        let mut new = true;
        for index in open {
            if room == 0 || (self.asked[index] == 0 && !new) {
                continue;
            }
            new &= self.asked[index] > 0;
            room -= 1;
            self.asked[index] += 1;
            self.shown[index] = day;
            if self.asked[index] >= self.takes[index] {
                self.held[index] = Some(day);
            }
        }
    }

    /// The last day it was shown, itself or in what is built right on it.
    fn fresh(&self, index: usize) -> u32 {
        let level = &self.ladder.levels[index];
        let above = level.opens.iter().map(|above| self.shown[*above]);
        above.max().unwrap_or(0).max(self.shown[index])
    }

    fn histories(&self, horse: u64) -> Vec<LevelHistory> {
        let worked = (0..self.held.len()).filter(|index| self.asked[*index] > 0);
        worked
            .map(|index| LevelHistory {
                horse_id: Uuid::from_u128(u128::from(horse)),
                level: self.ladder.levels[index].level.clone(),
                rides: self.asked[index],
                held: self.held[index].is_some(),
            })
            .collect()
    }
}

/// The longest way from each level to the top, in default rides.
fn ways(ladder: &Ladder) -> Vec<u32> {
    let mut way = vec![0u32; ladder.levels.len()];
    for index in (0..ladder.levels.len()).rev() {
        way[index] += usual_rides(&ladder.levels[index]) as u32;
        for need in needs(ladder, index).collect::<Vec<usize>>() {
            way[need] = way[need].max(way[index]);
        }
    }
    way
}

/// The same with the goals before all else: the longest way to one of them.
fn ways_to(ladder: &Ladder, goals: &[usize], way: &[u32]) -> Vec<u32> {
    let mut to_goal = vec![0u32; way.len()];
    for goal in goals {
        to_goal[*goal] = TO_A_GOAL;
    }
    for index in (0..way.len()).rev().filter(|index| way[*index] > 0) {
        if to_goal[index] == 0 {
            continue;
        }
        to_goal[index] += usual_rides(&ladder.levels[index]) as u32;
        for need in needs(ladder, index).collect::<Vec<usize>>() {
            to_goal[need] = to_goal[need].max(to_goal[index]);
        }
    }
    to_goal
        .iter()
        .zip(way)
        .map(|(goal, way)| if *goal > 0 { *goal } else { *way })
        .collect()
}

/// Asks about so many horses of a world.
pub fn run(world: &RoadWorld, horses: u64, futures: u32) -> RoadResult {
    let ladder = Ladder::shipped();
    let way = ways(ladder);
    let mut asked: Vec<(f64, bool, std::cmp::Ordering)> = Vec::new();
    for number in 0..horses {
        let mut rng = ChaCha8Rng::seed_from_u64(0x0ad ^ number << 8);
        let apart = Normal::new(0.0, world.levels_apart).expect("a normal");
        let level_part: Vec<f64> = ladder
            .levels
            .iter()
            .map(|_| apart.sample(&mut rng))
            .collect();
        let mut histories: Vec<LevelHistory> = Vec::new();
        for other in 0..OTHERS {
            let seed = number * 1000 + other + 1;
            let mut horse = Horse::new(ladder, world, &level_part, seed);
            let rides_a_week = f64::from(rng.random_range(3..=5u32));
            work(
                &mut horse,
                world,
                1..=OTHERS_DAYS,
                rides_a_week,
                &way,
                &mut rng,
            );
            histories.extend(horse.histories(other + 1));
        }
        let mut horse = Horse::new(ladder, world, &level_part, number * 1000);
        let rides_a_week = f64::from(rng.random_range(3..=5u32));
        let after = ASKED_AFTER[number as usize % ASKED_AFTER.len()];
        work(&mut horse, world, 1..=after, rides_a_week, &way, &mut rng);
        let mut own = histories;
        own.extend(horse.histories(0));
        let found = pace(ladder, &own);
        let today = BEGINS.saturating_add(i64::from(after).days());
        let stands: Vec<LevelStands> = (0..horse.held.len())
            .filter(|index| horse.asked[*index] > 0)
            .map(|index| LevelStands {
                level: ladder.levels[index].level.clone(),
                held: horse.held[index].is_some(),
                idle_days: after - horse.fresh(index).min(after),
                firm: true,
                asked_rides: horse.asked[index],
                rides_left: Vec::new(),
            })
            .collect();
        let before: Vec<bool> = horse.held.iter().map(Option::is_some).collect();
        // One to three levels of some height that are not held yet.
        let mut open: Vec<usize> = (0..before.len()).filter(|index| !before[*index]).collect();
        open.truncate(60);
        open.shuffle(&mut rng);
        open.truncate(rng.random_range(1..=3));
        let by = after + rng.random_range(14..=170);
        // From now on the goal comes first.
        let to_goal = ways_to(ladder, &open, &way);
        work(
            &mut horse,
            world,
            after + 1..=FOLLOWED_DAYS,
            rides_a_week,
            &to_goal,
            &mut rng,
        );
        let factor = found
            .horses
            .iter()
            .find(|one| one.horse_id == Uuid::from_u128(0))
            .map_or_else(HorseFactor::default, |one| HorseFactor {
                factor: one.factor,
                spread: one.spread,
            });
        let question = RoadAsked {
            today,
            levels: stands,
            goals: vec![GoalAsked {
                name: "Goal".into(),
                day: BEGINS.saturating_add(i64::from(by).days()),
                levels: open
                    .iter()
                    .map(|index| ladder.levels[*index].level.clone())
                    .collect(),
            }],
            rides_a_week,
            kept: world.kept,
            blocks_a_ride: 3,
            days_off: Vec::new(),
            pace: found.levels.iter().map(PaceOfLevel::of).collect(),
            horse: factor,
            first: None,
            seed: number as u32,
            futures,
        };
        let told = road(ladder, &question);
        let goal = &told.goals[0];
        let mut days = open.iter().map(|index| horse.held[*index]);
        let came = days.try_fold(0, |latest, held| held.map(|day| day.max(latest)));
        let came = came.map(|day: u32| BEGINS.saturating_add(i64::from(day).days()));
        let far = Date::MAX;
        let came_on = came.unwrap_or(far);
        let lies = if came_on < goal.from.unwrap_or(far) {
            std::cmp::Ordering::Less
        } else if came_on > goal.to.unwrap_or(far) {
            std::cmp::Ordering::Greater
        } else {
            std::cmp::Ordering::Equal
        };
        asked.push((goal.chance, came_on <= goal.day, lies));
    }
    told(world, &asked)
}

fn work(
    horse: &mut Horse<'_>,
    world: &RoadWorld,
    days: std::ops::RangeInclusive<u32>,
    rides_a_week: f64,
    way: &[u32],
    rng: &mut ChaCha8Rng,
) {
    for day in days {
        let by = |day: u32| (f64::from(day) * rides_a_week / 7.0).floor();
        if by(day) > by(day - 1) && rng.random_bool(world.kept) {
            horse.ride(world, day, way, rng);
        }
    }
}

fn told(world: &RoadWorld, asked: &[(f64, bool, std::cmp::Ordering)]) -> RoadResult {
    let share = |lies: std::cmp::Ordering| {
        asked.iter().filter(|(.., of)| *of == lies).count() as f64 / asked.len().max(1) as f64
    };
    let tenths = (0..10).map(|tenth| {
        let within: Vec<&(f64, bool, std::cmp::Ordering)> = asked
            .iter()
            .filter(|(chance, ..)| ((chance * 10.0) as usize).min(9) == tenth)
            .collect();
        let many = within.len().max(1) as f64;
        (
            within.len(),
            within.iter().map(|(chance, ..)| chance).sum::<f64>() / many,
            within.iter().filter(|(_, came, _)| *came).count() as f64 / many,
        )
    });
    RoadResult {
        world: world.name.to_owned(),
        asked: asked.len(),
        held: share(std::cmp::Ordering::Equal),
        sooner: share(std::cmp::Ordering::Less),
        later: share(std::cmp::Ordering::Greater),
        tenths: tenths.collect(),
    }
}
