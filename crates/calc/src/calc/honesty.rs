//! `honesty`: how honest a cow still is.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::cattle::honesty::{Honesty, honesty};

/// Input of `honesty`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = HonestyInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// What the cow did each time it was headed, first to last: it stopped, or it went through.
    #[cfg_attr(feature = "schema", schema(max_items = 10000))]
    pub stopped: Vec<bool>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "honesty",
    about: "How honest a cow still is: a smoothed share of honest stops, with forgetting.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Honesty>,
};

/// Finds the share.
///
/// # Errors
/// More headings than anybody counts.
pub fn calculate(input: Input) -> Result<Honesty, FieldError> {
    honesty(&input.stopped)
}
