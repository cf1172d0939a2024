//! Forecast: rides until the gate passes, as a median and an 80 % range.
//!
//! # Formula
//! Horses are drawn from the posterior of the readiness filter
//! ([`crate::evidence::readiness`]): the readiness of each side and the speed of
//! learning as they stand after the last day asked. Each of them goes on learning with
//! the filter's own noise and day effects, its speed fading at a rate drawn once a
//! horse, and is ridden at the pace of the days in the window until the gate
//! itself passes. The range runs from the 10th to the 90th percentile; when that
//! lies beyond [`MOST_RIDES`], its end is open and it begins between the 10th, after 8 days
//! asked, and the 35th, after 44: the futures take a horse that was asked on few days for a
//! slower learner than it is, and one that was asked on many for a quicker one. While a
//! penalised logistic regression on the ride number is not surely upward
//! ([`crate::evidence::learning`]) there is no forecast.
//!
//! # Source
//! Own; how often the ranges hold what happened is measured on the bench
//! (docs/judge.md). The percentiles of an open range were chosen there, on horses from the
//! seeds 100000, 300000 and 500000 on.

use jiff::civil::Date;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use serde::{Deserialize, Serialize};

use super::coming_days::{ComingAsk, ComingDays};
use super::rails::{Tally, failing};
use super::window::{GateInput, window_of};
use crate::Side;
use crate::day::days_between;
use crate::evidence::learning;
use crate::evidence::possible_horse::PossibleHorse;
use crate::evidence::{Ask, days_of};
use crate::ladder::Gate;
use crate::rep::TimeToGive;

/// Rides looked ahead.
pub const MOST_RIDES: u32 = 60;
/// How sure it has to be that the horse is learning. Product default.
pub const SURELY_UPWARD: f64 = 0.8;
/// Futures drawn.
const DRAWS: usize = 100;

/// Rides until the gate passes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "forecast", rename_all = "snake_case")]
pub enum Forecast {
    /// It passes now.
    Now,
    /// The curve is not surely upward, or too little is known.
    CannotSayYet,
    /// A range that holds it four times in five.
    Rides {
        /// Every second horse like this one is there by then; none when that is
        /// beyond what is looked ahead.
        median: Option<u32>,
        /// One in ten is there by then; where the range is open, one to three and a half in ten.
        from: Option<u32>,
        /// Nine in ten are there by then.
        to: Option<u32>,
    },
}

/// What was drawn of the rides until the gate passes.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Draws {
    /// It passes now.
    Now,
    /// The curve is not surely upward, or too little is known.
    CannotSayYet,
    /// Rides of each future, the fewest first; none for one beyond what is looked ahead.
    Rides(Vec<Option<u32>>),
}

/// Forecasts the rides after the date of `shown` until the gate passes.
pub fn forecast(shown: &GateInput<'_>, gate: &Gate, seed: u64) -> Forecast {
    let rides = match draws(shown, gate, seed) {
        Draws::Now => return Forecast::Now,
        Draws::CannotSayYet => return Forecast::CannotSayYet,
        Draws::Rides(rides) => rides,
    };
    let at = |share: f64| rides[((DRAWS as f64) * share) as usize];
    let to = at(0.9);
    Forecast::Rides {
        median: at(0.5),
        from: at(if to.is_some() {
            0.1
        } else {
            open_from(days_asked(shown.asks))
        }),
        to,
    }
}

/// Days asked, and the percentile at which an open range begins.
const FEW_DAYS: (f64, f64) = (8.0, 0.1);
const MANY_DAYS: (f64, f64) = (44.0, 0.35);

/// The percentile at which an open range begins, by the days on which the level was asked.
fn open_from(days: u32) -> f64 {
    let way = (f64::from(days) - FEW_DAYS.0) / (MANY_DAYS.0 - FEW_DAYS.0);
    FEW_DAYS.1 + (MANY_DAYS.1 - FEW_DAYS.1) * way.clamp(0.0, 1.0)
}

fn days_asked(asks: &[Ask]) -> u32 {
    asks.chunk_by(|a, b| a.day == b.day).count() as u32
}

/// Draws the rides after the date of `shown` until the gate passes.
pub fn draws(shown: &GateInput<'_>, gate: &Gate, seed: u64) -> Draws {
    let seen = window_of(shown.asks, gate, shown.on);
    let tally = Tally::of(shown, seen, gate);
    if failing(shown, &tally, gate).next().is_none() {
        return Draws::Now;
    }
    if gate.least_count > 0 || seen.is_empty() || days_asked(shown.asks) < gate.least_days {
        return Draws::CannotSayYet;
    }
    if learning::upward(shown.asks, shown.sides) < SURELY_UPWARD {
        return Draws::CannotSayYet;
    }
    let mut rng = ChaCha8Rng::seed_from_u64(seed);
    let future = Future::new(shown, seen, gate);
    let mut rides: Vec<Option<u32>> = (0..DRAWS).map(|_| future.draw(&mut rng)).collect();
    rides.sort_unstable_by_key(|rides| rides.unwrap_or(u32::MAX));
    Draws::Rides(rides)
}

/// How the rides of a horse go on.
struct Future<'a> {
    shown: &'a GateInput<'a>,
    gate: &'a Gate,
    known: &'a [Ask],
    paces: Vec<(Side, Vec<u32>)>,
    gap_days: i64,
}

impl<'a> Future<'a> {
    fn new(shown: &'a GateInput<'a>, known: &'a [Ask], gate: &'a Gate) -> Future<'a> {
        let paces = shown
            .sides
            .iter()
            .map(|side| {
                let asked: Vec<u32> = days_of(known, *side).iter().map(|day| day.asked).collect();
                (*side, if asked.is_empty() { vec![1] } else { asked })
            })
            .collect();
        let mut days: Vec<Date> = known.iter().map(|ask| ask.day).collect();
        days.dedup();
        let span = days_between(days[0], days[days.len() - 1]);
        Future {
            shown,
            gate,
            known,
            paces,
            gap_days: (span / (days.len() as i64 - 1).max(1)).clamp(1, 7),
        }
    }

    /// One future: after how many rides the gate passes.
    fn draw(&self, rng: &mut ChaCha8Rng) -> Option<u32> {
        let mut coming = ComingDays::after(self.shown, self.known, self.gate);
        let mut horse = coming.readiness.draw(rng);
        while coming.days < MOST_RIDES {
            horse.ride(self.gap_days as f64, rng);
            coming.day(self.gap_days, self.answers(&horse, rng).into_iter());
            if coming.pass() {
                return Some(coming.days);
            }
        }
        None
    }

    /// The answers of a horse in one ride, at the pace of a day in the window.
    fn answers(&self, horse: &PossibleHorse, rng: &mut ChaCha8Rng) -> Vec<ComingAsk> {
        let mut answers = Vec::new();
        for (side, paces) in &self.paces {
            let asked = paces[rng.random_range(0..paces.len())];
            for index in 0..asked {
                let soft = rng.random_bool(horse.chance(*side, index == 0));
                answers.push((*side, soft, self.time_like(*side, soft, rng)));
            }
        }
        answers
    }

    /// A time as the horse has taken on that side, soft or not.
    fn time_like(&self, side: Side, soft: bool, rng: &mut ChaCha8Rng) -> Option<TimeToGive> {
        let start = rng.random_range(0..self.known.len());
        let (before, after) = self.known.split_at(start);
        let mut like = after.iter().chain(before).filter(|ask| ask.side == side);
        like.clone()
            .find(|ask| ask.soft == soft)
            .or_else(|| like.next())
            .and_then(|ask| ask.time)
    }
}
