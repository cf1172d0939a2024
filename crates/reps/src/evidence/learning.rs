//! Learning: whether the soft answers come more often from ride to ride.
//!
//! # Formula
//! Logistic regression of the soft answers on the number of the ride, over the
//! last [`RIDES`] rides: an intercept for each side, one slope for both, each
//! drawn to nothing by a normal penalty. The posterior is taken as normal at its
//! mode (Laplace); what is asked of it is how sure it is that the slope is
//! upward.
//!
//! # Source
//! Penalised logistic regression and Laplace's approximation: MacKay, Neural
//! Computation 4 (1992) 720-736 (from memory). The penalties and the number of
//! rides are product defaults.

use statrs::function::erf::erfc;

use super::Ask;
use crate::Side;

/// Rides looked back.
pub const RIDES: usize = 20;
const INTERCEPT_SD: f64 = 2.0;
const SLOPE_SD: f64 = 0.15;

/// How sure it is that the horse is learning, 0 to 1. One half when nothing
/// speaks for it or against it.
pub fn upward(asks: &[Ask], sides: &[Side]) -> f64 {
    let rides: Vec<&[Ask]> = asks.chunk_by(|a, b| a.ride_id == b.ride_id).collect();
    let lately = &rides[rides.len().saturating_sub(RIDES)..];
    let middle = (lately.len() as f64 - 1.0) / 2.0;
    let mut points: Vec<(usize, f64, f64, f64)> = Vec::with_capacity(2 * lately.len());
    for (number, ride) in lately.iter().enumerate() {
        for (index, side) in sides.iter().enumerate() {
            let of = ride.iter().filter(|ask| ask.side == *side);
            let asked = of.clone().count() as f64;
            let soft = of.filter(|ask| ask.soft).count() as f64;
            points.push((index, number as f64 - middle, soft, asked));
        }
    }
    let (slope, sd) = fit(&points);
    0.5 * erfc(-slope / sd / std::f64::consts::SQRT_2)
}

/// The slope at the mode, and its standard deviation. With the sides'
/// intercepts taken out of it, the curve at the slope is a sum over the sides.
fn fit(points: &[(usize, f64, f64, f64)]) -> (f64, f64) {
    let mut intercepts = [0.0f64; 2];
    let mut slope = 0.0f64;
    let mut curve = 1.0;
    for _ in 0..25 {
        let mut g = [0.0f64; 2];
        let mut h = [1.0 / (INTERCEPT_SD * INTERCEPT_SD); 2];
        let mut cross = [0.0f64; 2];
        let mut slope_g = -slope / (SLOPE_SD * SLOPE_SD);
        let mut slope_h = 1.0 / (SLOPE_SD * SLOPE_SD);
        for index in [0, 1] {
            g[index] = -intercepts[index] * h[index];
        }
        for (index, x, soft, asked) in points {
            let p = 1.0 / (1.0 + (-(intercepts[*index] + slope * x)).exp());
            let (rest, weight) = (soft - asked * p, asked * p * (1.0 - p));
            g[*index] += rest;
            h[*index] += weight;
            cross[*index] += weight * x;
            slope_g += rest * x;
            slope_h += weight * x * x;
        }
        curve = slope_h;
        let mut slope_step = slope_g;
        for index in [0, 1] {
            curve -= cross[index] * cross[index] / h[index];
            slope_step -= cross[index] * g[index] / h[index];
        }
        let step = (slope_step / curve).clamp(-1.0, 1.0);
        slope += step;
        for index in [0, 1] {
            let own = ((g[index] - cross[index] * step) / h[index]).clamp(-2.0, 2.0);
            intercepts[index] += own;
        }
        if step.abs() < 1e-9 {
            break;
        }
    }
    (slope, curve.sqrt().recip())
}
