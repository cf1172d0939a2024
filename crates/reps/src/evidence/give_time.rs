//! Time to give: asks that ended with no give are right-censored, never
//! dropped and never counted as the time waited.
//!
//! # Formula
//! Kaplan-Meier curve S(t); median: the least time at which S falls to one half
//! or below; restricted mean: the area under S up to a horizon, S staying level
//! after the last time seen; left against right: the log-rank chi-square with one degree
//! of freedom and the hypergeometric variance.
//!
//! # Source
//! Kaplan and Meier, JASA 53 (1958) 457-481; Mantel, Cancer Chemotherapy
//! Reports 50 (1966) 163-170.

use statrs::distribution::{ChiSquared, ContinuousCDF};

use crate::rep::TimeToGive;

/// One step of the curve: the share still not giving after `seconds`.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Step {
    /// The time of the step.
    pub seconds: f64,
    /// S just after it.
    pub still: f64,
}

/// The log-rank comparison of two sides.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct LogRank {
    /// Chi-square with one degree of freedom.
    pub chi2: f64,
    /// Upper tail probability.
    pub p: f64,
}

/// One time of giving: how many gave then, of how many still at risk.
struct Moment {
    seconds: f64,
    gave: f64,
    at_risk: f64,
}

fn sorted(times: &[TimeToGive]) -> Vec<TimeToGive> {
    let mut sorted = times.to_vec();
    sorted.sort_unstable_by(|a, b| a.seconds.total_cmp(&b.seconds));
    sorted
}

/// The times at which somebody gave, earliest first. An ask censored at the
/// same time as a give counts as still at risk there, as is usual.
fn moments(sorted: &[TimeToGive]) -> impl Iterator<Item = Moment> + '_ {
    let mut before = 0;
    let at_once = sorted.chunk_by(|a, b| a.seconds == b.seconds);
    at_once.filter_map(move |then| {
        let at_risk = sorted.len() - before;
        before += then.len();
        let gave = then.iter().filter(|time| time.gave).count();
        (gave > 0).then(|| Moment {
            seconds: then[0].seconds,
            gave: gave as f64,
            at_risk: at_risk as f64,
        })
    })
}

fn steps(sorted: &[TimeToGive]) -> impl Iterator<Item = Step> + '_ {
    let mut still = 1.0;
    moments(sorted).map(move |moment| {
        still *= 1.0 - moment.gave / moment.at_risk;
        Step {
            seconds: moment.seconds,
            still,
        }
    })
}

/// The Kaplan-Meier curve, one step for each time of giving.
pub fn curve(times: &[TimeToGive]) -> Vec<Step> {
    steps(&sorted(times)).collect()
}

/// The median time, where the curve reaches one half.
pub fn median_s(times: &[TimeToGive]) -> Option<f64> {
    steps(&sorted(times))
        .find(|step| step.still <= 0.5 + 1e-12)
        .map(|step| step.seconds)
}

/// The mean time up to `horizon_s`; none without a single ask.
pub fn restricted_mean_s(times: &[TimeToGive], horizon_s: f64) -> Option<f64> {
    if times.is_empty() {
        return None;
    }
    let (mut area, mut from, mut still) = (0.0, 0.0, 1.0);
    let sorted = sorted(times);
    for step in steps(&sorted).take_while(|step| step.seconds < horizon_s) {
        area += still * (step.seconds - from);
        from = step.seconds;
        still = step.still;
    }
    Some(area + still * (horizon_s - from))
}

/// Left against right; none when the two cannot be compared (no give on
/// either side, or a side without asks).
pub fn log_rank(left: &[TimeToGive], right: &[TimeToGive]) -> Option<LogRank> {
    if left.is_empty() || right.is_empty() {
        return None;
    }
    let both: Vec<TimeToGive> = left.iter().chain(right).copied().collect();
    let both = sorted(&both);
    let left = sorted(left);
    let (mut observed_less_expected, mut variance) = (0.0, 0.0);
    for moment in moments(&both) {
        let before = left.partition_point(|t| t.seconds < moment.seconds);
        let then = left[before..]
            .iter()
            .take_while(|t| t.seconds == moment.seconds);
        let at_risk_left = (left.len() - before) as f64;
        let gave_left = then.filter(|t| t.gave).count() as f64;
        let (d, n) = (moment.gave, moment.at_risk);
        observed_less_expected += gave_left - d * at_risk_left / n;
        if n > 1.0 {
            let share = at_risk_left / n;
            variance += d * share * (1.0 - share) * (n - d) / (n - 1.0);
        }
    }
    if variance <= 0.0 {
        return None;
    }
    let chi2 = observed_less_expected * observed_less_expected / variance;
    let p = ChiSquared::new(1.0).ok()?.sf(chi2);
    Some(LogRank { chi2, p })
}
