//! A ride by its track.

use serde::Serialize;

use super::circles::{CircleRidden, WaysRound, circles};
use super::pace::{MinutesOfGait, minutes, moments};
use super::point::{TrackPoint, on_ground};
use crate::bounds::FieldError;
use crate::load::ride::weight_of_gait;

/// What a track says of a ride.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrackOfRide {
    /// Minutes from the first point to the last, gaps apart.
    pub minutes: f64,
    /// Miles along it.
    pub miles: f64,
    /// Minutes by gait.
    pub gaits: Vec<MinutesOfGait>,
    /// Minutes turning each way.
    pub ways: WaysRound,
    /// The circles, first to last.
    pub circles: Vec<CircleRidden>,
    /// What it adds to the horse's load: minutes by gait, each by what it weighs.
    pub load: f64,
    /// The way, as a picture needs it: feet east and north of the first point, every few seconds.
    pub way: Vec<crate::ground::Point>,
}

/// Points of a picture at the most.
const DRAWN: usize = 2_000;
const FEET_A_MILE: f64 = 5_280.0;

/// Reads a track.
///
/// # Errors
/// Too few or too many points, one that is on no map, a time that goes back.
pub fn ride(points: &[TrackPoint]) -> Result<TrackOfRide, FieldError> {
    let points = on_ground(points)?;
    let moments = moments(&points);
    let gaits = minutes(&moments);
    let (ways, circles) = circles(&moments);
    let feet: f64 = moments
        .windows(2)
        .filter(|two| two[1].at_s - two[0].at_s <= super::pace::GAP_S)
        .map(|two| two[0].ground.to(two[1].ground))
        .sum();
    let every = moments.len().div_ceil(DRAWN).max(1);
    Ok(TrackOfRide {
        minutes: gaits.iter().map(|of| of.minutes).sum(),
        miles: feet / FEET_A_MILE,
        load: gaits
            .iter()
            .map(|of| of.minutes * weight_of_gait(of.gait))
            .sum(),
        gaits,
        ways,
        circles,
        way: moments
            .iter()
            .step_by(every)
            .map(|moment| moment.ground)
            .collect(),
    })
}
