//! How often a level that a gate let through was not really there: what the gate says of its
//! own risk.
//!
//! # Formula
//! A logistic regression fitted on the bench, on simulated horses whose true readiness is
//! known (`cavesson bench families`, docs/judge.md, "Every family of gates"): the risk grows
//! with how strongly this horse's days swing (the square of how likely strong days are), with
//! the days it took (a horse that hangs about the need passes by chance in the end), and is
//! higher where little is asked on a day.
//!
//! # Where it holds
//! Within two points where days are each their own. From one horse's answers good and bad
//! weeks cannot be told from a good horse while they last, nor a horse that stays just under
//! the need from one just above it: there more is wrong, and that is said beside it.
//!
//! Source: own, measured.

use serde::{Deserialize, Serialize};

use crate::evidence::readiness::Readiness;
use crate::ladder::Gate;
use crate::rep::MeasureKind;

/// The regression: constant, strong days, days, little asked on a day.
const CONSTANT: f64 = -9.3;
const STRONG_DAYS: f64 = 1.4;
const DAYS: f64 = 1.48;
const LITTLE_ASKED: f64 = 0.4;
/// Asks of a side on a day below which little is asked.
const LITTLE: f64 = 2.0;
/// Where strong days stand among the models of readiness.
const STRONG: usize = 1;
/// The most that was wrong on the bench where good and bad weeks come in spells: one in so
/// many.
const IN_SPELLS: u32 = 4;
/// A gate is as safe as those on the bench from here on.
const LEAST_SHARE: f64 = 0.70;
/// See [`LEAST_SHARE`].
const LEAST_CONFIDENCE: f64 = 0.92;

/// What a gate looked at when it was passed.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Passed {
    /// How likely strong days were, 0 to 1.
    pub strong_days: f64,
    /// Days on which the level had been asked.
    pub days: usize,
    /// Asks of a side on one of them, on average.
    pub asks_a_day: f64,
}

impl Passed {
    /// What the readiness after so many days and asks of a side shows.
    pub fn of(readiness: &Readiness, days: usize, asks_a_side: f64) -> Passed {
        Passed {
            strong_days: readiness.likely()[STRONG],
            days,
            asks_a_day: asks_a_side / days.max(1) as f64,
        }
    }
}

/// How often a gate like this one was wrong.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GateRisk))]
pub struct Risk {
    /// The share of gates like it that were wrong, 0 to 1, where days are each their own.
    pub share: f64,
    /// In a sentence.
    pub text: String,
}

/// The risk of a gate that was passed; none for a gate that asks for less than those on the
/// bench, or that looks at no readiness at all.
pub fn risk(gate: &Gate, passed: &Passed) -> Option<Risk> {
    let is_measured = gate.low_share >= LEAST_SHARE && gate.confidence >= LEAST_CONFIDENCE;
    is_measured.then(|| {
        let share = share(passed);
        Risk {
            share,
            text: format!(
                "{} really there. While good or bad weeks last it can't be told: up to 1 in \
                 {IN_SPELLS}.",
                like_this(share)
            ),
        }
    })
}

fn share(passed: &Passed) -> f64 {
    let little = f64::from(u8::from(passed.asks_a_day < LITTLE));
    let logit = CONSTANT
        + STRONG_DAYS * passed.strong_days.powi(2)
        + DAYS * (passed.days as f64).ln_1p()
        + LITTLE_ASKED * little;
    1.0 / (1.0 + (-logit).exp())
}

/// "About 1 in 14 like this isn't", and so few that it is no use to count them.
fn like_this(share: f64) -> String {
    if share <= 0.01 {
        "Fewer than 1 in 100 like this aren't".to_owned()
    } else {
        format!("About {} like this isn't", one_in(share))
    }
}

/// "1 in 14"; from 1 in 20 on to the nearest five.
fn one_in(share: f64) -> String {
    let exact = 1.0 / share;
    let round = if exact >= 20.0 {
        (exact / 5.0).round() * 5.0
    } else {
        exact.round()
    };
    format!("1 in {round:.0}")
}

/// What the standard gate of a kind of measure did on the bench.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Measured {
    /// Share let through that was not there, days each their own.
    pub usual: f64,
    /// The same of horses that hang about the need.
    pub about_the_need: f64,
    /// The same where good and bad weeks come in spells.
    pub in_spells: f64,
    /// The same where spells are strong and last.
    pub in_long_spells: f64,
    /// Rides from being ready to being let through: the median.
    pub rides_later: u32,
}

/// What the standard gate of a kind of measure did on the bench; none where there is no
/// chance in it. `cavesson bench families --horses 1000`, and `tests/gate_families.rs` keeps
/// it true.
pub fn measured(measure: MeasureKind) -> Option<Measured> {
    let (usual, about_the_need, in_spells, in_long_spells, rides_later) = match measure {
        MeasureKind::Give => (0.024, 0.075, 0.082, 0.213, 7),
        MeasureKind::Steps => (0.027, 0.066, 0.099, 0.221, 8),
        MeasureKind::Circle => (0.030, 0.082, 0.116, 0.225, 8),
        MeasureKind::Stop => (0.024, 0.059, 0.099, 0.167, 8),
        MeasureKind::Roll => (0.031, 0.084, 0.106, 0.200, 11),
        MeasureKind::Depart => (0.042, 0.075, 0.086, 0.151, 10),
        MeasureKind::Change => (0.023, 0.100, 0.064, 0.135, 10),
        MeasureKind::Carry => (0.026, 0.075, 0.091, 0.165, 10),
        MeasureKind::Turn => (0.027, 0.104, 0.113, 0.235, 8),
        MeasureKind::Obstacle => (0.041, 0.093, 0.063, 0.131, 9),
        MeasureKind::Run => (0.034, 0.103, 0.052, 0.095, 11),
        MeasureKind::Calm => (0.029, 0.112, 0.063, 0.100, 11),
        MeasureKind::Count => return None,
    };
    Some(Measured {
        usual,
        about_the_need,
        in_spells,
        in_long_spells,
        rides_later,
    })
}

impl Measured {
    /// The same in sentences.
    pub fn text(&self) -> String {
        format!(
            "On simulated horses {} that it let through wasn't there, and half of the ready ones \
             were through {} rides later. Of horses that hang about the need {}; while good and \
             bad weeks come and go {}, at worst {}.",
            one_in(self.usual),
            self.rides_later,
            one_in(self.about_the_need),
            one_in(self.in_spells),
            one_in(self.in_long_spells),
        )
    }
}
