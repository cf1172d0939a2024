//! `tape`: what the marks of a film come to.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::ground::Point;
use crate::tape::on_ground::on_ground;
use crate::tape::strides::strides;
use crate::tape::times::times;
use crate::tape::{OnGround, Strides, TapeSheet, Times};

/// Input of `tape`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TapeInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The tape.
    pub tape: TapeSheet,
    /// Where the barrels stand on the plan, in feet; null when it is no run.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub barrels: Option<[Point; 3]>,
}

/// Output of `tape`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TapeOutput))]
pub struct Output {
    /// In time.
    pub times: Times,
    /// Strides.
    pub strides: Strides,
    /// On the plan; null while no film has four known points.
    pub on_ground: Option<OnGround>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "tape",
    about: "What the marks of a film come to: splits, turns, strides, the way on the plan.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Reads the marks.
///
/// # Errors
/// A mark that cannot be; known points from which no plane can be told.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let tape = &input.tape;
    tape.check().map_err(|why| why.under("/tape"))?;
    Ok(Output {
        times: times(tape),
        strides: strides(tape),
        on_ground: on_ground(tape, input.barrels).map_err(|why| why.under("/tape"))?,
    })
}
