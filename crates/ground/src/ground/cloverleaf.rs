//! The barrel course by its measures, and where it lies in a place.
//!
//! In its own frame the middle of the score line is the origin, y runs up the course, and the
//! first barrel lies to the right where the first turn is to the right.
//!
//! # Source
//! 60 ft from the score line to barrels 1 and 2, 90 ft between them, 105 ft from each to barrel
//! 3: the standard course as the rule books of the WPRA and the AQHA print it, from memory.

use serde::{Deserialize, Serialize};

use super::outline::check_point;
use super::point::{Point, at};
use crate::Side;
use crate::bounds::{BARREL_MOVED_FT, COURSE_FT, FieldError, HEADING_DEG};

/// The measures of a course.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Cloverleaf {
    /// From barrel 1 to barrel 2, in feet.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub between_1_2_ft: f64,
    /// From barrels 1 and 2 to barrel 3, in feet.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub between_1_3_ft: f64,
    /// From the score line up to barrels 1 and 2, in feet.
    #[cfg_attr(feature = "schema", schema(minimum = 20, maximum = 200))]
    pub score_line_ft: f64,
}

/// Where the middle of the score line lies, and which way the course points.
#[derive(Debug, Clone, Copy, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Placing {
    /// The middle of the score line, in the frame of the place.
    pub origin: Point,
    /// Turned counterclockwise by this; at 0 the third barrel lies up the plan.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = -360, maximum = 360))]
    pub rotation_deg: f64,
}

/// A course as it stands: score line and barrels, in whatever frame.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Barrels {
    /// Where the clock starts: the middle of the score line.
    pub start: Point,
    /// The first, second and third barrel, in the order they are ridden.
    pub barrels: [Point; 3],
    /// The way up the course, one foot long.
    pub up: Point,
    /// Which way the first one is turned; the other two go the other way.
    pub first: Side,
}

/// A course with its sides given one way or the other.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Laid<'a> {
    /// Its measures.
    pub measures: Cloverleaf,
    /// Right or left barrel first.
    pub first: Side,
    /// Where.
    pub placing: &'a Placing,
    /// How far each barrel stands from where the measures put it, in the course's own frame.
    pub moved: [Point; 3],
}

impl Cloverleaf {
    /// The published standard course.
    pub const STANDARD: Cloverleaf = Cloverleaf {
        between_1_2_ft: 90.0,
        between_1_3_ft: 105.0,
        score_line_ft: 60.0,
    };

    /// How far barrel 3 lies above the line of barrels 1 and 2.
    pub fn third_above_ft(&self) -> f64 {
        let half = self.between_1_2_ft / 2.0;
        (self.between_1_3_ft * self.between_1_3_ft - half * half).sqrt()
    }

    /// All its measures times this.
    pub fn scaled(&self, scale: f64) -> Cloverleaf {
        Cloverleaf {
            between_1_2_ft: self.between_1_2_ft * scale,
            between_1_3_ft: self.between_1_3_ft * scale,
            score_line_ft: self.score_line_ft * scale,
        }
    }

    /// Checks its measures.
    ///
    /// # Errors
    /// A measure out of bounds, or a third barrel that cannot be that near.
    pub fn check(&self, field: &str) -> Result<(), FieldError> {
        COURSE_FT.check(&format!("{field}/between_1_2_ft"), self.between_1_2_ft)?;
        COURSE_FT.check(&format!("{field}/between_1_3_ft"), self.between_1_3_ft)?;
        COURSE_FT.check(&format!("{field}/score_line_ft"), self.score_line_ft)?;
        if self.between_1_3_ft < self.between_1_2_ft * 0.6 {
            return Err(FieldError::new(
                format!("{field}/between_1_3_ft"),
                "must be at least 0.6 times the distance between barrels 1 and 2",
            ));
        }
        Ok(())
    }

    /// Its barrels in its own frame.
    pub fn barrels(&self, first: Side) -> Barrels {
        Laid {
            measures: *self,
            first,
            placing: &Placing::default(),
            moved: [Point::default(); 3],
        }
        .barrels()
    }
}

impl Placing {
    /// A point of the course's frame in the frame of the place.
    pub fn place(&self, point: Point) -> Point {
        self.origin + point.turned(self.rotation_deg.to_radians())
    }

    /// Checks both figures.
    ///
    /// # Errors
    /// At what does not fit.
    pub fn check(&self, field: &str) -> Result<(), FieldError> {
        check_point(&format!("{field}/origin"), self.origin)?;
        HEADING_DEG.check(&format!("{field}/rotation_deg"), self.rotation_deg)?;
        Ok(())
    }
}

impl Laid<'_> {
    /// Where everything stands.
    pub fn barrels(&self) -> Barrels {
        let Cloverleaf { score_line_ft, .. } = self.measures;
        let side = if self.first == Side::Left { -1.0 } else { 1.0 };
        let half = side * self.measures.between_1_2_ft / 2.0;
        let own = [
            at(half, score_line_ft),
            at(-half, score_line_ft),
            at(0.0, score_line_ft + self.measures.third_above_ft()),
        ];
        let place = |point| self.placing.place(point);
        let mut barrels = own;
        for (barrel, moved) in barrels.iter_mut().zip(self.moved) {
            *barrel = place(*barrel + moved);
        }
        Barrels {
            start: place(Point::default()),
            barrels,
            up: at(0.0, 1.0).turned(self.placing.rotation_deg.to_radians()),
            first: self.first,
        }
    }
}

impl Barrels {
    /// 1 where a barrel is turned with it on the left, -1 on the right.
    pub fn sign(&self, barrel: usize) -> f64 {
        match (self.first, barrel) {
            (Side::Left, 0) => 1.0,
            (Side::Left, _) => -1.0,
            (_, 0) => -1.0,
            _ => 1.0,
        }
    }

    /// The lead that carries round a barrel.
    pub fn lead(&self, barrel: usize) -> Side {
        if self.sign(barrel) > 0.0 {
            Side::Left
        } else {
            Side::Right
        }
    }
}

/// Checks how far barrels were moved.
///
/// # Errors
/// At the figure that is too large.
pub fn check_moved(field: &str, moved: &[Point; 3]) -> Result<(), FieldError> {
    for (index, point) in moved.iter().enumerate() {
        BARREL_MOVED_FT.check(&format!("{field}/{index}/0"), point.x)?;
        BARREL_MOVED_FT.check(&format!("{field}/{index}/1"), point.y)?;
    }
    Ok(())
}

/// Checks which way the first barrel is turned.
///
/// # Errors
/// When it is neither left nor right.
pub fn check_first(field: &str, first: Side) -> Result<Side, FieldError> {
    if first == Side::Both {
        return Err(FieldError::new(field, "must be left or right"));
    }
    Ok(first)
}
