//! `evenness`: one figure of the left against the same of the right.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FIGURE, FieldError};
use crate::evidence::evenness::symmetry_index_pct;

/// Input of `evenness`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = EvennessInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The left side's figure: seconds, newtons, strides; not below zero.
    pub left: f64,
    /// The right side's.
    pub right: f64,
}

/// Output of `evenness`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = EvennessOutput))]
pub struct Output {
    /// 200 (left - right) / (left + right), in percent; 0 when both are 0.
    pub symmetry_index_pct: f64,
    /// left - right.
    pub difference: f64,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "evenness",
    about: "Left against right: difference and symmetry index.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes the index.
///
/// # Errors
/// A figure below zero or beyond the bound.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let left = FIGURE.check("/left", input.left)?;
    let right = FIGURE.check("/right", input.right)?;
    Ok(Output {
        symmetry_index_pct: symmetry_index_pct(left, right),
        difference: left - right,
    })
}
