//! `share`: a soft share with its Wilson bounds, days as clusters when given.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{ASKED, CONFIDENCE, FieldError, ICC};
use crate::evidence::SoftCount;
use crate::evidence::share::{quantile, share_of_days, wilson};

/// Input of `share`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = ShareInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
    /// Confidence of the interval, 0.5 to 0.9999; 0.95 when left out.
    #[serde(default = "default_confidence")]
    pub confidence: f64,
    /// 2 for an interval, 1 for one-sided bounds; 2 when left out.
    #[serde(default = "default_sides")]
    pub sides: u8,
    /// Soft and asked of each day; must add up to `soft` and `asked`.
    pub days: Option<Vec<(u32, u32)>>,
    /// What the reps of one day are taken to share before any is seen; only with `days`.
    pub prior_icc: Option<f64>,
}

fn default_confidence() -> f64 {
    0.95
}

fn default_sides() -> u8 {
    2
}

/// Output of `share`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = ShareOutput))]
pub struct Output {
    /// soft / asked.
    pub share: f64,
    /// Lower bound.
    pub low: f64,
    /// Upper bound.
    pub high: f64,
    /// Intra-cluster correlation used, with `days`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub icc: Option<f64>,
    /// Asks divided by the design effect, with `days`.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub effective_asked: Option<f64>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "share",
    about: "Soft share with its Wilson bounds; with days, for reps that are alike within a day.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes the share.
///
/// # Errors
/// The first field out of bounds, or days that do not add up.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    ASKED.check("/asked", f64::from(input.asked))?;
    if input.soft > input.asked {
        return Err(FieldError::new(
            "/soft",
            format!("must be 0 to asked ({}), found {}", input.asked, input.soft),
        ));
    }
    CONFIDENCE.check("/confidence", input.confidence)?;
    if !matches!(input.sides, 1 | 2) {
        return Err(FieldError::new(
            "/sides",
            format!("must be 1 or 2, found {}", input.sides),
        ));
    }
    let z = quantile(input.confidence, input.sides == 2);
    let share = f64::from(input.soft) / f64::from(input.asked);
    let Some(days) = input.days else {
        if input.prior_icc.is_some() {
            return Err(FieldError::new(
                "/prior_icc",
                "only goes with days; give days or leave it out",
            ));
        }
        let bounds = wilson(share, f64::from(input.asked), z);
        return Ok(Output {
            share,
            low: bounds.low,
            high: bounds.high,
            icc: None,
            effective_asked: None,
        });
    };
    let days = checked_days(&days, input.soft, input.asked)?;
    let prior = ICC.check("/prior_icc", input.prior_icc.unwrap_or(0.05))?;
    let found = share_of_days(&days, prior, z)
        .ok_or_else(|| FieldError::new("/days", "at least one ask is needed"))?;
    Ok(Output {
        share: found.share,
        low: found.interval.low,
        high: found.interval.high,
        icc: Some(found.icc),
        effective_asked: Some(found.effective_asked),
    })
}

fn checked_days(days: &[(u32, u32)], soft: u32, asked: u32) -> Result<Vec<SoftCount>, FieldError> {
    if let Some(index) = days.iter().position(|(soft, asked)| soft > asked) {
        return Err(FieldError::new(
            format!("/days/{index}/0"),
            format!(
                "must be 0 to the asks of that day ({}), found {}",
                days[index].1, days[index].0
            ),
        ));
    }
    let (all_soft, all_asked) = days.iter().fold((0u64, 0u64), |(s, a), day| {
        (s + u64::from(day.0), a + u64::from(day.1))
    });
    if (all_soft, all_asked) != (u64::from(soft), u64::from(asked)) {
        return Err(FieldError::new(
            "/days",
            format!("must add up to {soft} of {asked}, found {all_soft} of {all_asked}"),
        ));
    }
    Ok(days
        .iter()
        .map(|(soft, asked)| SoftCount {
            soft: *soft,
            asked: *asked,
        })
        .collect())
}
