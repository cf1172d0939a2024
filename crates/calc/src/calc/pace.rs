//! `pace`: a barn's own pace per level, and how quick each of its horses is.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, HISTORIES, HISTORY_RIDES};
use crate::program::Program;
use crate::road::{LevelHistory, Pace, pace};

/// Input of `pace`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = PaceInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The program; the default schools and gates when left out.
    #[serde(default)]
    pub program: Program,
    /// How the barn's horses came along with their levels.
    #[cfg_attr(feature = "schema", schema(max_items = 5000))]
    pub histories: Vec<LevelHistory>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "pace",
    about: "Rides from the first ask of a level to held in a barn, and how quick each horse is.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Pace>,
};

/// Finds the pace.
///
/// # Errors
/// A program that does not fit the ladder; too many histories, or one out of bounds.
pub fn calculate(input: Input) -> Result<Pace, FieldError> {
    let ladder = calculator::ladder_of(&input.program)?;
    HISTORIES.check_count("/histories", input.histories.len())?;
    for (index, one) in input.histories.iter().enumerate() {
        let at = format!("/histories/{index}");
        HISTORY_RIDES.check(&format!("{at}/rides"), f64::from(one.rides))?;
        crate::ladder::check::find_level(&one.level, &ladder)
            .map_err(|error| error.under(&format!("{at}/level")))?;
    }
    Ok(pace(&ladder, &input.histories))
}
