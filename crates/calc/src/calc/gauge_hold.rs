//! `gauge-hold`: the ask of a rein gauge that a hold of the thumb was.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, GAUGE_LINES, TRACK_S};
use crate::device::gauge_hold::{Hold, of_hold};
use crate::device::rein_gauge::GaugeAsk;

/// Input of `gauge-hold`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeHoldInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The last asks of the gauge, by its own clock.
    #[cfg_attr(feature = "schema", schema(max_items = 1000))]
    pub asks: Vec<GaugeAsk>,
    /// The last readings: when each was made by the gauge's clock, and heard by the page's, in
    /// seconds.
    #[cfg_attr(feature = "schema", schema(max_items = 1000))]
    pub heard: Vec<(f64, f64)>,
    /// The hold, by the page's clock.
    pub hold: Hold,
}

/// Output of `gauge-hold`.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GaugeHoldOutput))]
pub struct Output {
    /// The ask; null where the gauge found none there.
    pub ask: Option<GaugeAsk>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "gauge-hold",
    about: "Which ask of a rein gauge a hold of the thumb was: how long, how much in the hand.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Finds the ask.
///
/// # Errors
/// More asks or readings than come in a moment; a hold that ends before it begins.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    GAUGE_LINES.check_count("/asks", input.asks.len())?;
    GAUGE_LINES.check_count("/heard", input.heard.len())?;
    let hold = &input.hold;
    TRACK_S.check("/hold/released_s", hold.released_s - hold.pressed_s)?;
    Ok(Output {
        ask: of_hold(&input.asks, &input.heard, hold),
    })
}
