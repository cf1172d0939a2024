//! `heat`: temperature plus humidity, and what that allows.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, HUMIDITY_PCT, TEMPERATURE_F};
use crate::heat::HeatBand;
use crate::heat::band::index;

/// Input of `heat`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HeatInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Temperature, in degrees Fahrenheit.
    #[cfg_attr(feature = "schema", schema(minimum = -60, maximum = 140))]
    pub temperature_f: f64,
    /// Relative humidity, in percent.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub humidity_pct: f64,
}

/// Output of `heat`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HeatOutput))]
pub struct Output {
    /// Temperature plus humidity.
    pub index: f64,
    /// What it allows.
    pub band: HeatBand,
    /// What to do.
    pub advice: String,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "heat",
    about: "Temperature plus humidity, and what riding that allows.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Adds up and looks up.
///
/// # Errors
/// The first number out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let temperature = TEMPERATURE_F.check("/temperature_f", input.temperature_f)?;
    let humidity = HUMIDITY_PCT.check("/humidity_pct", input.humidity_pct)?;
    let index = index(temperature, humidity);
    let band = HeatBand::of(index);
    Ok(Output {
        index,
        band,
        advice: band.advice().into(),
    })
}
