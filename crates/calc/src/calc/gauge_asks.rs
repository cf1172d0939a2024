//! `gauge-asks`: the asks in a rein gauge's trace.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::device::rein_gauge::{GaugeTrace, asks};
use crate::exchange::gauge;

/// Input of `gauge-asks`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeAsksInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// CSV: seconds, left and right rein in newtons, about fifty rows a second.
    #[cfg_attr(feature = "schema", schema(max_length = 20_000_000))]
    pub csv: String,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "gauge-asks",
    about: "The asks in a rein gauge's trace: which rein, onset, peak, release, time to give.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, GaugeTrace>,
};

/// Finds the asks.
///
/// # Errors
/// A row that is none, with its line; a pull that none is; a time that goes back.
pub fn calculate(input: Input) -> Result<GaugeTrace, FieldError> {
    asks(&gauge::read("/csv", &input.csv)?).map_err(|error| error.under("/csv"))
}
