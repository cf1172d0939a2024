//! `cool-out`: what pulse, breathing and temperature after work say.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::heat::cool_out::{CoolReading, CoolSaid, check, says};
use crate::horse::Sex;

/// Input of `cool-out`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CoolOutInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// What was taken, each minute once.
    #[cfg_attr(feature = "schema", schema(max_items = 24))]
    pub readings: Vec<CoolReading>,
    /// Mare, gelding or stallion.
    #[serde(default)]
    pub sex: Option<Sex>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "cool-out",
    about: "What pulse, breathing and temperature after work say, and when to call the vet.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, CoolSaid>,
};

/// Looks at the readings.
///
/// # Errors
/// The first figure out of bounds.
pub fn calculate(input: Input) -> Result<CoolSaid, FieldError> {
    check(&input.readings).map_err(|errors| {
        let first = errors.into_iter().next();
        first.unwrap_or_else(|| FieldError::new("/readings", "does not fit"))
    })?;
    Ok(says(&input.readings, input.sex))
}
