//! Readiness: the chance that the horse answers softly now, from its whole
//! history, and how sure that is.
//!
//! # Formula
//! A state-space filter. State: the readiness of each side on the logit scale,
//! and a speed of learning common to both. From one day asked to the next the
//! readiness moves by the speed plus noise, the speed fades by [`FADE`]; each
//! idle day in between adds noise of its own. A day has an effect common to both
//! sides, N(0, sd²). Given all that, the asks of a day are independent: the
//! first ask of a side lies [`COLD`] lower, the others [`WARM`] higher. After
//! each day the posterior is taken as normal at its mode (Laplace). The sd of
//! the day effect is not known: one filter runs for each of [`DAY_SDS`], and they are
//! weighted by how well they foretold the days so far.
//!
//! # Source
//! Filtering of a random walk behind binary answers: Smith et al., Journal of
//! Neuroscience 24 (2004) 447-461; local trend: Harvey, Forecasting, Structural
//! Time Series Models and the Kalman Filter (1989), chapter 4; both from memory.
//! The figures of the model are product defaults, chosen on the bench
//! (docs/judge.md).

use jiff::civil::Date;
use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, StandardNormal};
use statrs::function::erf::erfc;

use super::Ask;
use crate::Side;

/// How much lower the first ask of a day and side lies.
pub const COLD: f64 = -0.4;
/// How much higher the other asks lie, on average.
pub const WARM: f64 = 0.1;
/// What is left of the speed of learning a day asked later.
pub const FADE: f64 = 0.9;
/// The day effects that are reckoned with.
pub const DAY_SDS: [f64; 2] = [0.5, 1.0];

/// How fast the learning of a horse levels off, when its future is drawn.
const FUTURE_FADE: (f64, f64) = (0.92, 0.99);

const START: f64 = -1.0;
const START_SPEED: f64 = 0.1;
const START_COMMON_VARIANCE: f64 = 1.5;
const START_OWN_VARIANCE: f64 = 0.3;
const START_SPEED_VARIANCE: f64 = 0.01;
const DRIFT_VARIANCE: f64 = 0.004;
const SPEED_VARIANCE: f64 = 0.001;
const IDLE_VARIANCE: f64 = 0.004;
const MOST_IDLE_DAYS: i32 = 60;
/// Left, right, speed, day effect.
const SIZE: usize = 4;

type Vector = [f64; SIZE];
type Matrix = [[f64; SIZE]; SIZE];

/// Soft and asked of one side on one day, the first ask apart.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
struct Counts {
    first: Option<bool>,
    soft: f64,
    asked: f64,
}

/// What one day showed.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Shown([Counts; 2]);

impl Shown {
    /// Adds the next ask of the day; asks of both sides count as left.
    pub fn add(&mut self, side: Side, soft: bool) {
        let counts = &mut self.0[slot(side)];
        if counts.first.is_none() {
            counts.first = Some(soft);
        } else {
            counts.asked += 1.0;
            counts.soft += f64::from(u8::from(soft));
        }
    }

    /// What the asks of one day show; they are in order.
    pub fn of(asks: &[Ask]) -> Shown {
        let mut shown = Shown::default();
        for ask in asks {
            shown.add(ask.side, ask.soft);
        }
        shown
    }
}

fn slot(side: Side) -> usize {
    usize::from(side == Side::Right)
}

#[derive(Debug, Clone, Copy, PartialEq)]
struct Filter {
    mean: Vector,
    covariance: Matrix,
    day_variance: f64,
    log_evidence: f64,
}

/// The readiness of a level as far as it has been asked.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Readiness {
    filters: [Filter; DAY_SDS.len()],
    last: Option<Date>,
}

impl Default for Readiness {
    fn default() -> Readiness {
        Readiness {
            filters: DAY_SDS.map(Filter::new),
            last: None,
        }
    }
}

