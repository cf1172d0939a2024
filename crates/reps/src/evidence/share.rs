//! Soft share: how often the answer was soft, and how sure that is.
//!
//! # Formula
//! Wilson score interval for a share p of n at quantile z:
//! (p + z²/2n ± z √(p(1-p)/n + z²/4n²)) / (1 + z²/n).
//!
//! Reps of one day are not independent. With days as clusters of sizes m, the
//! number of reps is divided by the design effect 1 + (m̄ - 1) ρ with
//! m̄ = Σm² / Σm. ρ is the analysis-of-variance estimate, drawn towards a prior
//! that counts as much as [`PRIOR_DAYS`] days.
//!
//! Two shares are compared by Newcombe's hybrid score interval: the distances from
//! each share to its own Wilson bounds, added as squares.
//!
//! # Source
//! Wilson, JASA 22 (1927) 209-212; Newcombe, Statistics in Medicine 17 (1998)
//! 857-872, method 3; two shares: the same 17 (1998) 873-890, method 10; design effect and ρ: Donner and Klar, Design and Analysis
//! of Cluster Randomization Trials (2000), chapter 1; effective sample size:
//! Rao and Scott, Biometrics 48 (1992) 577-585. How far ρ is drawn to the prior
//! is a product default.

use serde::{Deserialize, Serialize};
use statrs::distribution::{ContinuousCDF, Normal};

use super::SoftCount;

/// How many days the prior for ρ counts as much as. Product default.
pub const PRIOR_DAYS: f64 = 10.0;

/// An interval inside [0, 1].
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Interval {
    /// Lower bound.
    pub low: f64,
    /// Upper bound.
    pub high: f64,
}

/// A share with its bounds, days taken as clusters.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Share {
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
    /// soft / asked.
    pub share: f64,
    /// ρ after drawing it to the prior.
    pub icc: f64,
    /// Asks divided by the design effect.
    pub effective_asked: f64,
    /// Bounds with the effective number of asks.
    pub interval: Interval,
}

/// The standard normal quantile for a confidence on one or two sides.
pub fn quantile(confidence: f64, two_sided: bool) -> f64 {
    let upper = if two_sided {
        0.5 + confidence / 2.0
    } else {
        confidence
    };
    Normal::standard().inverse_cdf(upper)
}

/// Wilson's score interval for `share` of `asked` (not necessarily whole) at
/// quantile `z`. `asked` must be above zero.
pub fn wilson(share: f64, asked: f64, z: f64) -> Interval {
    let z2 = z * z;
    let centre = share + z2 / (2.0 * asked);
    let half = z * (share * (1.0 - share) / asked + z2 / (4.0 * asked * asked)).sqrt();
    let scale = 1.0 + z2 / asked;
    Interval {
        low: if share == 0.0 {
            0.0
        } else {
            ((centre - half) / scale).clamp(0.0, 1.0)
        },
        high: if share == 1.0 {
            1.0
        } else {
            ((centre + half) / scale).clamp(0.0, 1.0)
        },
    }
}

/// How alike the asks of one day are taken to be while few days are known. Product default.
pub const PRIOR_ICC: f64 = 0.05;

/// One share less another, with its bounds.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Difference {
    /// The first share less the second.
    pub difference: f64,
    /// Lower bound.
    pub low: f64,
    /// Upper bound.
    pub high: f64,
}

/// Compares two shares, each soft and asked, at quantile `z`; none until both
/// were asked.
pub fn difference(of_one: SoftCount, of_other: SoftCount, z: f64) -> Option<Difference> {
    let (one, other) = of_one.share().zip(of_other.share())?;
    let a = wilson(one, f64::from(of_one.asked), z);
    let b = wilson(other, f64::from(of_other.asked), z);
    let difference = one - other;
    Some(Difference {
        difference,
        low: difference - ((one - a.low).powi(2) + (b.high - other).powi(2)).sqrt(),
        high: difference + ((a.high - one).powi(2) + (other - b.low).powi(2)).sqrt(),
    })
}

/// Compares two shares, each over days that are taken as clusters, at quantile `z`; none until
/// both were asked.
pub fn difference_of_days(
    of_one: &[SoftCount],
    of_other: &[SoftCount],
    prior_icc: f64,
    z: f64,
) -> Option<Difference> {
    let one = share_of_days(of_one, prior_icc, z)?;
    let other = share_of_days(of_other, prior_icc, z)?;
    let difference = one.share - other.share;
    let (a, b) = (one.interval, other.interval);
    Some(Difference {
        difference,
        low: difference - ((one.share - a.low).powi(2) + (b.high - other.share).powi(2)).sqrt(),
        high: difference + ((a.high - one.share).powi(2) + (other.share - b.low).powi(2)).sqrt(),
    })
}

/// The share over several days with its bounds at quantile `z`; none when
/// nothing was asked.
pub fn share_of_days(days: &[SoftCount], prior_icc: f64, z: f64) -> Option<Share> {
    let asked: u32 = days.iter().map(|day| day.asked).sum();
    let soft: u32 = days.iter().map(|day| day.soft).sum();
    if asked == 0 {
        return None;
    }
    let share = f64::from(soft) / f64::from(asked);
    let icc = icc(days, prior_icc);
    let squares: f64 = days.iter().map(|day| f64::from(day.asked).powi(2)).sum();
    let usual_day = squares / f64::from(asked);
    let effective_asked = f64::from(asked) / (1.0 + (usual_day - 1.0) * icc);
    Some(Share {
        soft,
        asked,
        share,
        icc,
        effective_asked,
        interval: wilson(share, effective_asked, z),
    })
}

/// ρ of binary reps in days: the analysis-of-variance estimate drawn to `prior`.
pub fn icc(days: &[SoftCount], prior: f64) -> f64 {
    let Some(found) = anova_icc(days) else {
        return prior;
    };
    let count = days.iter().filter(|day| day.asked > 0).count() as f64;
    ((count * found + PRIOR_DAYS * prior) / (count + PRIOR_DAYS)).clamp(0.0, 0.99)
}

/// The analysis-of-variance estimate; none with fewer than two days, no day
/// with two asks, or no variation at all.
fn anova_icc(days: &[SoftCount]) -> Option<f64> {
    let asked_days: Vec<SoftCount> = days.iter().copied().filter(|day| day.asked > 0).collect();
    let k = asked_days.len() as f64;
    let n: f64 = asked_days.iter().map(|day| f64::from(day.asked)).sum();
    if k < 2.0 || n <= k {
        return None;
    }
    let overall = asked_days
        .iter()
        .map(|day| f64::from(day.soft))
        .sum::<f64>()
        / n;
    let (mut between, mut within, mut squares) = (0.0, 0.0, 0.0);
    for day in &asked_days {
        let m = f64::from(day.asked);
        let p = f64::from(day.soft) / m;
        between += m * (p - overall).powi(2);
        within += m * p * (1.0 - p);
        squares += m * m;
    }
    let mean_between = between / (k - 1.0);
    let mean_within = within / (n - k);
    let m0 = (n - squares / n) / (k - 1.0);
    let total = mean_between + (m0 - 1.0) * mean_within;
    (total > 0.0).then(|| ((mean_between - mean_within) / total).clamp(-1.0, 1.0))
}
