//! `snaffle`: the joint of a snaffle and its squeeze, for hands wide or close, low or high.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::gear::{Hands, Snaffle, SnaffleForces};

/// Input of `snaffle`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SnaffleInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The snaffle in its mouth.
    pub snaffle: Snaffle,
    /// The hands.
    pub hands: Hands,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "snaffle",
    about: "Joint angle and squeeze of a snaffle for hands wide or close, low or high.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, SnaffleForces>,
};

/// Computes them.
///
/// # Errors
/// A measure that cannot be.
pub fn calculate(input: Input) -> Result<SnaffleForces, FieldError> {
    input.snaffle.check("/snaffle", &input.hands)?;
    Ok(input.snaffle.forces(&input.hands))
}
