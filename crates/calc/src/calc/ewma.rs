//! `ewma`: an exponentially weighted moving average chart.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{ANY_FIGURE, FIGURE, FieldError, LAMBDA, LONG_SERIES};
use crate::evidence::slip::ewma;

/// Input of `ewma`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = EwmaInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The figures in order.
    pub value: Vec<f64>,
    /// The settled level.
    pub target: f64,
    /// Standard deviation of a single figure, not below zero.
    pub sd: f64,
    /// Weight of the newest figure, 0.01 to 1.
    pub lambda: f64,
    /// Limits in standard deviations of the average, not below zero.
    pub width: f64,
}

/// Output of `ewma`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = EwmaOutput))]
pub struct Output {
    /// The average after each figure.
    pub z: Vec<f64>,
    /// Lower limit.
    pub lower: f64,
    /// Upper limit.
    pub upper: f64,
    /// Index of the first average outside the limits, counted from 0; null without an alarm.
    pub alarm_at: Option<usize>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "ewma",
    about: "EWMA chart: a figure against where it had settled.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes the chart.
///
/// # Errors
/// The first number out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let values = calculator::series("/value", &input.value, ANY_FIGURE, LONG_SERIES)?;
    let target = ANY_FIGURE.check("/target", input.target)?;
    let sd = FIGURE.check("/sd", input.sd)?;
    let lambda = LAMBDA.check("/lambda", input.lambda)?;
    let width = FIGURE.check("/width", input.width)?;
    let chart = ewma(values, target, sd, lambda, width);
    Ok(Output {
        z: chart.z,
        lower: chart.lower,
        upper: chart.upper,
        alarm_at: chart.alarm_at,
    })
}
