//! `trend`: a daily figure, improving, level or slipping.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{ANY_FIGURE, FieldError, SERIES};
use crate::evidence::trend::{Direction, trend};

/// Input of `trend`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrendInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Day numbers, each once; in any order.
    pub day: Vec<f64>,
    /// The figure of each day; larger is better.
    pub value: Vec<f64>,
}

/// Output of `trend`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TrendOutput))]
pub struct Output {
    /// Theil-Sen slope; null with fewer than two days.
    pub slope_per_day: Option<f64>,
    /// Kendall's tau-b; null when nothing varies.
    pub tau: Option<f64>,
    /// Two-sided Mann-Kendall p, exact without ties; null when nothing varies.
    pub p: Option<f64>,
    /// In a word.
    pub direction: Direction,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "trend",
    about: "Theil-Sen slope and Mann-Kendall test of a daily figure.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes the trend.
///
/// # Errors
/// Lists of different length, a day twice, or a number out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let days = calculator::series("/day", &input.day, ANY_FIGURE, SERIES)?;
    let values = calculator::series("/value", &input.value, ANY_FIGURE, SERIES)?;
    if days.len() != values.len() {
        return Err(FieldError::new(
            "/value",
            format!(
                "must hold one figure for each day ({}), found {}",
                days.len(),
                values.len()
            ),
        ));
    }
    if let Some(twice) = (1..days.len()).find(|index| days[..*index].contains(&days[*index])) {
        return Err(FieldError::new(
            format!("/day/{twice}"),
            format!(
                "day {} is there twice; give each day one figure",
                days[twice]
            ),
        ));
    }
    let found = trend(days, values);
    Ok(Output {
        slope_per_day: found.slope_per_day,
        tau: found.tau,
        p: found.p,
        direction: found.direction,
    })
}
