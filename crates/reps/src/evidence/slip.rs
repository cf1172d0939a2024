//! Slip alarm: a daily figure watched against the horse's own settled level.
//!
//! # Formula
//! EWMA: z = λ x + (1 - λ) z before, starting from the target; limits target ±
//! width · sd · √(λ / (2 - λ)). CUSUM: high = max(0, high + x - target - k),
//! low = max(0, low + target - k - x); an alarm when either exceeds h.
//!
//! # Source
//! Roberts, Technometrics 1 (1959) 239-250; Page, Biometrika 41 (1954) 100-115;
//! in this form the NIST/SEMATECH e-Handbook of Statistical Methods, sections
//! 6.3.2.4 and 6.3.2.3.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::soft_count::SoftCount;

/// An EWMA chart.
#[derive(Debug, Clone, PartialEq)]
pub struct Ewma {
    /// The average after each value.
    pub z: Vec<f64>,
    /// Lower limit.
    pub lower: f64,
    /// Upper limit.
    pub upper: f64,
    /// Index of the first average outside the limits.
    pub alarm_at: Option<usize>,
}

/// The EWMA chart of `values`; `lambda` in (0, 1], `sd` not below zero.
pub fn ewma(values: &[f64], target: f64, sd: f64, lambda: f64, width: f64) -> Ewma {
    let reach = width * sd * (lambda / (2.0 - lambda)).sqrt();
    let (lower, upper) = (target - reach, target + reach);
    let mut before = target;
    let z: Vec<f64> = values
        .iter()
        .map(|value| {
            before = lambda * value + (1.0 - lambda) * before;
            before
        })
        .collect();
    let alarm_at = z
        .iter()
        .position(|average| *average < lower || *average > upper);
    Ewma {
        z,
        lower,
        upper,
        alarm_at,
    }
}

/// A two-sided tabular CUSUM.
#[derive(Debug, Clone, PartialEq)]
pub struct Cusum {
    /// Cumulated excess above target + k.
    pub high: Vec<f64>,
    /// Cumulated shortfall below target - k.
    pub low: Vec<f64>,
    /// Index of the first value after which either exceeds h.
    pub alarm_at: Option<usize>,
}

/// The CUSUM of `values` with slack `k` and limit `h`.
pub fn cusum(values: &[f64], target: f64, k: f64, h: f64) -> Cusum {
    let (mut above, mut below) = (0.0f64, 0.0f64);
    let (mut high, mut low) = (Vec::new(), Vec::new());
    for value in values {
        above = (above + value - target - k).max(0.0);
        below = (below + target - k - value).max(0.0);
        high.push(above);
        low.push(below);
    }
    let alarm_at = high.iter().zip(&low).position(|(a, b)| *a > h || *b > h);
    Cusum {
        high,
        low,
        alarm_at,
    }
}

/// Days that make a settled level, at least ...
const SETTLED_DAYS: usize = 6;
/// ... and asks.
const SETTLED_ASKS: u32 = 60;
/// Weight of the newest day.
const NEWEST: f64 = 0.2;
/// Width of the limit, in standard deviations: at most one false alarm in 200 rides of a
/// horse that stays where it is (`tests/held/steady.rs`).
const WIDTH: f64 = 3.0;
/// A slip is over once the average stands within this part of the limit again: one that
/// hangs about the limit is one alarm and not many.
const BACK: f64 = 0.5;
/// How much days differ as a whole, on the logit scale.
const DAY_SD: f64 = 0.5;

/// A slip against the horse's own settled level.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Slip {
    /// The settled soft share.
    pub settled: f64,
    /// What the moving average may not fall under, by the asks so far.
    pub lower: f64,
    /// The moving average now.
    pub now: f64,
    /// The day it first fell under; none once it has come half the way back.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub since: Option<Date>,
}

/// Watches the daily soft answers from the day a level was held against the first days
/// after it; none until it has settled and been asked since.
///
/// # Formula
/// The EWMA of the daily shares. Its variance is carried along day by day, λ² v + (1 - λ)²
/// V: the variance v of a day's share is that of its asks, p (1 - p) / n, and of days that
/// differ as a whole, (p (1 - p) [`DAY_SD`])². What is not known of the settled share comes
/// on top, so that few asks alarm late.
///
/// Source: EWMA chart as [`ewma`], with limits by the size of each sample (Montgomery,
/// Introduction to Statistical Quality Control, chapter on EWMA charts; from memory). λ, the
/// width and which days count as settled are product defaults.
pub fn slip(days: &[(Date, SoftCount)], held_since: Date) -> Option<Slip> {
    let held = days
        .iter()
        .filter(|(day, count)| *day >= held_since && count.asked > 0);
    let held: Vec<(Date, SoftCount)> = held.copied().collect();
    let (mut days, mut asks) = (0, 0);
    while days < SETTLED_DAYS || asks < SETTLED_ASKS {
        asks += held.get(days)?.1.asked;
        days += 1;
    }
    let (settled, since) = held.split_at(days);
    if since.is_empty() {
        return None;
    }
    let soft: u32 = settled.iter().map(|(_, count)| count.soft).sum();
    let asked: u32 = settled.iter().map(|(_, count)| count.asked).sum();
    // Half an answer more on each side: a share of all leaves room for doubt.
    let target = (f64::from(soft) + 0.5) / (f64::from(asked) + 1.0);
    let chance = target * (1.0 - target);
    let of_days = (chance * DAY_SD).powi(2);
    let unknown = chance / f64::from(asked) + of_days / settled.len() as f64;
    let (mut average, mut variance) = (target, 0.0);
    let (mut lower, mut under) = (target, None);
    for (day, count) in since {
        let share = f64::from(count.soft) / f64::from(count.asked);
        average = NEWEST * share + (1.0 - NEWEST) * average;
        variance = NEWEST * NEWEST * (chance / f64::from(count.asked) + of_days)
            + (1.0 - NEWEST).powi(2) * variance;
        let reach = WIDTH * (variance + unknown).sqrt();
        lower = target - reach;
        let over = if under.is_some() { BACK } else { 1.0 };
        under = (average < target - over * reach).then(|| under.unwrap_or(*day));
    }
    Some(Slip {
        settled: target,
        lower,
        now: average,
        since: under,
    })
}
