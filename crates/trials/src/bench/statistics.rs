//! The published statistics of a level's asks, all at once: what the comparison
//! with general-purpose libraries computes on both sides.

use serde::Serialize;

use crate::Side;
use crate::day::days_between;
use crate::evidence::evenness::symmetry_index_pct;
use crate::evidence::give_time::{log_rank, median_s, restricted_mean_s};
use crate::evidence::share::{quantile, wilson};
use crate::evidence::trend::trend;
use crate::evidence::{Ask, times_of};

/// Seconds up to which the restricted mean is taken.
pub const HORIZON_S: f64 = 6.0;

/// One side's figures.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
pub struct SideStatistics {
    /// Soft share.
    pub share: f64,
    /// Wilson bounds, 90 % two-sided.
    pub low: f64,
    /// Upper bound.
    pub high: f64,
    /// Kaplan-Meier median; none where it is not reached.
    pub median_s: Option<f64>,
    /// Restricted mean time.
    pub restricted_mean_s: f64,
}

/// A level's figures.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
pub struct Statistics {
    /// Left.
    pub left: SideStatistics,
    /// Right.
    pub right: SideStatistics,
    /// Log-rank chi-square; none where it cannot be taken.
    pub chi2: Option<f64>,
    /// Its p.
    pub p: Option<f64>,
    /// Symmetry index of the restricted means, in percent.
    pub symmetry_index_pct: f64,
    /// Theil-Sen slope of the daily soft share.
    pub slope_per_day: Option<f64>,
    /// Kendall's tau-b of the daily soft share.
    pub tau: Option<f64>,
}

/// The figures of a level that is timed and asked on each side; none before each
/// side was asked.
pub fn statistics(asks: &[Ask]) -> Option<Statistics> {
    let left_times = times_of(asks, Side::Left);
    let right_times = times_of(asks, Side::Right);
    let left = side(asks, Side::Left)?;
    let right = side(asks, Side::Right)?;
    let test = log_rank(&left_times, &right_times);
    let (mut days, mut shares) = (Vec::new(), Vec::new());
    for day in asks.chunk_by(|a, b| a.day == b.day) {
        days.push(days_between(asks[0].day, day[0].day) as f64);
        shares.push(day.iter().filter(|ask| ask.soft).count() as f64 / day.len() as f64);
    }
    let trend = trend(&days, &shares);
    Some(Statistics {
        symmetry_index_pct: symmetry_index_pct(left.restricted_mean_s, right.restricted_mean_s),
        left,
        right,
        chi2: test.map(|test| test.chi2),
        p: test.map(|test| test.p),
        slope_per_day: trend.slope_per_day,
        tau: trend.tau,
    })
}

fn side(asks: &[Ask], side: Side) -> Option<SideStatistics> {
    let times = times_of(asks, side);
    let asked = times.len() as f64;
    let soft = asks
        .iter()
        .filter(|ask| ask.side == side && ask.soft)
        .count() as f64;
    let restricted_mean_s = restricted_mean_s(&times, HORIZON_S)?;
    let bounds = wilson(soft / asked, asked, quantile(0.90, true));
    Some(SideStatistics {
        share: soft / asked,
        low: bounds.low,
        high: bounds.high,
        median_s: median_s(&times),
        restricted_mean_s,
    })
}
