//! Points of a track on the ground.
//!
//! # Formula
//! East and north of the first point, by the lengths of a degree there:
//! 111132.92 - 559.82 cos 2φ + 1.175 cos 4φ m of latitude and
//! 111412.84 cos φ - 93.5 cos 3φ + 0.118 cos 5φ m of longitude. Over a ranch that is right to
//! inches.
//!
//! # Source
//! Lengths of a degree on the WGS 84 ellipsoid as the National Geospatial-Intelligence Agency
//! gives them, from memory.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, LATITUDE, LONGITUDE, TRACK_POINTS, TRACK_S};
use crate::ground::Point;
use crate::ground::point::at;

/// A point as a watch or phone keeps it.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RideTrackPoint))]
#[serde(deny_unknown_fields)]
pub struct TrackPoint {
    /// Seconds from the first.
    pub at_s: f64,
    /// Degrees north.
    #[cfg_attr(feature = "schema", schema(minimum = -90, maximum = 90))]
    pub latitude: f64,
    /// Degrees east.
    #[cfg_attr(feature = "schema", schema(minimum = -180, maximum = 180))]
    pub longitude: f64,
}

/// A point on the ground.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RideOnGround))]
pub struct OnGround {
    /// Seconds from the first.
    pub at_s: f64,
    /// Feet east and north of the first.
    pub ground: Point,
}

/// Feet in a metre.
const FEET: f64 = 1.0 / 0.3048;

/// Feet of a degree of latitude and of longitude, at a latitude.
pub fn degree_ft(latitude: f64) -> (f64, f64) {
    let phi = latitude.to_radians();
    let north = 111_132.92 - 559.82 * (2.0 * phi).cos() + 1.175 * (4.0 * phi).cos();
    let east = 111_412.84 * phi.cos() - 93.5 * (3.0 * phi).cos() + 0.118 * (5.0 * phi).cos();
    (north * FEET, east * FEET)
}

/// Lays points on the ground.
///
/// # Errors
/// Too few or too many, one that is on no map, a time that goes back.
pub fn on_ground(points: &[TrackPoint]) -> Result<Vec<OnGround>, FieldError> {
    TRACK_POINTS.check_count("/points", points.len())?;
    let Some(first) = points.first() else {
        return Ok(Vec::new());
    };
    let (north, east) = degree_ft(first.latitude);
    let mut before = f64::NEG_INFINITY;
    points
        .iter()
        .enumerate()
        .map(|(index, point)| {
            let field = |name: &str| format!("/points/{index}/{name}");
            LATITUDE.check(&field("latitude"), point.latitude)?;
            LONGITUDE.check(&field("longitude"), point.longitude)?;
            TRACK_S.check(&field("at_s"), point.at_s)?;
            if point.at_s < before {
                return Err(FieldError::new(
                    field("at_s"),
                    format!("goes back in time: {} after {before}", point.at_s),
                ));
            }
            before = point.at_s;
            // Over the date line the short way.
            let mut degrees = point.longitude - first.longitude;
            if degrees > 180.0 {
                degrees -= 360.0;
            } else if degrees < -180.0 {
                degrees += 360.0;
            }
            Ok(OnGround {
                at_s: point.at_s,
                ground: at(degrees * east, (point.latitude - first.latitude) * north),
            })
        })
        .collect()
}
