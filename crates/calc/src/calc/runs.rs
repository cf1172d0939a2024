//! `runs`: runs of the pattern side by side.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::ground::runs::{Run, Said, compare};

/// Input of `runs`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RunsInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The runs.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 500))]
    pub runs: Vec<Run>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "runs",
    about: "Runs of the pattern over courses of all sizes: best, splits, spread, trend.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Said>,
};

/// Compares runs.
///
/// # Errors
/// A number out of bounds.
pub fn calculate(input: Input) -> Result<Said, FieldError> {
    compare(&input.runs)
}
