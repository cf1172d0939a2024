//! The shortest way from one spot and heading to another with a horse that turns no tighter than
//! a given circle.
//!
//! # Source
//! L. E. Dubins, On curves of minimal length with a constraint on average curvature, American
//! Journal of Mathematics 79 (1957): it is an arc, a straight and an arc, or three arcs. The
//! formulas are derived here from the tangents of circles.

use std::f64::consts::{FRAC_PI_2, TAU};

use super::point::Point;
use super::way::Leg;
use crate::Side;

/// Where a horse stands and which way it looks, in radians.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Pose {
    /// Where.
    pub at: Point,
    /// Which way.
    pub heading: f64,
}

/// Two legs shorter than this are none.
const NOTHING: f64 = 1e-9;

/// The legs of the shortest way, and its length in feet.
pub fn shortest(from: Pose, to: Pose, radius_ft: f64) -> (Vec<Leg>, f64) {
    let sides = [Side::Left, Side::Right];
    let pairs = sides.into_iter().flat_map(|a| sides.map(|b| (a, b)));
    let straight = pairs.filter_map(|(a, b)| by_straight(from, to, radius_ft, a, b));
    let arcs = sides
        .into_iter()
        .filter_map(|side| by_arcs(from, to, radius_ft, side));
    straight
        .chain(arcs)
        .min_by(|(_, a), (_, b)| a.total_cmp(b))
        .unwrap_or_default()
}

fn sign(side: Side) -> f64 {
    if side == Side::Left { 1.0 } else { -1.0 }
}

fn middle(pose: Pose, radius_ft: f64, side: Side) -> Point {
    pose.at + Point::unit(pose.heading + sign(side) * FRAC_PI_2) * radius_ft
}

fn round(side: Side, from: f64, to: f64) -> f64 {
    let round = (sign(side) * (to - from)).rem_euclid(TAU);
    // A hair less than a full circle is none at all.
    if TAU - round < 1e-9 { 0.0 } else { round }
}

fn legs(parts: [(Option<Side>, f64); 3], radius_ft: f64) -> (Vec<Leg>, f64) {
    let mut length = 0.0;
    let mut legs = Vec::new();
    for (side, size) in parts {
        if size < NOTHING {
            continue;
        }
        match side {
            None => {
                length += size;
                legs.push(Leg::Straight { feet: size });
            }
            Some(side) => {
                length += size * radius_ft;
                legs.push(Leg::Circle {
                    side,
                    radius_ft,
                    degrees: size.to_degrees(),
                });
            }
        }
    }
    (legs, length)
}

fn by_straight(from: Pose, to: Pose, r: f64, first: Side, last: Side) -> Option<(Vec<Leg>, f64)> {
    let way = middle(to, r, last) - middle(from, r, first);
    let offset = (sign(last) - sign(first)) * r;
    let far = way.length();
    if offset.abs() > far {
        return None;
    }
    let heading = if far < NOTHING {
        from.heading
    } else {
        way.angle() - (offset / far).asin()
    };
    let straight = (far * far - offset * offset).max(0.0).sqrt();
    let parts = [
        (Some(first), round(first, from.heading, heading)),
        (None, straight),
        (Some(last), round(last, heading, to.heading)),
    ];
    Some(legs(parts, r))
}

/// Three arcs: the middle circle touches both others.
fn by_arcs(from: Pose, to: Pose, r: f64, side: Side) -> Option<(Vec<Leg>, f64)> {
    let (a, b) = (middle(from, r, side), middle(to, r, side));
    let far = a.to(b);
    if !(NOTHING..=4.0 * r).contains(&far) {
        return None;
    }
    let rise = (far / (4.0 * r)).acos();
    let ways = [-1.0, 1.0].map(|over| {
        let third = a + Point::unit((b - a).angle() + over * rise) * (2.0 * r);
        // Where the middle circle touches, the heading is square to the line of the middles.
        let first_touch = (third - a).angle() + sign(side) * FRAC_PI_2;
        let last_touch = (third - b).angle() + sign(side) * FRAC_PI_2;
        let parts = [
            (Some(side), round(side, from.heading, first_touch)),
            (
                Some(side.other()),
                round(side.other(), first_touch, last_touch),
            ),
            (Some(side), round(side, last_touch, to.heading)),
        ];
        legs(parts, r)
    });
    let [one, other] = ways;
    Some(if one.1 <= other.1 { one } else { other })
}
