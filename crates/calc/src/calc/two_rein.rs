//! `two-rein`: what a ride in the two-rein came to, and what the next one starts with.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, PERCENT, TWO_REIN_RIDES};
use crate::gear::two_rein::{StartReason, TwoReinRide, TwoReinSaid, next_start};

/// Input of `two-rein`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TwoReinInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// Rides since the starting share was last changed, oldest first.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 60))]
    pub rides: Vec<TwoReinRide>,
    /// The share of the bosal they started with.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub start_bosal_pct: f64,
}

/// Output of `two-rein`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TwoReinOutput))]
pub struct Output {
    /// Ride by ride.
    pub rides: Vec<TwoReinSaid>,
    /// The share of the bosal the next ride starts with.
    pub next_start_bosal_pct: f64,
    /// Why.
    pub because: StartReason,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "two-rein",
    about: "Share of the bosal along rides, asks that were sustained, and the next start.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Reads the rides.
///
/// # Errors
/// A ride that does not run forward; a share out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    if input.rides.is_empty() {
        return Err(FieldError::new("/rides", "must name a ride"));
    }
    TWO_REIN_RIDES.check_count("/rides", input.rides.len())?;
    PERCENT.check("/start_bosal_pct", input.start_bosal_pct)?;
    for (index, ride) in input.rides.iter().enumerate() {
        ride.check(&format!("/rides/{index}"))?;
    }
    let rides: Vec<TwoReinSaid> = input.rides.iter().map(TwoReinRide::said).collect();
    let (next_start_bosal_pct, because) = next_start(input.start_bosal_pct, &rides);
    Ok(Output {
        rides,
        next_start_bosal_pct,
        because,
    })
}
