//! A simulated horse: for each level and side a latent readiness that learns with
//! rides towards a plateau, with day effects, a colder first ask and warming up
//! within the ride. Richer horses also forget, tire, sour from drilling, have bad
//! days, carry over from the level below, or get worse on a side. Asks and
//! answers are drawn from it. Everything follows from the traits and the seed;
//! the same seed gives the same reps on every machine.
//!
//! - [`traits`]: what makes one horse differ from another
//! - [`rider`]: who rides it: how strict, and when they quit
//! - [`answers`]: one answer of any measure, drawn from the chance that it is soft
//!
//! Source: our own model (the reference population the judge is measured
//! against). It is not a model of a real horse's mind; it only answers as one
//! might.

pub mod answers;
pub mod rider;
pub mod traits;

use jiff::{SignedDuration, Timestamp, civil::Date};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal, StudentT};
use uuid::Uuid;

use crate::Side;
use crate::day::days_between;
use crate::ladder::LadderLevel;
use crate::rep::Rep;
use rider::Asking;
pub use rider::{Quits, Rider};
pub use traits::Traits;

/// Asks of one level in a ride.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct PlannedBlock {
    /// Which of the horse's levels.
    pub level: usize,
    /// Asks on the left; for a level asked on both sides at once, all asks.
    pub left: u32,
    /// Asks on the right.
    pub right: u32,
}

/// One ride to be simulated.
#[derive(Debug, Clone, PartialEq)]
pub struct PlannedRide {
    /// The barn's calendar day.
    pub day: Date,
    /// When the first ask is made.
    pub first_ask_at: Timestamp,
    /// What is asked, in order.
    pub blocks: Vec<PlannedBlock>,
}

/// True readiness of a level before a ride, day effect aside.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Truth {
    /// Left; for a level asked on both sides at once, both.
    pub left: f64,
    /// Right.
    pub right: f64,
}

impl Truth {
    /// The weaker side's.
    pub fn weakest(&self) -> f64 {
        self.left.min(self.right)
    }
}

/// A simulated ride: its id and its reps in the order of asking.
#[derive(Debug, Clone, PartialEq)]
pub struct SimulatedRide {
    /// The ride's id.
    pub ride_id: Uuid,
    /// Its reps.
    pub reps: Vec<Rep>,
    /// True readiness of each of the horse's levels that day.
    pub truth: Vec<Truth>,
}

/// A rider who spares a horse on bad days asks once a side below this.
const BAD_DAY_BELOW: f64 = -0.3;

/// A horse that can be ridden.
#[derive(Debug, Clone)]
pub struct SimulatedHorse<'a> {
    traits: Traits,
    levels: Vec<&'a LadderLevel>,
    /// Share of the way to the plateau made good, level by level.
    progress: Vec<f64>,
    ridden: u32,
    last: Option<Date>,
    spell: Option<f64>,
    rng: ChaCha8Rng,
}

