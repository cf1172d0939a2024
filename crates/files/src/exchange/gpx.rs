//! A ride's track as GPX 1.0 or 1.1 (Topografix).
//!
//! Read are the points of all tracks and their segments, in the order of the file; each needs its
//! time. Routes, waypoints and what programs of others put in beside is left alone.

use jiff::Timestamp;

use crate::bounds::{FieldError, GPX_BYTES};
use crate::track::point::TrackPoint;

/// A track as a file holds it.
#[derive(Debug, Clone, PartialEq)]
pub struct Track {
    /// When its first point was.
    pub began_at: Timestamp,
    /// Its points.
    pub points: Vec<TrackPoint>,
}

/// Reads a track; errors name `field`.
///
/// # Errors
/// A text that is no GPX, with the place; no track in it; a point without a time.
pub fn read(field: &str, text: &str) -> Result<Track, FieldError> {
    GPX_BYTES.check_count(field, text.len())?;
    let wrong = |detail: String| FieldError::new(field, detail);
    let read =
        gpx::read(text.as_bytes()).map_err(|why| wrong(format!("cannot be read as GPX: {why}")))?;
    let all = read.tracks.iter().flat_map(|track| &track.segments);
    let mut began_at: Option<Timestamp> = None;
    let mut points = Vec::new();
    for (index, point) in all.flat_map(|segment| &segment.points).enumerate() {
        let number = index + 1;
        let time = point
            .time
            .ok_or_else(|| wrong(format!("point {number} of the track has no time")))?;
        let time = time
            .format()
            .map_err(|why| wrong(format!("the time of point {number} cannot be: {why}")))?;
        let at: Timestamp = time
            .parse()
            .map_err(|why| wrong(format!("the time of point {number} cannot be: {why}")))?;
        let began = *began_at.get_or_insert(at);
        points.push(TrackPoint {
            at_s: at.duration_since(began).as_secs_f64(),
            latitude: point.point().y(),
            longitude: point.point().x(),
        });
    }
    let began_at =
        began_at.ok_or_else(|| wrong("holds no track; a route or waypoints are no ride".into()))?;
    Ok(Track { began_at, points })
}
