//! The outline of a piece of ground: a ring of points, closed by itself.
//!
//! # Formula
//! Area by the shoelace formula; inside by crossings of a ray. `tests/ground_outline.rs`
//! holds both against a general geometry library.

use super::point::{Point, at, crossing};
use crate::bounds::{CORNERS, FieldError, ON_PLAN_FT};

/// Its straights, the last one back to the first corner.
pub fn sides(ring: &[Point]) -> impl Iterator<Item = [Point; 2]> + '_ {
    (0..ring.len()).map(|index| [ring[index], ring[(index + 1) % ring.len()]])
}

/// Its area in square feet, whichever way round it was drawn.
pub fn area_sq_ft(ring: &[Point]) -> f64 {
    sides(ring).map(|[a, b]| a.cross(b)).sum::<f64>().abs() / 2.0
}

/// Whether the point lies inside.
pub fn contains(ring: &[Point], point: Point) -> bool {
    let mut inside = false;
    for [a, b] in sides(ring) {
        if (a.y > point.y) != (b.y > point.y) {
            let x = a.x + (point.y - a.y) / (b.y - a.y) * (b.x - a.x);
            inside ^= point.x < x;
        }
    }
    inside
}

/// How far the point is from the ring itself, inside or outside.
pub fn to_ring(ring: &[Point], point: Point) -> f64 {
    sides(ring)
        .map(|[a, b]| point.to_segment(a, b))
        .fold(f64::INFINITY, f64::min)
}

/// How far inside the point lies; below 0 outside.
pub fn inside_by(ring: &[Point], point: Point) -> f64 {
    let far = to_ring(ring, point);
    if contains(ring, point) { far } else { -far }
}

/// The least and the most of a ring, both ways.
pub fn bounds(ring: &[Point]) -> (Point, Point) {
    let (mut low, mut high) = (ring[0], ring[0]);
    for point in ring {
        low = at(low.x.min(point.x), low.y.min(point.y));
        high = at(high.x.max(point.x), high.y.max(point.y));
    }
    (low, high)
}

/// Checks a ring from outside: enough corners, on the plan, some area, no side across another.
///
/// # Errors
/// The first corner that does not fit, with what is allowed.
pub fn check(field: &str, ring: &[Point]) -> Result<(), FieldError> {
    CORNERS.check_count(field, ring.len())?;
    for (index, corner) in ring.iter().enumerate() {
        check_point(&format!("{field}/{index}"), *corner)?;
    }
    for (index, [a, b]) in sides(ring).enumerate() {
        if a.to(b) < 0.01 {
            let why = "two corners in a row must not be the same point";
            return Err(FieldError::new(format!("{field}/{index}"), why));
        }
    }
    for (index, side) in sides(ring).enumerate() {
        for other in index + 1..ring.len() {
            let next = other == index + 1 || (index == 0 && other == ring.len() - 1);
            let against = [ring[other], ring[(other + 1) % ring.len()]];
            if !next && crossing(side, against).is_some() {
                return Err(FieldError::new(
                    format!("{field}/{other}"),
                    "no side of the outline may cross another",
                ));
            }
        }
    }
    if area_sq_ft(ring) < 1.0 {
        return Err(FieldError::new(field, "must have an area"));
    }
    Ok(())
}

/// Checks that a point lies on a plan.
///
/// # Errors
/// At the figure that does not.
pub fn check_point(field: &str, point: Point) -> Result<(), FieldError> {
    ON_PLAN_FT.check(&format!("{field}/0"), point.x)?;
    ON_PLAN_FT.check(&format!("{field}/1"), point.y)?;
    Ok(())
}
