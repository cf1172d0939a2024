//! Evenness: left against right.
//!
//! # Source
//! Symmetry index 200 (L - R) / (L + R) %: Robinson, Herzog and Nigg, Journal
//! of Manipulative and Physiological Therapeutics 10 (1987) 172-176.

use serde::{Deserialize, Serialize};

use super::give_time::{log_rank, restricted_mean_s};
use super::{Ask, times_of};
use crate::Side;
use crate::rep::TimeToGive;

/// Left against right.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Evenness {
    /// Soft share left less soft share right.
    pub difference: f64,
    /// Restricted mean time of the slower side over that of the quicker side;
    /// none where it is not timed.
    pub time_ratio: Option<f64>,
    /// Symmetry index of the restricted mean times, in percent; above zero: the
    /// left is slower. None where it is not timed.
    pub symmetry_index_pct: Option<f64>,
    /// The side with the lower soft share; with equal shares, the slower one. What these
    /// asks show, and not yet the stiff side: see [`stiff`](super::stiff).
    pub lower_side: Option<Side>,
    /// Log-rank p of the times: how easily chance alone makes such a difference.
    pub p: Option<f64>,
}

/// The symmetry index in percent; zero when both are zero.
pub fn symmetry_index_pct(left: f64, right: f64) -> f64 {
    if left + right == 0.0 {
        0.0
    } else {
        200.0 * (left - right) / (left + right)
    }
}

/// Compares the sides: each its soft share, and its times where it was timed.
pub fn evenness(
    left: (f64, &[TimeToGive]),
    right: (f64, &[TimeToGive]),
    horizon_s: f64,
) -> Evenness {
    let left_mean = restricted_mean_s(left.1, horizon_s);
    let right_mean = restricted_mean_s(right.1, horizon_s);
    let means = left_mean.zip(right_mean);
    let difference = left.0 - right.0;
    Evenness {
        difference,
        time_ratio: means.map(|(left, right)| ratio(left, right)),
        symmetry_index_pct: means.map(|(left, right)| symmetry_index_pct(left, right)),
        lower_side: lower_side(difference, means.map_or(0.0, |(left, right)| left - right)),
        p: log_rank(left.1, right.1).map(|test| test.p),
    }
}

/// Below a tenth of a second a hand cannot tell two times apart, so the ratio
/// of two such times says nothing: both are taken as a tenth at least.
fn ratio(left_mean: f64, right_mean: f64) -> f64 {
    let (left, right) = (left_mean.max(0.1), right_mean.max(0.1));
    left.max(right) / left.min(right)
}

fn lower_side(share_difference: f64, time_difference: f64) -> Option<Side> {
    match (share_difference, time_difference) {
        (share, _) if share < 0.0 => Some(Side::Left),
        (share, _) if share > 0.0 => Some(Side::Right),
        (_, time) if time > 0.0 => Some(Side::Left),
        (_, time) if time < 0.0 => Some(Side::Right),
        _ => None,
    }
}

/// The ratio of the restricted mean times, slower side over quicker; none while
/// one of them was not timed.
pub fn time_ratio(asks: &[Ask], horizon_s: f64) -> Option<f64> {
    let left = restricted_mean_s(&times_of(asks, Side::Left), horizon_s)?;
    let right = restricted_mean_s(&times_of(asks, Side::Right), horizon_s)?;
    Some(ratio(left, right))
}
