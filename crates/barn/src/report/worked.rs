//! Rides of a month, and what was asked on them, track by track.

use std::collections::HashSet;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::evidence::SoftCount;
use crate::judge::HorseFile;
use crate::ladder::Ladder;

/// A ride as far as its time goes.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct TimedRide {
    /// The barn's calendar day.
    pub day: Date,
    /// Minutes from start to finish; none of one that nobody finished.
    pub minutes: Option<f64>,
    /// Its load.
    pub load: f64,
}

/// The longest ride whose minutes are told: a longer one was left open, and its time is not
/// known. Product default, the one of the load.
pub const MOST_RIDE_MIN: f64 = 180.0;

/// Rides of some days.
#[derive(Debug, Clone, Copy, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Ridden {
    /// Rides.
    pub rides: u32,
    /// Days with a ride.
    pub days: u32,
    /// Minutes in the saddle, of the rides whose time is known.
    pub minutes: u32,
    /// Rides whose time is not known.
    pub untimed: u32,
    /// The load of all rides together.
    pub load: f64,
}

/// The rides from one day to another.
pub fn ridden(rides: &[TimedRide], from: Date, to: Date) -> Ridden {
    let own = rides.iter().filter(|ride| (from..=to).contains(&ride.day));
    let known = |ride: &TimedRide| ride.minutes.filter(|minutes| *minutes <= MOST_RIDE_MIN);
    let minutes: f64 = own.clone().filter_map(known).sum();
    Ridden {
        rides: own.clone().count() as u32,
        days: own
            .clone()
            .map(|ride| ride.day)
            .collect::<HashSet<_>>()
            .len() as u32,
        minutes: minutes.round() as u32,
        untimed: own.clone().filter(|ride| known(ride).is_none()).count() as u32,
        load: own.map(|ride| ride.load).sum(),
    }
}

/// What was asked of one track.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WorkedTrack {
    /// The track.
    pub track: String,
    /// What it is called.
    pub name: String,
    /// Rides on which it was asked.
    pub rides: u32,
    /// Asks and soft answers.
    pub asks: SoftCount,
    /// The same of the month before.
    pub before: SoftCount,
}

/// What was asked from one day to another, the track with the most asks first; `before` is the
/// first day of the month before.
pub fn worked(
    ladder: &Ladder,
    file: &HorseFile,
    before: Date,
    from: Date,
    to: Date,
) -> Vec<WorkedTrack> {
    let mut found: Vec<WorkedTrack> = Vec::new();
    for (index, track) in ladder.tracks.iter().enumerate() {
        let mut asks = SoftCount::default();
        let mut earlier = SoftCount::default();
        let mut rides: HashSet<Uuid> = HashSet::new();
        let own = ladder.levels.iter().zip(&file.asks);
        for (_, of_level) in own.filter(|(level, _)| level.track == index) {
            for ask in of_level
                .iter()
                .filter(|ask| (before..=to).contains(&ask.day))
            {
                if ask.day < from {
                    earlier.count(ask.soft);
                } else {
                    asks.count(ask.soft);
                    rides.insert(ask.ride_id);
                }
            }
        }
        if asks.asked > 0 {
            found.push(WorkedTrack {
                track: track.id.clone(),
                name: track.name.clone(),
                rides: rides.len() as u32,
                asks,
                before: earlier,
            });
        }
    }
    found.sort_by_key(|one| std::cmp::Reverse(one.asks.asked));
    found
}
