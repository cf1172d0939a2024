//! `cusum`: a two-sided tabular CUSUM.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{ANY_FIGURE, FIGURE, FieldError, LONG_SERIES};
use crate::evidence::slip::cusum;

/// Input of `cusum`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CusumInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The figures in order.
    pub value: Vec<f64>,
    /// The settled level.
    pub target: f64,
    /// Slack: shifts smaller than this are let pass; not below zero.
    pub k: f64,
    /// The sum that gives the alarm; not below zero.
    pub h: f64,
}

/// Output of `cusum`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CusumOutput))]
pub struct Output {
    /// Cumulated excess above target + k.
    pub high: Vec<f64>,
    /// Cumulated shortfall below target - k.
    pub low: Vec<f64>,
    /// Index of the first figure with an alarm, counted from 0; null without one.
    pub alarm_at: Option<usize>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "cusum",
    about: "Two-sided CUSUM: small lasting shifts of a figure.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes the sums.
///
/// # Errors
/// The first number out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let values = calculator::series("/value", &input.value, ANY_FIGURE, LONG_SERIES)?;
    let target = ANY_FIGURE.check("/target", input.target)?;
    let k = FIGURE.check("/k", input.k)?;
    let h = FIGURE.check("/h", input.h)?;
    let sums = cusum(values, target, k, h);
    Ok(Output {
        high: sums.high,
        low: sums.low,
        alarm_at: sums.alarm_at,
    })
}
