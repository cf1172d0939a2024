//! `gauge-live`: the asks of a rein gauge while it is ridden, line by line.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, GAUGE_LINES};
use crate::device::rein_gauge::{GaugeAsk, GaugeListener, GaugeReading};

/// Input of `gauge-live`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeLiveInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The listener as it was after the lines before; left out for a gauge that is new.
    #[serde(default)]
    pub listener: GaugeListener,
    /// The lines since, first to last.
    #[cfg_attr(feature = "schema", schema(max_items = 1000))]
    pub lines: Vec<String>,
}

/// Output of `gauge-live`.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeLiveOutput))]
pub struct Output {
    /// The listener after them.
    pub listener: GaugeListener,
    /// The readings among them.
    pub readings: Vec<GaugeReading>,
    /// The asks that are over by them.
    pub asks: Vec<GaugeAsk>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "gauge-live",
    about: "A rein gauge while it is ridden: readings, asks, what never arrived.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Takes the lines.
///
/// # Errors
/// A listener that holds more than one ever does; more lines than come in a moment.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    input.listener.check()?;
    GAUGE_LINES.check_count("/lines", input.lines.len())?;
    let mut listener = input.listener;
    let (mut readings, mut asks) = (Vec::new(), Vec::new());
    for line in &input.lines {
        let (reading, over) = listener.take(line);
        readings.extend(reading);
        asks.extend(over);
    }
    Ok(Output {
        listener,
        readings,
        asks,
    })
}
