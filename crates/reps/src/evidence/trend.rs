//! Trend: improving, level or slipping over the days.
//!
//! # Formula
//! Slope: the median of the slopes of all pairs of days (Theil-Sen). Test:
//! Mann-Kendall S, the pairs that rise less the pairs that fall; tau-b is S over
//! the pairs that could have, ties taken out. Without ties the two-sided p is
//! exact, from the number of orders of n days that have each S; with ties it is
//! the normal approximation with the tie correction and a continuity correction.
//!
//! # Source
//! Theil, Proc. Kon. Ned. Akad. Wetensch. A 53 (1950); Sen, JASA 63 (1968)
//! 1379-1389; Mann, Econometrica 13 (1945) 245-259; Kendall, Rank Correlation
//! Methods (1975). The least number of days and the p that counts as a trend are
//! product defaults.

use serde::{Deserialize, Serialize};
use statrs::distribution::{ContinuousCDF, Normal};

/// Fewer days than this cannot show a trend: with three, no order is rarer than one in three.
pub const LEAST_DAYS: usize = 4;
/// The two-sided p up to which the days speak of a trend.
pub const TREND_P: f64 = 0.10;

/// What the days say.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Direction {
    /// Rising.
    Improving,
    /// Neither rising nor falling as far as can be told.
    Level,
    /// Falling.
    Slipping,
    /// Too few days to say.
    TooFewDays,
}

/// A trend over days; larger values are better.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Trend {
    /// Change per day; none with fewer than two days.
    pub slope_per_day: Option<f64>,
    /// Kendall's tau-b; none when nothing varies.
    pub tau: Option<f64>,
    /// Two-sided p; none when nothing varies.
    pub p: Option<f64>,
    /// In a word.
    pub direction: Direction,
}

/// The trend of `values` over `days`, which differ from each other.
pub fn trend(days: &[f64], values: &[f64]) -> Trend {
    let mut points: Vec<(f64, f64)> = days.iter().copied().zip(values.iter().copied()).collect();
    points.sort_by(|a, b| a.0.total_cmp(&b.0));
    let mut slopes = Vec::new();
    let mut s = 0i64;
    for (index, earlier) in points.iter().enumerate() {
        for later in &points[index + 1..] {
            slopes.push((later.1 - earlier.1) / (later.0 - earlier.0));
            s += i64::from(later.1 > earlier.1) - i64::from(later.1 < earlier.1);
        }
    }
    let ties = ties(&points);
    let slope_per_day = median(&mut slopes);
    let p = two_sided_p(s, points.len(), &ties);
    Trend {
        slope_per_day,
        tau: tau_b(s, points.len(), &ties),
        p,
        direction: direction(points.len(), s, p),
    }
}

fn direction(days: usize, s: i64, p: Option<f64>) -> Direction {
    match p {
        _ if days < LEAST_DAYS => Direction::TooFewDays,
        Some(p) if p <= TREND_P && s > 0 => Direction::Improving,
        Some(p) if p <= TREND_P && s < 0 => Direction::Slipping,
        _ => Direction::Level,
    }
}

/// The sizes of groups of equal values, two or more.
fn ties(points: &[(f64, f64)]) -> Vec<f64> {
    let mut values: Vec<f64> = points.iter().map(|point| point.1).collect();
    values.sort_by(f64::total_cmp);
    values
        .chunk_by(|a, b| a == b)
        .filter(|group| group.len() > 1)
        .map(|group| group.len() as f64)
        .collect()
}

fn tau_b(s: i64, days: usize, ties: &[f64]) -> Option<f64> {
    let pairs = days as f64 * (days as f64 - 1.0) / 2.0;
    let tied: f64 = ties.iter().map(|t| t * (t - 1.0) / 2.0).sum();
    let could = (pairs * (pairs - tied)).sqrt();
    (could > 0.0).then(|| s as f64 / could)
}

fn two_sided_p(s: i64, days: usize, ties: &[f64]) -> Option<f64> {
    if days < 2 {
        None
    } else if ties.is_empty() && days <= 60 {
        Some(exact_p(s.unsigned_abs(), days))
    } else {
        normal_p(s, days, ties)
    }
}

/// The share of all orders of `days` different values whose |S| is at least `s`.
fn exact_p(s: u64, days: usize) -> f64 {
    let shares = inversion_shares(days);
    let pairs = (days * (days - 1) / 2) as i64;
    shares
        .iter()
        .enumerate()
        .filter(|(inversions, _)| (pairs - 2 * *inversions as i64).unsigned_abs() >= s)
        .map(|(_, share)| share)
        .sum::<f64>()
        .min(1.0)
}

/// For each number of inversions, the share of the orders of n values that have it.
fn inversion_shares(n: usize) -> Vec<f64> {
    let mut shares = vec![1.0];
    for size in 2..=n {
        let mut next = vec![0.0; shares.len() + size - 1];
        for (inversions, share) in shares.iter().enumerate() {
            for more in 0..size {
                next[inversions + more] += share / size as f64;
            }
        }
        shares = next;
    }
    shares
}

fn normal_p(s: i64, days: usize, ties: &[f64]) -> Option<f64> {
    let term = |n: f64| n * (n - 1.0) * (2.0 * n + 5.0);
    let variance = (term(days as f64) - ties.iter().map(|t| term(*t)).sum::<f64>()) / 18.0;
    if variance <= 0.0 {
        return None;
    }
    let z = ((s.abs() - 1).max(0)) as f64 / variance.sqrt();
    Some((2.0 * Normal::standard().sf(z)).min(1.0))
}

fn median(values: &mut [f64]) -> Option<f64> {
    values.sort_by(f64::total_cmp);
    let middle = values.len() / 2;
    match values.len() {
        0 => None,
        odd if odd % 2 == 1 => Some(values[middle]),
        _ => Some(f64::midpoint(values[middle - 1], values[middle])),
    }
}
