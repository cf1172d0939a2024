//! A point of the plan, in feet, and distances from it.

use std::ops::{Add, Mul, Sub};

use serde::{Deserialize, Serialize};

/// A point: feet to the right, feet up the plan. In JSON `[x, y]`.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[serde(from = "[f64; 2]", into = "[f64; 2]")]
pub struct Point {
    /// Feet to the right.
    pub x: f64,
    /// Feet up the plan.
    pub y: f64,
}

/// A point at these feet.
pub const fn at(x: f64, y: f64) -> Point {
    Point { x, y }
}

impl From<[f64; 2]> for Point {
    fn from([x, y]: [f64; 2]) -> Point {
        at(x, y)
    }
}

impl From<Point> for [f64; 2] {
    fn from(Point { x, y }: Point) -> [f64; 2] {
        [x, y]
    }
}

#[cfg(feature = "schema")]
impl utoipa::PartialSchema for Point {
    fn schema() -> utoipa::openapi::RefOr<utoipa::openapi::schema::Schema> {
        use utoipa::openapi::schema::{ArrayBuilder, ObjectBuilder, Type};
        let feet = ObjectBuilder::new().schema_type(Type::Number);
        ArrayBuilder::new()
            .items(feet)
            .min_items(Some(2))
            .max_items(Some(2))
            .description(Some("Feet to the right, feet up the plan."))
            .into()
    }
}

#[cfg(feature = "schema")]
impl utoipa::ToSchema for Point {
    fn name() -> std::borrow::Cow<'static, str> {
        "Point".into()
    }
}

impl Add for Point {
    type Output = Point;
    fn add(self, other: Point) -> Point {
        at(self.x + other.x, self.y + other.y)
    }
}

impl Sub for Point {
    type Output = Point;
    fn sub(self, other: Point) -> Point {
        at(self.x - other.x, self.y - other.y)
    }
}

impl Mul<f64> for Point {
    type Output = Point;
    fn mul(self, by: f64) -> Point {
        at(self.x * by, self.y * by)
    }
}

impl Point {
    /// The point at this angle (radians, counterclockwise from the right), one foot away.
    pub fn unit(angle: f64) -> Point {
        at(angle.cos(), angle.sin())
    }

    /// Scalar product.
    pub fn dot(self, other: Point) -> f64 {
        self.x * other.x + self.y * other.y
    }

    /// Twice the area of the triangle with the origin; above 0 where `other` lies to the left.
    pub fn cross(self, other: Point) -> f64 {
        self.x * other.y - self.y * other.x
    }

    /// Its distance from the origin.
    pub fn length(self) -> f64 {
        self.x.hypot(self.y)
    }

    /// Its angle from the right, counterclockwise, in radians.
    pub fn angle(self) -> f64 {
        self.y.atan2(self.x)
    }

    /// Turned about the origin by this angle in radians, counterclockwise.
    pub fn turned(self, angle: f64) -> Point {
        let (sin, cos) = angle.sin_cos();
        at(self.x * cos - self.y * sin, self.x * sin + self.y * cos)
    }

    /// How far it is to the other.
    pub fn to(self, other: Point) -> f64 {
        (other - self).length()
    }

    /// The point between, `part` of the way to the other.
    pub fn between(self, other: Point, part: f64) -> Point {
        self + (other - self) * part
    }

    /// How far it is to the straight from `a` to `b`.
    pub fn to_segment(self, a: Point, b: Point) -> f64 {
        self.to(self.nearest_on(a, b))
    }

    /// The point of the straight from `a` to `b` that is nearest.
    pub fn nearest_on(self, a: Point, b: Point) -> Point {
        let along = b - a;
        let size = along.dot(along);
        if size == 0.0 {
            return a;
        }
        a.between(b, ((self - a).dot(along) / size).clamp(0.0, 1.0))
    }

    /// Whether both figures are numbers.
    pub fn is_finite(self) -> bool {
        self.x.is_finite() && self.y.is_finite()
    }
}

/// Where two straights cross: how far along the first and the second, 0 to 1. None where they
/// do not, or run side by side.
pub fn crossing(first: [Point; 2], second: [Point; 2]) -> Option<(f64, f64)> {
    let (along, across) = (first[1] - first[0], second[1] - second[0]);
    let turn = along.cross(across);
    if turn.abs() < 1e-12 * along.length() * across.length() || turn == 0.0 {
        return None;
    }
    let from = second[0] - first[0];
    let (on_first, on_second) = (from.cross(across) / turn, from.cross(along) / turn);
    let on = |part: f64| (0.0..=1.0).contains(&part);
    (on(on_first) && on(on_second)).then_some((on_first, on_second))
}