impl<'a> SimulatedHorse<'a> {
    /// A horse before its first ride; `levels` lowest first.
    pub fn new(traits: Traits, levels: &[&'a LadderLevel], seed: u64) -> SimulatedHorse<'a> {
        SimulatedHorse {
            traits,
            levels: levels.to_vec(),
            progress: vec![0.0; levels.len()],
            ridden: 0,
            last: None,
            spell: None,
            rng: ChaCha8Rng::seed_from_u64(seed),
        }
    }

    /// True readiness of one level as it stands, day effects aside.
    pub fn truth(&self, level: usize) -> Truth {
        let both = self.levels[level].asked_sides().len() == 1;
        let left = logistic(self.logit(level, if both { Side::Both } else { Side::Left }));
        let right = if both {
            left
        } else {
            logistic(self.logit(level, Side::Right))
        };
        Truth { left, right }
    }

    fn logit(&self, level: usize, side: Side) -> f64 {
        let below = level
            .checked_sub(1)
            .map_or(0.0, |below| self.progress[below]);
        let lift = self.traits.carry_over * below;
        self.traits.logit(side, self.progress[level], self.ridden) + lift
    }

    /// Rides it once, as planned; it learns from what was asked.
    pub fn ride(&mut self, plan: &PlannedRide) -> SimulatedRide {
        self.ride_by(plan, &Rider::default())
    }

    /// The same by a rider with ways of their own.
    pub fn ride_by(&mut self, plan: &PlannedRide, rider: &Rider) -> SimulatedRide {
        let gap_days = self.last.map_or(1, |last| days_between(last, plan.day));
        self.idle_until(plan.day);
        let truth = (0..self.levels.len())
            .map(|level| self.truth(level))
            .collect();
        let ride_id = id_at(plan.first_ask_at, &mut self.rng);
        let mut day_effect = rider.offset + self.day_effect() + self.spell_after(gap_days);
        if self.traits.bad_days > 0.0 && self.rng.random_bool(self.traits.bad_days) {
            day_effect -= self.traits.bad_day_drop;
        }
        let mut asked_at = plan.first_ask_at;
        let mut reps = Vec::new();
        for block in &plan.blocks {
            let level = self.levels[block.level];
            let mut sides = planned(block, level);
            if rider.spares_bad_days && day_effect < BAD_DAY_BELOW {
                sides.iter_mut().for_each(|(_, asks)| *asks = 1.min(*asks));
            }
            let mut asking = Asking::new(rider.quits, sides);
            while let Some((side, index, of)) = asking.next() {
                let tired = self.traits.tire * (reps.len() as f64 - 12.0).max(0.0);
                let logit = self.logit(block.level, side) + day_effect - tired
                    + self.traits.within_ride(index, of);
                let measure = answers::draw(level, logistic(logit), &mut self.rng);
                asking.answered(side, measure.is_soft(&level.gate.soft, level.gait));
                let took_s = measure.time().map_or(8.0, |time| time.seconds);
                reps.push(Rep {
                    rep_id: id_at(asked_at, &mut self.rng),
                    ride_id,
                    skill: level.level.skill.clone(),
                    rung: level.level.rung.clone(),
                    side,
                    day: plan.day,
                    asked_at,
                    measure,
                    faults: Vec::new(),
                });
                let rest_s = self.rng.random_range(6.0..20.0);
                asked_at += SignedDuration::from_millis(((took_s + rest_s) * 1000.0) as i64);
            }
            self.learn(block);
        }
        self.ridden += 1;
        SimulatedRide {
            ride_id,
            reps,
            truth,
        }
    }

    /// How all answers of a day lie together.
    fn day_effect(&mut self) -> f64 {
        if self.traits.heavy_days {
            // Three degrees of freedom: mostly like any day, now and then far off.
            let tails = StudentT::new(3.0).expect("three degrees of freedom");
            self.traits.day_sd * tails.sample(&mut self.rng)
        } else {
            normal(self.traits.day_sd).sample(&mut self.rng)
        }
    }

    /// What lasts for days, so many days after the last ride.
    fn spell_after(&mut self, days: i64) -> f64 {
        let sd = self.traits.spell_sd;
        if sd == 0.0 {
            return 0.0;
        }
        let left = self.traits.spell_left.powi(days.max(0) as i32);
        let fresh = normal(sd).sample(&mut self.rng);
        let spell = self.spell.map_or(fresh, |spell| {
            left * spell + (1.0 - left * left).sqrt() * fresh
        });
        self.spell = Some(spell);
        spell
    }

    fn learn(&mut self, block: &PlannedBlock) {
        let asked = block.left + block.right;
        if asked == 0 {
            return;
        }
        let progress = &mut self.progress[block.level];
        if let Some(ride) = self.traits.insight_at {
            *progress = f64::from(u8::from(self.ridden + 1 >= ride));
            return;
        }
        *progress = 1.0 - (1.0 - *progress) * (-self.traits.rate).exp();
        let drilled = asked.saturating_sub(self.traits.over_drill_from);
        if self.traits.over_drill > 0.0 {
            *progress = (*progress - self.traits.over_drill * f64::from(drilled)).max(0.0);
        }
    }

    fn idle_until(&mut self, day: Date) {
        if let Some(last) = self.last {
            let idle = (days_between(last, day) - 1).max(0) as f64;
            for progress in &mut self.progress {
                *progress *= (-self.traits.forget * idle).exp();
            }
        }
        self.last = Some(day);
    }
}

/// Rides a horse of one level through `rides`.
pub fn simulate(
    traits: &Traits,
    level: &LadderLevel,
    rides: &[PlannedRide],
    seed: u64,
) -> Vec<SimulatedRide> {
    let mut horse = SimulatedHorse::new(*traits, &[level], seed);
    rides.iter().map(|plan| horse.ride(plan)).collect()
}

/// The asks planned of each side, left first; of both at once where the level is
/// asked so.
fn planned(block: &PlannedBlock, level: &LadderLevel) -> Vec<(Side, u32)> {
    if level.asked_sides().len() == 1 {
        vec![(Side::Both, block.left + block.right)]
    } else {
        vec![(Side::Left, block.left), (Side::Right, block.right)]
    }
}

fn logistic(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

fn normal(sd: f64) -> Normal<f64> {
    Normal::new(0.0, sd.abs()).expect("a standard deviation that is not below zero")
}

/// A UUIDv7 of that time, its random part from the seed.
fn id_at(at: Timestamp, rng: &mut ChaCha8Rng) -> Uuid {
    let millis = at.as_millisecond().unsigned_abs();
    uuid::Builder::from_unix_timestamp_millis(millis, &rng.random()).into_uuid()
}
