//! Quartiles of the rides a level takes, with horses still under way censored, and a prior
//! that counts as some horses.
//!
//! # Formula
//! The Bayes estimate of a survival curve under a Dirichlet process with base curve S0 and
//! weight m (Susarla and Van Ryzin 1976, from memory):
//! S(u) = (m S0(u) + N+(u)) / (m + n) times the product, over the distinct censored times
//! c <= u, of (m S0(c-) + N(c)) / (m S0(c-) + N(c) - k), where N+(u) counts times beyond u,
//! N(c) times beyond c and those censored at it, and k the latter. With m = 0 it is Kaplan and Meier's.

use statrs::distribution::{ContinuousCDF, Normal};

/// What a curve is drawn towards.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Prior {
    /// Every second horse takes so many rides.
    pub median: f64,
    /// Standard deviation of the logarithm.
    pub spread: f64,
    /// Counts as so many horses.
    pub horses: f64,
}

impl Prior {
    /// The share of horses that take longer than `rides`.
    pub fn beyond(&self, rides: f64) -> f64 {
        if rides <= 0.0 {
            return 1.0;
        }
        let normal = Normal::standard();
        1.0 - normal.cdf((rides / self.median).ln() / self.spread)
    }
}

/// The share of horses that take longer than `rides`, from times that ended (true) or are
/// still under way (false).
pub fn beyond(times: &[(f64, bool)], prior: &Prior, rides: f64) -> f64 {
    let weight = prior.horses;
    let all = weight + times.len() as f64;
    if all <= 0.0 {
        return 1.0;
    }
    let count =
        |is: &dyn Fn(f64) -> bool| times.iter().filter(|(time, _)| is(*time)).count() as f64;
    let mut share = (weight * prior.beyond(rides) + count(&|time| time > rides)) / all;
    let mut censored: Vec<f64> = times
        .iter()
        .filter(|(time, ended)| !ended && *time <= rides)
        .map(|(time, _)| *time)
        .collect();
    censored.sort_by(f64::total_cmp);
    censored.dedup();
    for at in censored {
        let here = times
            .iter()
            .filter(|(time, ended)| !ended && *time == at)
            .count() as f64;
        // What ended at that time ended before: it is not among those looked at.
        let before = weight * prior.beyond(at) + count(&|time| time > at) + here;
        // The last one of all, and no prior: nothing is known beyond.
        if before - here > 0.0 {
            share *= before / (before - here);
        }
    }
    share.clamp(0.0, 1.0)
}

/// Rides by which this share of horses is there; `most` where that lies beyond.
pub fn quantile(times: &[(f64, bool)], prior: &Prior, share: f64, most: f64) -> f64 {
    let mut rides = 1.0;
    while rides < most && beyond(times, prior, rides) > 1.0 - share {
        rides += 1.0;
    }
    rides
}
