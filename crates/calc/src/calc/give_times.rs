//! `give-times`: times to give, left and right, unanswered asks as censored.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{ANY_TIME_S, FieldError, HORIZON_S, REPS_AT_ONCE};
use crate::evidence::give_time::{log_rank, median_s, restricted_mean_s};
use crate::rep::TimeToGive;

/// Input of `give-times`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GiveTimesInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Each ask on the left: seconds, and whether it ended with a give.
    pub left: Vec<(f64, bool)>,
    /// Each ask on the right.
    pub right: Vec<(f64, bool)>,
    /// Seconds up to which the restricted mean is taken.
    pub horizon_s: f64,
}

/// Output of `give-times`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GiveTimesOutput))]
pub struct Output {
    /// Figures of the left side.
    pub left: SideTimes,
    /// Figures of the right side.
    pub right: SideTimes,
    /// Left against right; null when they cannot be compared.
    pub log_rank: Option<LogRank>,
}

/// Figures of one side.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideTimes {
    /// Median time to give in seconds; null if not reached.
    pub median_s: Option<f64>,
    /// Mean time up to the horizon in seconds; null without asks.
    pub restricted_mean_s: Option<f64>,
    /// Asks.
    pub asked: usize,
    /// Asks that ended with a give.
    pub gave: usize,
}

/// The log-rank test.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LogRank {
    /// Chi-square, one degree of freedom.
    pub chi2: f64,
    /// Upper tail probability.
    pub p: f64,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "give-times",
    about: "Times to give, left against right; asks with no give are censored.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes both sides and the comparison.
///
/// # Errors
/// The first field out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    HORIZON_S.check("/horizon_s", input.horizon_s)?;
    let left = times("/left", &input.left)?;
    let right = times("/right", &input.right)?;
    Ok(Output {
        log_rank: log_rank(&left, &right).map(|test| LogRank {
            chi2: test.chi2,
            p: test.p,
        }),
        left: side_times(&left, input.horizon_s),
        right: side_times(&right, input.horizon_s),
    })
}

fn times(field: &str, list: &[(f64, bool)]) -> Result<Vec<TimeToGive>, FieldError> {
    REPS_AT_ONCE.check_count(field, list.len())?;
    list.iter()
        .enumerate()
        .map(|(index, (seconds, gave))| {
            let seconds = ANY_TIME_S.check(&format!("{field}/{index}/0"), *seconds)?;
            Ok(TimeToGive {
                seconds,
                gave: *gave,
            })
        })
        .collect()
}

fn side_times(times: &[TimeToGive], horizon_s: f64) -> SideTimes {
    SideTimes {
        median_s: median_s(times),
        restricted_mean_s: restricted_mean_s(times, horizon_s),
        asked: times.len(),
        gave: times.iter().filter(|time| time.gave).count(),
    }
}
