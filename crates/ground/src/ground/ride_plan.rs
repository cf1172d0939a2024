//! How a course is ridden: strides of each part, where to rate and to sit, leads, times.
//!
//! # Source
//! Strides: 12 ft is the published canter stride of course design; walk 5.5, trot 9 and gallop
//! 20 ft are common practice, no source. Speeds at a gait are round figures from memory (walk 4
//! miles an hour, jog 6, trot 8, lope 11, gallop 24). Two strides of rate, and where to sit:
//! common practice, no source.

use serde::{Deserialize, Serialize};

use super::cloverleaf::Barrels;
use super::path::Path;
use super::point::Point;
use crate::{Gait, Side};

/// How a horse comes to a barrel, which says where its rider sits.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum RidesUp {
    /// Has to be pushed: sit at the barrel.
    #[default]
    Pushed,
    /// Runs free: sit a stride before it, where the tracks cross.
    Free,
}

/// What the horse goes like.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Going {
    /// One stride, in feet.
    pub stride_ft: f64,
    /// Feet a second.
    pub speed_ft_s: f64,
    /// Strides before the barrel at which to rate.
    pub rate_strides: f64,
    /// Where to sit.
    pub rides_up: RidesUp,
}

/// What a part of the way is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum PartKind {
    /// A straight.
    Straight,
    /// Round a barrel.
    Turn,
}

/// A part of the way.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CoursePart))]
pub struct Part {
    /// Straight or turn.
    pub kind: PartKind,
    /// The barrel it goes to or round, 1 to 3; 0 on the way home.
    pub barrel: u8,
    /// Feet.
    pub length_ft: f64,
    /// Strides of it.
    pub strides: f64,
    /// Seconds.
    pub time_s: f64,
}

/// How one barrel is ridden.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BarrelRidden {
    /// The middle of the barrel.
    pub at: Point,
    /// Spots 1, 2 and 3: hand low and forward; look and bend; finish, then move to the next line.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub spots: [Point; 3],
    /// How far it is turned round, in degrees.
    pub turn_deg: f64,
    /// The smallest circle of the turn, as a radius in feet.
    pub least_radius_ft: f64,
    /// Where to begin to rate.
    pub rate_at: Point,
    /// Where to sit.
    pub sit_at: Point,
    /// Where the tracks in and out cross; null where they do not.
    pub tracks_cross: Option<Point>,
    /// The lead round it.
    pub lead: Side,
    /// Where to change to that lead on the way to it; null where it is the same.
    pub change_at: Option<Point>,
}

/// One stride at a gait where nobody measured this horse's, in feet.
pub fn usual_stride_ft(gait: Gait) -> f64 {
    match gait {
        Gait::Stand | Gait::Walk => 5.5,
        Gait::Jog => 7.5,
        Gait::Trot => 9.0,
        Gait::Lope => 12.0,
        Gait::Gallop => 20.0,
    }
}

/// Feet a second at a gait where nobody measured it.
pub fn usual_speed_ft_s(gait: Gait) -> f64 {
    let miles_an_hour = match gait {
        Gait::Stand | Gait::Walk => 4.0,
        Gait::Jog => 6.0,
        Gait::Trot => 8.0,
        Gait::Lope => 11.0,
        Gait::Gallop => 24.0,
    };
    miles_an_hour * 5280.0 / 3600.0
}

/// The parts of the way, in order.
pub fn parts(path: &Path, going: &Going) -> Vec<Part> {
    let straights = path.straight_lengths();
    let mut parts = Vec::with_capacity(7);
    let mut add = |kind, barrel, length_ft: f64| {
        parts.push(Part {
            kind,
            barrel,
            length_ft,
            strides: length_ft / going.stride_ft,
            time_s: length_ft / going.speed_ft_s,
        });
    };
    for (index, turn) in path.turns.iter().enumerate() {
        let barrel = index as u8 + 1;
        add(PartKind::Straight, barrel, straights[index]);
        add(PartKind::Turn, barrel, turn.length_ft());
    }
    add(PartKind::Straight, 0, straights[3]);
    parts
}

/// How each barrel is ridden.
pub fn barrels(course: &Barrels, path: &Path, going: &Going) -> Vec<BarrelRidden> {
    let before = |straight: [Point; 2], feet: f64| {
        let length = straight[0].to(straight[1]);
        straight[1].between(straight[0], (feet / length).min(1.0))
    };
    (0..3)
        .map(|index| {
            let (straight, turn) = (path.straights[index], &path.turns[index]);
            let lead = course.lead(index);
            let changes = index > 0 && course.lead(index - 1) != lead;
            BarrelRidden {
                at: turn.barrel,
                spots: turn.spots(),
                turn_deg: turn.round_deg(),
                least_radius_ft: turn.least_radius_ft(),
                rate_at: before(straight, going.rate_strides * going.stride_ft),
                sit_at: match going.rides_up {
                    RidesUp::Pushed => straight[1],
                    RidesUp::Free => before(straight, going.stride_ft),
                },
                tracks_cross: path.tracks_cross(index),
                lead,
                change_at: changes.then(|| straight[0].between(straight[1], 0.5)),
            }
        })
        .collect()
}