impl Readiness {
    /// The readiness after the days of `asks`, which are in order.
    pub fn after(asks: &[Ask]) -> Readiness {
        let mut readiness = Readiness::default();
        for day in asks.chunk_by(|a, b| a.day == b.day) {
            readiness.day(day[0].day, &Shown::of(day));
        }
        readiness
    }

    /// Takes in one day, later than all before.
    pub fn day(&mut self, day: Date, shown: &Shown) {
        let idle = self.last.map(|last| {
            (day.since(last).map_or(1, |span| span.get_days()) - 1).clamp(0, MOST_IDLE_DAYS)
        });
        for filter in &mut self.filters {
            if let Some(idle) = idle {
                filter.go_on(f64::from(idle));
            }
            filter.take_in(shown);
        }
        self.last = Some(day);
    }

    /// How sure it is that the readiness of `side` lies above `share`, 0 to 1.
    pub fn sure_above(&self, side: Side, share: f64) -> f64 {
        let bound = logit(share);
        self.weighted(|filter| {
            let (mean, sd) = filter.side(side);
            tail((bound - mean) / sd)
        })
    }

    /// The readiness that is surely exceeded at `confidence`: the lower bound.
    pub fn low(&self, side: Side, confidence: f64) -> f64 {
        let (mut low, mut high) = (-12.0f64, 12.0f64);
        for _ in 0..50 {
            let middle = f64::midpoint(low, high);
            if self.sure_above(side, logistic(middle)) >= confidence {
                low = middle;
            } else {
                high = middle;
            }
        }
        logistic(low)
    }

    /// The readiness in the middle of a ride, day effect aside: median estimate.
    pub fn now(&self, side: Side) -> f64 {
        logistic(self.weighted(|filter| filter.side(side).0))
    }

    /// Speed of learning: change on the logit scale per day asked, and how sure
    /// it is that it is upward.
    pub fn speed(&self) -> (f64, f64) {
        (
            self.weighted(|filter| filter.mean[2]),
            self.weighted(|filter| tail(-filter.mean[2] / filter.covariance[2][2].sqrt())),
        )
    }

    fn weighted(&self, of: impl Fn(&Filter) -> f64) -> f64 {
        let best = self
            .filters
            .iter()
            .map(|filter| filter.log_evidence)
            .fold(f64::MIN, f64::max);
        let (mut sum, mut weights) = (0.0, 0.0);
        for filter in &self.filters {
            let weight = (filter.log_evidence - best).exp();
            sum += weight * of(filter);
            weights += weight;
        }
        sum / weights
    }
}

impl Filter {
    fn new(day_sd: f64) -> Filter {
        let own = START_COMMON_VARIANCE + START_OWN_VARIANCE;
        let mut covariance = [[0.0; SIZE]; SIZE];
        covariance[0][0] = own;
        covariance[1][1] = own;
        covariance[0][1] = START_COMMON_VARIANCE;
        covariance[1][0] = START_COMMON_VARIANCE;
        covariance[2][2] = START_SPEED_VARIANCE;
        Filter {
            mean: [START, START, START_SPEED, 0.0],
            covariance,
            day_variance: day_sd * day_sd,
            log_evidence: 0.0,
        }
    }

    fn side(&self, side: Side) -> (f64, f64) {
        let slot = slot(side);
        (self.mean[slot], self.covariance[slot][slot].sqrt())
    }

    /// To the next day asked, `idle` days left out in between.
    fn go_on(&mut self, idle: f64) {
        let c = self.covariance;
        let speed = self.mean[2];
        self.mean[0] += speed;
        self.mean[1] += speed;
        self.mean[2] = FADE * speed;
        let noise = DRIFT_VARIANCE + IDLE_VARIANCE * idle;
        for (a, b) in [(0, 0), (0, 1), (1, 0), (1, 1)] {
            self.covariance[a][b] = c[a][b] + c[a][2] + c[2][b] + c[2][2];
        }
        self.covariance[0][0] += noise;
        self.covariance[1][1] += noise;
        for side in [0, 1] {
            let with_speed = FADE * (c[side][2] + c[2][2]);
            self.covariance[side][2] = with_speed;
            self.covariance[2][side] = with_speed;
        }
        self.covariance[2][2] = FADE * FADE * c[2][2] + SPEED_VARIANCE;
    }

