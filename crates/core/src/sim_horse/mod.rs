//! A simulated horse: per side a latent readiness that rises towards a plateau
//! with rides, with day effects, a colder first ask and warming up within the
//! ride. Asks and answers are drawn from it. Everything follows from the traits
//! and the seed; the same seed gives the same reps on every machine.
//!
//! Source: our own model (the reference population the judge is measured
//! against). It is not a model of a real horse's mind; it only answers as one
//! might.

mod answers;

use jiff::{SignedDuration, Timestamp, civil::Date};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, Normal};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::ladder::Level;
use crate::rep::{Measure, Rep, SoftRule};
use crate::{Gait, Side};

/// What makes one horse differ from another. Readiness is on the logit scale.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Traits {
    /// Readiness before the first ride.
    pub start: f64,
    /// Readiness it comes to in the end.
    pub plateau: f64,
    /// Share of the way to the plateau made good in a ride.
    pub rate: f64,
    /// The weaker side.
    pub weaker_side: Side,
    /// How far the weaker side lies below the other.
    pub weaker_by: f64,
    /// Standard deviation of the day effect.
    pub day_sd: f64,
    /// How much lower the first ask of a ride lies.
    pub first_ask_drop: f64,
    /// How much higher the last ask of a ride lies.
    pub warm_up: f64,
}

impl Traits {
    /// A horse of the reference population.
    pub fn reference(seed: u64) -> Traits {
        let mut rng = ChaCha8Rng::seed_from_u64(seed);
        Traits {
            start: rng.random_range(-2.5..0.0),
            plateau: normal(2.0, 1.0).sample(&mut rng),
            rate: rng.random_range(0.02..0.15),
            weaker_side: if rng.random_bool(0.5) {
                Side::Left
            } else {
                Side::Right
            },
            weaker_by: normal(0.0, 0.6).sample(&mut rng).abs(),
            day_sd: 0.5,
            first_ask_drop: 0.4,
            warm_up: 0.4,
        }
    }

    /// The true chance of a soft answer on `side` after `rides` rides, day
    /// effects aside.
    pub fn readiness(&self, side: Side, rides: u32) -> f64 {
        logistic(self.logit(side, rides))
    }

    fn logit(&self, side: Side, rides: u32) -> f64 {
        let made_good = 1.0 - (-self.rate * f64::from(rides)).exp();
        let level = self.start + (self.plateau - self.start) * made_good;
        if side == self.weaker_side {
            level - self.weaker_by
        } else {
            level
        }
    }
}

/// One ride to be simulated.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PlannedRide {
    /// The barn's calendar day.
    pub day: Date,
    /// When the first ask is made.
    pub first_ask_at: Timestamp,
    /// Asks on the left.
    pub left: u32,
    /// Asks on the right.
    pub right: u32,
}

/// A simulated ride: its id and its reps in the order of asking.
#[derive(Debug, Clone, PartialEq)]
pub struct SimulatedRide {
    /// The ride's id.
    pub ride_id: Uuid,
    /// Its reps.
    pub reps: Vec<Rep>,
    /// True readiness of the left side that day, day effect aside.
    pub left_readiness: f64,
    /// True readiness of the right side that day, day effect aside.
    pub right_readiness: f64,
}

/// Rides `rides` on a horse of these traits, at one level that measures a give.
pub fn simulate(
    traits: &Traits,
    level: &Level,
    rides: &[PlannedRide],
    seed: u64,
) -> Vec<SimulatedRide> {
    let mut rng = ChaCha8Rng::seed_from_u64(seed);
    rides
        .iter()
        .enumerate()
        .map(|(ridden, plan)| simulate_ride(traits, level, plan, ridden as u32, &mut rng))
        .collect()
}

fn simulate_ride(
    traits: &Traits,
    level: &Level,
    plan: &PlannedRide,
    ridden: u32,
    rng: &mut ChaCha8Rng,
) -> SimulatedRide {
    let ride_id = id_at(plan.first_ask_at, rng);
    let day_effect = normal(0.0, traits.day_sd).sample(rng);
    let mut asked_at = plan.first_ask_at;
    let mut reps = Vec::new();
    for (side, index, of) in order_of_asking(plan) {
        let logit = traits.logit(side, ridden) + day_effect + within_ride(traits, index, of);
        let give = answers::draw(logistic(logit), longest_soft_s(level.gait), rng);
        reps.push(Rep {
            rep_id: id_at(asked_at, rng),
            ride_id,
            skill: level.skill.clone(),
            gait: level.gait,
            side,
            day: plan.day,
            asked_at,
            measure: Measure::Give(give),
        });
        let rest_s = rng.random_range(6.0..20.0);
        asked_at += SignedDuration::from_millis(((give.time_s + rest_s) * 1000.0) as i64);
    }
    SimulatedRide {
        ride_id,
        reps,
        left_readiness: traits.readiness(Side::Left, ridden),
        right_readiness: traits.readiness(Side::Right, ridden),
    }
}

/// Left and right in turn, two at a time, as long as each has asks left.
fn order_of_asking(plan: &PlannedRide) -> Vec<(Side, u32, u32)> {
    let mut order: Vec<(Side, u32, u32)> = (0..plan.left)
        .map(|i| (Side::Left, i, plan.left))
        .chain((0..plan.right).map(|i| (Side::Right, i, plan.right)))
        .collect();
    order.sort_by_key(|(side, index, _)| (index / 2, *side));
    order
}

/// The first ask lies lower, the last higher, evenly in between.
fn within_ride(traits: &Traits, index: u32, of: u32) -> f64 {
    if of < 2 {
        return -traits.first_ask_drop;
    }
    let done = f64::from(index) / f64::from(of - 1);
    -traits.first_ask_drop + done * (traits.first_ask_drop + traits.warm_up)
}

fn longest_soft_s(gait: Gait) -> f64 {
    SoftRule::default().most_s(gait)
}

fn logistic(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

fn normal(mean: f64, sd: f64) -> Normal<f64> {
    Normal::new(mean, sd.abs()).expect("a standard deviation that is not below zero")
}

/// A UUIDv7 of that time, its random part from the seed.
fn id_at(at: Timestamp, rng: &mut ChaCha8Rng) -> Uuid {
    let millis = at.as_millisecond().unsigned_abs();
    uuid::Builder::from_unix_timestamp_millis(millis, &rng.random()).into_uuid()
}
