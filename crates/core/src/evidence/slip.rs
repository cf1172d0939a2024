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

/// Days that make a settled level.
const SETTLED_DAYS: usize = 6;
/// The least spread a daily share is taken to have.
const LEAST_SD: f64 = 0.05;
/// Weight of the newest day and width of the limits, for the daily soft share.
const DAILY: (f64, f64) = (0.3, 2.7);

/// A slip against the horse's own settled level.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Slip {
    /// The settled soft share.
    pub settled: f64,
    /// What the moving average may not fall under.
    pub lower: f64,
    /// The moving average now.
    pub now: f64,
    /// The day it first fell under, of those since it last stood above.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub since: Option<Date>,
}

/// Watches the daily soft shares from the day a level was held against the first
/// days after it; none until it has settled and been asked since.
///
/// Source: EWMA chart as [`ewma`]; which days count as settled, λ and the width
/// are product defaults.
pub fn slip(days: &[(Date, f64)], held_since: Date) -> Option<Slip> {
    let held: Vec<(Date, f64)> = days
        .iter()
        .copied()
        .filter(|(day, _)| *day >= held_since)
        .collect();
    let (settled, since) = held.split_at_checked(SETTLED_DAYS)?;
    if since.is_empty() {
        return None;
    }
    let target = settled.iter().map(|(_, share)| share).sum::<f64>() / SETTLED_DAYS as f64;
    let spread = settled
        .iter()
        .map(|(_, share)| (share - target).powi(2))
        .sum::<f64>()
        / (SETTLED_DAYS as f64 - 1.0);
    let values: Vec<f64> = since.iter().map(|(_, share)| *share).collect();
    let chart = ewma(
        &values,
        target,
        spread.sqrt().max(LEAST_SD),
        DAILY.0,
        DAILY.1,
    );
    let under_from = chart
        .z
        .iter()
        .rposition(|z| *z >= chart.lower)
        .map_or(0, |above| above + 1);
    Some(Slip {
        settled: target,
        lower: chart.lower,
        now: chart.z[chart.z.len() - 1],
        since: since.get(under_from).map(|(day, _)| *day),
    })
}
