//! Hours by kind of work: the time of a ride goes to the tracks that were asked on it.
//!
//! Each ask has the time from halfway after the ask before it to halfway before the next one;
//! what lies before the first and after the last is the first's and the last's. A ride on which
//! nothing was asked is work of no track. Product default.

use serde::{Deserialize, Serialize};

use super::worked::MOST_RIDE_MIN;

/// A ride as far as its hours go.
#[derive(Debug, Clone, PartialEq)]
pub struct HoursRide {
    /// Minutes from start to finish; none of one that nobody finished.
    pub minutes: Option<f64>,
    /// Its asks in order: minutes after the start, and the index of the track.
    pub asks: Vec<(f64, usize)>,
}

/// Minutes of one kind of work.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TrackMinutes {
    /// The track; empty for rides on which nothing was asked.
    pub track: String,
    /// What it is called.
    pub name: String,
    /// Minutes.
    pub minutes: u32,
}

/// Minutes of each track over some rides, and of rides on which nothing was asked. Rides whose
/// time is not known are left out.
pub fn minutes_by_track(rides: &[HoursRide], tracks: usize) -> (Vec<f64>, f64) {
    let mut of_track = vec![0.0; tracks];
    let mut of_none = 0.0;
    for ride in rides {
        let Some(minutes) = ride.minutes.filter(|minutes| *minutes <= MOST_RIDE_MIN) else {
            continue;
        };
        if ride.asks.is_empty() {
            of_none += minutes;
        }
        for (at, (after, track)) in ride.asks.iter().enumerate() {
            let halfway = |other: Option<&(f64, usize)>, end: f64| {
                other.map_or(end, |(other, _)| f64::midpoint(*after, *other))
            };
            let before = at.checked_sub(1).and_then(|before| ride.asks.get(before));
            let from = halfway(before, 0.0).clamp(0.0, minutes);
            let to = halfway(ride.asks.get(at + 1), minutes).clamp(0.0, minutes);
            of_track[*track] += (to - from).max(0.0);
        }
    }
    (of_track, of_none)
}
