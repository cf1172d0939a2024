//! A way over the ground, leg by leg, as a rider would say it: so far straight, so much of a
//! circle, stop, back, roll back.

use serde::Serialize;

use super::point::Point;
use crate::Side;

/// One leg.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "leg", rename_all = "snake_case")]
pub enum Leg {
    /// Straight on.
    Straight {
        /// Feet.
        feet: f64,
    },
    /// Straight on with the hip moved over.
    HipOver {
        /// Feet.
        feet: f64,
        /// To this side.
        side: Side,
    },
    /// Part of a circle, bent the way it goes.
    Circle {
        /// Turning to this side.
        side: Side,
        /// Its radius in feet.
        radius_ft: f64,
        /// How much of it, in degrees.
        degrees: f64,
    },
    /// Part of a circle, bent against the way it goes.
    CounterArc {
        /// Turning to this side.
        side: Side,
        /// Its radius in feet.
        radius_ft: f64,
        /// How much of it, in degrees.
        degrees: f64,
    },
    /// Stop.
    Stop,
    /// Back.
    Back {
        /// Feet.
        feet: f64,
    },
    /// Roll back: half a turn over the haunches.
    Rollback {
        /// Turning to this side.
        side: Side,
    },
    /// A quarter turn on the haunches.
    Quarter {
        /// Turning to this side.
        side: Side,
    },
}

/// Where a way begins, and its legs.
#[derive(Debug, Clone, PartialEq)]
pub struct Way {
    /// Where it begins.
    pub start: Point,
    /// Which way the horse looks there, in degrees.
    pub heading_deg: f64,
    /// Its legs.
    pub legs: Vec<Leg>,
}

/// One leg as it lies on the ground.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LaidLeg {
    /// What it is.
    #[serde(flatten)]
    pub leg: Leg,
    /// Its points; one alone where the horse stays on the spot.
    pub points: Vec<Point>,
    /// Feet that the horse goes.
    pub length_ft: f64,
}

/// Degrees of a circle from one point to the next.
const FINE_DEG: f64 = 6.0;

impl Way {
    /// Its legs, one after the other, and where the horse stands in the end, looking where.
    pub fn laid(&self) -> (Vec<LaidLeg>, Point, f64) {
        let (mut at, mut heading) = (self.start, self.heading_deg.to_radians());
        let mut laid = Vec::with_capacity(self.legs.len());
        for leg in &self.legs {
            let (points, length_ft, next) = leg.from(at, heading);
            at = points.last().copied().unwrap_or(at);
            heading = next;
            laid.push(LaidLeg {
                leg: *leg,
                points,
                length_ft,
            });
        }
        (laid, at, heading.to_degrees().rem_euclid(360.0))
    }
}

impl Leg {
    fn from(self, at: Point, heading: f64) -> (Vec<Point>, f64, f64) {
        let ahead = Point::unit(heading);
        match self {
            Leg::Straight { feet } | Leg::HipOver { feet, .. } => {
                (vec![at, at + ahead * feet], feet, heading)
            }
            Leg::Back { feet } => (vec![at, at - ahead * feet], feet, heading),
            Leg::Stop => (vec![at], 0.0, heading),
            Leg::Rollback { side } => (vec![at], 0.0, heading + sign(side) * std::f64::consts::PI),
            Leg::Quarter { side } => (
                vec![at],
                0.0,
                heading + sign(side) * std::f64::consts::FRAC_PI_2,
            ),
            Leg::Circle {
                side,
                radius_ft,
                degrees,
            }
            | Leg::CounterArc {
                side,
                radius_ft,
                degrees,
            } => {
                let sign = sign(side);
                let middle =
                    at + Point::unit(heading + sign * std::f64::consts::FRAC_PI_2) * radius_ft;
                let pieces = (degrees / FINE_DEG).ceil().max(1.0) as usize;
                let round = degrees.to_radians();
                let points = (0..=pieces)
                    .map(|piece| {
                        let gone = sign * round * piece as f64 / pieces as f64;
                        middle + (at - middle).turned(gone)
                    })
                    .collect();
                (points, radius_ft * round, heading + sign * round)
            }
        }
    }
}

fn sign(side: Side) -> f64 {
    if side == Side::Right { -1.0 } else { 1.0 }
}
