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
/// Steps of Newton's method to the mode, at most, and when to stop.
const MOST_STEPS: usize = 10;
const CLOSE_ENOUGH: f64 = 1e-4;
/// Left, right, speed.
const SIZE: usize = 3;

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
            mean: [START, START, START_SPEED],
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

    /// The asks speak only of two sums, readiness of a side plus day effect, so the
    /// mode is looked for there (two unknowns) and carried over to the state.
    fn take_in(&mut self, shown: &Shown) {
        let prior = [self.mean[0], self.mean[1]];
        let spread = Pair {
            left: self.covariance[0][0] + self.day_variance,
            right: self.covariance[1][1] + self.day_variance,
            both: self.covariance[0][1] + self.day_variance,
        };
        let precision = spread.inverse();
        let mut at = prior;
        let mut curve = [0.0; 2];
        for _ in 0..MOST_STEPS {
            let pull = precision.times([at[0] - prior[0], at[1] - prior[1]]);
            let mut slope = [0.0; 2];
            for side in [0, 1] {
                let (own_slope, own_curve) = shown.0[side].slope_and_curve(at[side]);
                slope[side] = own_slope - pull[side];
                curve[side] = own_curve;
            }
            let step = precision.plus(curve).inverse().times(slope);
            let mut most = 0.0f64;
            for side in [0, 1] {
                at[side] += step[side].clamp(-2.0, 2.0);
                most = most.max(step[side].abs());
            }
            // The next step would be about the square of this one.
            if most < CLOSE_ENOUGH {
                break;
            }
        }
        let away = [at[0] - prior[0], at[1] - prior[1]];
        let pull = precision.times(away);
        let distance = away[0] * pull[0] + away[1] * pull[1];
        let log_likelihood: f64 = [0, 1]
            .map(|side| shown.0[side].log_likelihood(at[side]))
            .iter()
            .sum();
        let volume = spread.determinant() * precision.plus(curve).determinant();
        self.log_evidence += log_likelihood - 0.5 * (distance + volume.ln());
        self.carry_over(pull, &spread, curve);
    }

    /// Moves the state by what the sums were pulled to, and narrows it by what
    /// they are sure of.
    fn carry_over(&mut self, pull: [f64; 2], spread: &Pair, curve: [f64; 2]) {
        let c = self.covariance;
        for (row, mean) in self.mean.iter_mut().enumerate() {
            *mean += c[row][0] * pull[0] + c[row][1] * pull[1];
        }
        // curve (1 + spread curve)^-1, for a side that was not asked too.
        let size = 1.0
            + spread.left * curve[0]
            + spread.right * curve[1]
            + spread.determinant() * curve[0] * curve[1];
        let narrowing = Pair {
            left: curve[0] * (1.0 + spread.right * curve[1]) / size,
            right: curve[1] * (1.0 + spread.left * curve[0]) / size,
            both: -curve[0] * spread.both * curve[1] / size,
        };
        for row in 0..SIZE {
            let through = narrowing.times([c[row][0], c[row][1]]);
            for (column, to) in c.iter().enumerate() {
                self.covariance[row][column] -= through[0] * to[0] + through[1] * to[1];
            }
        }
    }
}

/// A symmetric matrix over the two sides.
#[derive(Debug, Clone, Copy)]
struct Pair {
    left: f64,
    right: f64,
    both: f64,
}

impl Pair {
    fn determinant(&self) -> f64 {
        self.left * self.right - self.both * self.both
    }

    fn inverse(&self) -> Pair {
        let size = self.determinant();
        Pair {
            left: self.right / size,
            right: self.left / size,
            both: -self.both / size,
        }
    }

    fn plus(&self, diagonal: [f64; 2]) -> Pair {
        Pair {
            left: self.left + diagonal[0],
            right: self.right + diagonal[1],
            ..*self
        }
    }

    fn times(&self, vector: [f64; 2]) -> [f64; 2] {
        [
            self.left * vector[0] + self.both * vector[1],
            self.both * vector[0] + self.right * vector[1],
        ]
    }
}

impl Counts {
    /// Soft and asked of each group of asks, with how much higher it lies.
    fn groups(&self) -> [(f64, f64, f64); 2] {
        let first = f64::from(u8::from(self.first == Some(true)));
        [
            (COLD, first, f64::from(u8::from(self.first.is_some()))),
            (WARM, self.soft, self.asked),
        ]
    }

    /// Slope and curve of the log-likelihood at logit `x`.
    fn slope_and_curve(&self, x: f64) -> (f64, f64) {
        let (mut slope, mut curve) = (0.0, 0.0);
        for (offset, soft, asked) in self.groups() {
            if asked > 0.0 {
                let chance = chance(x + offset);
                slope += soft - asked * chance;
                curve += asked * chance * (1.0 - chance);
            }
        }
        (slope, curve)
    }

    /// The log-likelihood at logit `x`.
    fn log_likelihood(&self, x: f64) -> f64 {
        let groups = self.groups().into_iter().filter(|group| group.2 > 0.0);
        groups
            .map(|(offset, soft, asked)| {
                let chance = chance(x + offset);
                soft * chance.ln() + (asked - soft) * (1.0 - chance).ln()
            })
            .sum()
    }
}

/// A chance that is never quite nothing nor quite sure.
fn chance(x: f64) -> f64 {
    logistic(x).clamp(1e-12, 1.0 - 1e-12)
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