    fn take_in(&mut self, shown: &Shown) {
        let mut before = self.covariance;
        before[3] = [0.0; SIZE];
        for row in &mut before {
            row[3] = 0.0;
        }
        before[3][3] = self.day_variance;
        let (precision, log_size_before) = inverse(&before);
        let mut start = self.mean;
        start[3] = 0.0;
        let mut at = start;
        let mut inverse_curve = before;
        let (mut log_size_after, mut log_likelihood) = (0.0, 0.0);
        for _ in 0..8 {
            let mut slope = [0.0; SIZE];
            for (row, slope) in slope.iter_mut().enumerate() {
                for column in 0..SIZE {
                    *slope -= precision[row][column] * (at[column] - start[column]);
                }
            }
            let mut curve = precision;
            log_likelihood = 0.0;
            for (side, counts) in shown.0.iter().enumerate() {
                let found = counts.at(at[side] + at[3]);
                log_likelihood += found.log_likelihood;
                slope[side] += found.slope;
                slope[3] += found.slope;
                for (a, b) in [(side, side), (3, 3), (side, 3), (3, side)] {
                    curve[a][b] += found.curve;
                }
            }
            let (inverted, log_size_curve) = inverse(&curve);
            inverse_curve = inverted;
            log_size_after = log_size_curve;
            let mut most = 0.0f64;
            for row in 0..SIZE {
                let step: f64 = (0..SIZE)
                    .map(|column| inverted[row][column] * slope[column])
                    .sum();
                at[row] += step.clamp(-2.0, 2.0);
                most = most.max(step.abs());
            }
            if most < 1e-6 {
                break;
            }
        }
        let mut distance = 0.0;
        for row in 0..SIZE {
            for column in 0..SIZE {
                distance +=
                    (at[row] - start[row]) * precision[row][column] * (at[column] - start[column]);
            }
        }
        self.log_evidence += log_likelihood - 0.5 * (distance + log_size_before + log_size_after);
        self.mean = at;
        self.covariance = inverse_curve;
    }
}

struct Found {
    log_likelihood: f64,
    slope: f64,
    curve: f64,
}

impl Counts {
    /// Log-likelihood of the counts with its slope and curve at logit `x`.
    fn at(&self, x: f64) -> Found {
        let mut found = Found {
            log_likelihood: 0.0,
            slope: 0.0,
            curve: 0.0,
        };
        let first = f64::from(u8::from(self.first == Some(true)));
        let groups = [
            (COLD, first, f64::from(u8::from(self.first.is_some()))),
            (WARM, self.soft, self.asked),
        ];
        for (offset, soft, asked) in groups {
            if asked > 0.0 {
                let chance = logistic(x + offset).clamp(1e-12, 1.0 - 1e-12);
                found.log_likelihood += soft * chance.ln() + (asked - soft) * (1.0 - chance).ln();
                found.slope += soft - asked * chance;
                found.curve += asked * chance * (1.0 - chance);
            }
        }
        found
    }
}

/// The lower triangular root of a positive definite matrix, by Cholesky's method.
fn root(matrix: &Matrix) -> Matrix {
    let mut lower = [[0.0; SIZE]; SIZE];
    for row in 0..SIZE {
        for column in 0..=row {
            let known: f64 = lower[row][..column]
                .iter()
                .zip(&lower[column][..column])
                .map(|(a, b)| a * b)
                .sum();
            let rest = matrix[row][column] - known;
            lower[row][column] = if row == column {
                rest.max(1e-12).sqrt()
            } else {
                rest / lower[column][column]
            };
        }
    }
    lower
}

