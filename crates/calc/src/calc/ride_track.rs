//! `ride-track`: gaits, ways round, circles and load of a ride, from its GPX track.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::exchange::gpx;
use crate::track::ride::{TrackOfRide, ride};

/// Input of `ride-track`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RideTrackInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// GPX 1.0 or 1.1, as a watch or phone writes it.
    #[cfg_attr(feature = "schema", schema(max_length = 30_000_000))]
    pub gpx: String,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "ride-track",
    about: "A ride from its GPX track: minutes by gait, ways round, circles, load.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, TrackOfRide>,
};

/// Reads the track.
///
/// # Errors
/// A text that is no GPX; a point that is on no map, or has no time.
pub fn calculate(input: Input) -> Result<TrackOfRide, FieldError> {
    ride(&gpx::read("/gpx", &input.gpx)?.points).map_err(|error| error.under("/gpx"))
}
