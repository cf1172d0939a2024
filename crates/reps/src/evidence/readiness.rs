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
//! each day the posterior is taken as normal at its mode (Laplace). How strong the
//! days are, whether good and bad days come in spells (ground, weather, a sore back last
//! for weeks: an effect common to both sides whose autocorrelation is [`SPELL`] a calendar
//! day), and whether the horse learns bit by bit or all at once, is not known: one
//! filter runs for each of [`MODELS`], and they are weighted by how well they predict
//! the days so far. The asks of a day enter with their likelihood, whatever made the
//! rider quit: stopping on a good one does not flatter. Where a rider is very likely
//! to differ from the barn's usual one (`rider.rs`), their asks lie that much higher or
//! lower.
//!
//! # Source
//! Filtering of a random walk behind binary answers: Smith et al., Journal of
//! Neuroscience 24 (2004) 447-461; local trend: Harvey, Forecasting, Structural
//! Time Series Models and the Kalman Filter (1989), chapter 4; both from memory.
//! The figures of the model are product defaults, chosen on the bench
//! (docs/judge.md).

use jiff::civil::Date;

use super::algebra::{Pair, logistic, logit, tail};
use super::ask::Ask;
use crate::Side;

/// How much lower the first ask of a day and side lies.
pub const COLD: f64 = -0.4;
/// How much higher the other asks lie, on average.
pub const WARM: f64 = 0.1;
/// What is left of the speed of learning a day asked later.
pub const FADE: f64 = 0.9;

/// A kind of horse and days that may be at hand.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Model {
    /// Standard deviation of the effect of a day alone.
    pub day_sd: f64,
    /// Standard deviation of what lasts for days: a spell; 0 for none.
    pub spell_sd: f64,
    /// Variance of what the readiness does of itself from one day asked to the next.
    pub drift_variance: f64,
    /// Speed of learning at the start.
    pub start_speed: f64,
    /// Weight before anything was asked.
    pub weight: f64,
}

/// What is left of a spell a calendar day later.
pub const SPELL: f64 = 0.8;

/// Even days, strong days, a horse whose readiness jumps, and days that come in spells.
pub const MODELS: [Model; 4] = [
    Model {
        day_sd: 0.5,
        spell_sd: 0.0,
        drift_variance: 0.004,
        start_speed: 0.1,
        weight: 1.0,
    },
    Model {
        day_sd: 1.0,
        spell_sd: 0.0,
        drift_variance: 0.004,
        start_speed: 0.1,
        weight: 1.5,
    },
    Model {
        day_sd: 0.7,
        spell_sd: 0.0,
        drift_variance: 0.04,
        start_speed: 0.0,
        weight: 6.0,
    },
    Model {
        day_sd: 0.3,
        spell_sd: 0.75,
        drift_variance: 0.004,
        start_speed: 0.1,
        weight: 0.7,
    },
];

/// How fast the learning of a horse levels off, when its future is drawn.
pub(super) const FUTURE_FADE: (f64, f64) = (0.92, 0.99);

const START: f64 = -1.0;
const START_COMMON_VARIANCE: f64 = 1.5;
const START_OWN_VARIANCE: f64 = 0.3;
const START_SPEED_VARIANCE: f64 = 0.01;
/// Of a horse that is not taken to be under way.
const NO_SPEED_VARIANCE: f64 = 1e-9;
const SPEED_VARIANCE: f64 = 0.001;
const IDLE_VARIANCE: f64 = 0.004;
const MOST_IDLE_DAYS: i32 = 60;
/// Steps of Newton's method to the mode, at most, and when to stop.
const MOST_STEPS: usize = 10;
const CLOSE_ENOUGH: f64 = 1e-4;
/// Left, right, speed, spell.
const SIZE: usize = 4;
/// Where the spell stands.
const IN_SPELL: usize = 3;

type Vector = [f64; SIZE];
type Matrix = [[f64; SIZE]; SIZE];

/// Soft and asked of one side on one day, the first ask apart.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
struct Counts {
    first: Option<bool>,
    first_offset: f64,
    soft: f64,
    asked: f64,
    /// Sum of the riders' offsets of the asks after the first.
    offsets: f64,
}

/// What one day showed.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct DayEvidence([Counts; 2]);