/// The inverse of a positive definite matrix and the logarithm of its
/// determinant.
fn inverse(matrix: &Matrix) -> (Matrix, f64) {
    let lower = root(matrix);
    let log_determinant = 2.0 * (0..SIZE).map(|row| lower[row][row].ln()).sum::<f64>();
    let mut inverted_lower = [[0.0; SIZE]; SIZE];
    for row in 0..SIZE {
        inverted_lower[row][row] = 1.0 / lower[row][row];
        let (done, this) = inverted_lower.split_at_mut(row);
        for (column, entry) in this[0][..row].iter_mut().enumerate() {
            let sum: f64 = (column..row)
                .map(|between| lower[row][between] * done[between][column])
                .sum();
            *entry = -sum / lower[row][row];
        }
    }
    let mut inverse = [[0.0; SIZE]; SIZE];
    for row in 0..SIZE {
        for column in 0..SIZE {
            inverse[row][column] = (row.max(column)..SIZE)
                .map(|k| inverted_lower[k][row] * inverted_lower[k][column])
                .sum();
        }
    }
    (inverse, log_determinant)
}

/// The upper tail of the standard normal distribution.
fn tail(x: f64) -> f64 {
    0.5 * erfc(x / std::f64::consts::SQRT_2)
}

fn logit(share: f64) -> f64 {
    let share = share.clamp(1e-9, 1.0 - 1e-9);
    (share / (1.0 - share)).ln()
}

fn logistic(x: f64) -> f64 {
    1.0 / (1.0 + (-x).exp())
}

/// One horse out of those the posterior holds possible, as it goes on learning.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Drawn {
    logits: [f64; 2],
    speed: f64,
    fade: f64,
    day_sd: f64,
    day_effect: f64,
}

impl Readiness {
    /// Draws a horse from the posterior.
    pub fn draw(&self, rng: &mut ChaCha8Rng) -> Drawn {
        let best = self
            .filters
            .iter()
            .map(|filter| filter.log_evidence)
            .fold(f64::MIN, f64::max);
        let weights = self
            .filters
            .map(|filter| (filter.log_evidence - best).exp());
        let mut left = rng.random_range(0.0..weights.iter().sum());
        let chosen = weights
            .iter()
            .position(|weight| {
                left -= weight;
                left < 0.0
            })
            .unwrap_or(0);
        self.filters[chosen].draw(rng)
    }
}

impl Filter {
    fn draw(&self, rng: &mut ChaCha8Rng) -> Drawn {
        let lower = root(&self.covariance);
        let normal: [f64; 3] = std::array::from_fn(|_| StandardNormal.sample(rng));
        let at = |row: usize| {
            self.mean[row]
                + (0..=row)
                    .map(|column| lower[row][column] * normal[column])
                    .sum::<f64>()
        };
        Drawn {
            logits: [at(0), at(1)],
            speed: at(2),
            fade: rng.random_range(FUTURE_FADE.0..FUTURE_FADE.1),
            day_sd: self.day_variance.sqrt(),
            day_effect: 0.0,
        }
    }
}

impl Drawn {
    /// Goes on to the next day asked.
    pub fn ride(&mut self, rng: &mut ChaCha8Rng) {
        let mut noise = |variance: f64| variance.sqrt() * rng.sample::<f64, _>(StandardNormal);
        for logit in &mut self.logits {
            *logit += self.speed + noise(DRIFT_VARIANCE);
        }
        self.speed *= self.fade;
        self.day_effect = noise(self.day_sd * self.day_sd);
    }

    /// The chance that the next ask on `side` is soft.
    pub fn chance(&self, side: Side, first: bool) -> f64 {
        let offset = if first { COLD } else { WARM };
        logistic(self.logits[slot(side)] + self.day_effect + offset).clamp(0.0, 1.0)
    }
}