impl DayEvidence {
    /// Adds the next ask of the day; asks of both sides count as left. The rider's
    /// offset is how much more is soft with this rider than with the barn's usual one.
    pub fn add(&mut self, side: Side, soft: bool, rider_offset: f64) {
        let counts = &mut self.0[slot(side)];
        if counts.first.is_none() {
            counts.first = Some(soft);
            counts.first_offset = rider_offset;
        } else {
            counts.asked += 1.0;
            counts.soft += f64::from(u8::from(soft));
            counts.offsets += rider_offset;
        }
    }

    /// What the asks of one day show; they are in order.
    pub fn of(asks: &[Ask]) -> DayEvidence {
        let mut shown = DayEvidence::default();
        for ask in asks {
            shown.add(ask.side, ask.soft, f64::from(ask.rider_offset));
        }
        shown
    }
}

pub(super) fn slot(side: Side) -> usize {
    usize::from(side == Side::Right)
}

#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Filter {
    pub mean: Vector,
    pub covariance: Matrix,
    pub day_variance: f64,
    pub spell_variance: f64,
    pub drift_variance: f64,
    pub log_evidence: f64,
}

/// The readiness of a level as far as it has been asked.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Readiness {
    pub(super) filters: [Filter; MODELS.len()],
    last: Option<Date>,
}

impl Default for Readiness {
    fn default() -> Readiness {
        Readiness {
            filters: MODELS.map(Filter::new),
            last: None,
        }
    }
}

impl Readiness {
    /// The readiness after the days of `asks`, which are in order.
    pub fn after(asks: &[Ask]) -> Readiness {
        let mut readiness = Readiness::default();
        for day in asks.chunk_by(|a, b| a.day == b.day) {
            readiness.day(day[0].day, &DayEvidence::of(day));
        }
        readiness
    }

    /// Takes in one day, later than all before.
    pub fn day(&mut self, day: Date, shown: &DayEvidence) {
        let idle = self.last.map(|last| {
            (day.since(last).map_or(1, |span| span.get_days()) - 1).clamp(0, MOST_IDLE_DAYS)
        });
        let lies = shown.0.map(|counts| counts.groups());
        for filter in &mut self.filters {
            if let Some(idle) = idle {
                filter.go_on(f64::from(idle));
            }
            filter.take_in(&lies);
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

    /// How likely each of [`MODELS`] is by now; they add up to one.
    pub fn likely(&self) -> [f64; MODELS.len()] {
        let best = self.filters.iter().map(|filter| filter.log_evidence);
        let best = best.fold(f64::MIN, f64::max);
        let weights = self
            .filters
            .map(|filter| (filter.log_evidence - best).exp());
        let sum: f64 = weights.iter().sum();
        weights.map(|weight| weight / sum)
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
    fn new(model: Model) -> Filter {
        let own = START_COMMON_VARIANCE + START_OWN_VARIANCE;
        let mut covariance = [[0.0; SIZE]; SIZE];
        covariance[0][0] = own;
        covariance[1][1] = own;
        covariance[0][1] = START_COMMON_VARIANCE;
        covariance[1][0] = START_COMMON_VARIANCE;
        covariance[2][2] = if model.start_speed > 0.0 {
            START_SPEED_VARIANCE
        } else {
            NO_SPEED_VARIANCE
        };
        covariance[IN_SPELL][IN_SPELL] = model.spell_sd * model.spell_sd;
        Filter {
            mean: [START, START, model.start_speed, 0.0],
            covariance,
            day_variance: model.day_sd * model.day_sd,
            spell_variance: model.spell_sd * model.spell_sd,
            drift_variance: model.drift_variance,
            log_evidence: model.weight.ln(),
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
        let noise = self.drift_variance + IDLE_VARIANCE * idle;
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
        if self.spell_variance > 0.0 {
            self.spell_goes_on(idle, &c);
        }
    }

    /// The spell fades by each calendar day, and a new one grows.
    fn spell_goes_on(&mut self, idle: f64, c: &Matrix) {
        let left = SPELL.powf(idle + 1.0);
        self.mean[IN_SPELL] *= left;
        let with = [
            left * (c[0][IN_SPELL] + c[2][IN_SPELL]),
            left * (c[1][IN_SPELL] + c[2][IN_SPELL]),
            left * FADE * c[2][IN_SPELL],
        ];
        for (row, with) in with.into_iter().enumerate() {
            self.covariance[row][IN_SPELL] = with;
            self.covariance[IN_SPELL][row] = with;
        }
        self.covariance[IN_SPELL][IN_SPELL] =
            left * left * c[IN_SPELL][IN_SPELL] + (1.0 - left * left) * self.spell_variance;
    }

    /// How a state goes with the sums that the asks speak of: a side's readiness, with the
    /// spell on top.
    fn with_sums(c: &Matrix, row: usize) -> [f64; 2] {
        [c[row][0] + c[row][IN_SPELL], c[row][1] + c[row][IN_SPELL]]
    }

    /// The asks speak only of two sums, readiness of a side plus spell and day effect, so
    /// the mode is looked for there (two unknowns) and carried over to the state.
    fn take_in(&mut self, shown: &[[Group; 2]; 2]) {
        let c = &self.covariance;
        let spell = self.mean[IN_SPELL];
        let prior = [self.mean[0] + spell, self.mean[1] + spell];
        let (left, right) = (Filter::with_sums(c, 0), Filter::with_sums(c, 1));
        let own = Filter::with_sums(c, IN_SPELL);
        let spread = Pair {
            left: left[0] + own[0] + self.day_variance,
            right: right[1] + own[1] + self.day_variance,
            both: left[1] + own[1] + self.day_variance,
        };
        let precision = spread.inverse();
        let mut at = prior;
        let mut curve = [0.0; 2];
        for _ in 0..MOST_STEPS {
            let pull = precision.times([at[0] - prior[0], at[1] - prior[1]]);
            let mut slope = [0.0; 2];
            for side in [0, 1] {
                let (own_slope, own_curve) = slope_and_curve(&shown[side], at[side]);
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
            .map(|side| log_likelihood(&shown[side], at[side]))
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
        let sums: [[f64; 2]; SIZE] = std::array::from_fn(|row| Filter::with_sums(&c, row));
        for (mean, with) in self.mean.iter_mut().zip(&sums) {
            *mean += with[0] * pull[0] + with[1] * pull[1];
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
        // Without spells the last row and column stay nothing.
        let size = if self.spell_variance > 0.0 {
            SIZE
        } else {
            IN_SPELL
        };
        for row in 0..size {
            let through = narrowing.times(sums[row]);
            for (column, to) in sums[..size].iter().enumerate() {
                self.covariance[row][column] -= through[0] * to[0] + through[1] * to[1];
            }
        }
    }
}

/// Asks of one side and day that lie equally high.
#[derive(Debug, Clone, Copy)]
struct Group {
    soft: f64,
    asked: f64,
    /// How much higher they lie than the readiness, on the logit scale.
    offset: f64,
    /// What that multiplies the odds against a soft answer with.
    odds_against: f64,
}

impl Group {
    fn new(soft: f64, asked: f64, offset: f64) -> Group {
        Group {
            soft,
            asked,
            offset,
            odds_against: (-offset).exp(),
        }
    }
}

impl Counts {
    /// The first ask, and the others.
    fn groups(&self) -> [Group; 2] {
        let first = f64::from(u8::from(self.first == Some(true)));
        let firsts = f64::from(u8::from(self.first.is_some()));
        // Two riders of one day are taken together, by their asks.
        let riders = self.offsets / self.asked.max(1.0);
        [
            Group::new(first, firsts, COLD + self.first_offset),
            Group::new(self.soft, self.asked, WARM + riders),
        ]
    }
}

/// Odds against a soft answer at logit `x`: never quite nothing nor quite sure. The groups of
/// a side share it: an exponential is what a day costs most.
fn odds_against(x: f64) -> f64 {
    (-x).exp().clamp(1e-12, 1e12)
}

/// Slope and curve of the log-likelihood of a side's asks at logit `x`.
fn slope_and_curve(groups: &[Group; 2], x: f64) -> (f64, f64) {
    let against = odds_against(x);
    let (mut slope, mut curve) = (0.0, 0.0);
    for group in groups {
        let chance = 1.0 / (1.0 + against * group.odds_against);
        slope += group.soft - group.asked * chance;
        curve += group.asked * chance * (1.0 - chance);
    }
    (slope, curve)
}

/// The log-likelihood of a side's asks at logit `x`.
fn log_likelihood(groups: &[Group; 2], x: f64) -> f64 {
    let against = odds_against(x);
    groups
        .iter()
        .filter(|group| group.asked > 0.0)
        .map(|group| {
            let never = (1.0 + against * group.odds_against).ln();
            -group.asked * never - (group.asked - group.soft) * (x + group.offset)
        })
        .sum()
}
