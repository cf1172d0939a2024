//! The way round a barrel course: straights that touch the turns, so that each leaves room for
//! the next pocket.
//!
//! # Formula
//! A straight that leaves a circle of radius a (side s) and touches one of radius b (side t),
//! the middles D apart at the angle p, has the heading p - asin((t b - s a) / D) and the length
//! sqrt(D^2 - (t b - s a)^2). With one radius all through, the path is a belt of straights and
//! arcs (`tests/ground_path.rs` derives it anew).

use super::cloverleaf::Barrels;
use super::point::{Point, crossing};
use super::turn::Turn;
use crate::bounds::{COURSE_POCKET_FT, FieldError};

/// Pockets of the three barrels: going in, at the back, coming out, in feet from the middle of
/// the barrel to the horse's track.
pub type Pockets = [[f64; 3]; 3];

/// The way round.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Path {
    /// Straights: to barrel 1, 2 and 3, and home.
    pub straights: [[Point; 2]; 4],
    /// Turns.
    pub turns: [Turn; 3],
}

/// A circle that a straight leaves or touches; radius 0 for a point.
#[derive(Clone, Copy)]
struct Round {
    middle: Point,
    radius: f64,
    sign: f64,
}

impl Round {
    fn point(middle: Point) -> Round {
        Round {
            middle,
            radius: 0.0,
            sign: 1.0,
        }
    }

    fn heading_to(self, next: Round) -> Option<f64> {
        let way = next.middle - self.middle;
        let offset = next.sign * next.radius - self.sign * self.radius;
        let far = way.length();
        (offset.abs() < far).then(|| way.angle() - (offset / far).asin())
    }

    /// Where a straight of this heading touches it.
    fn touched(self, heading: f64) -> Point {
        let left = Point::unit(heading + std::f64::consts::FRAC_PI_2);
        self.middle - left * (self.sign * self.radius)
    }
}

impl Path {
    /// The way round these barrels.
    ///
    /// # Errors
    /// When two pockets overlap, or the score line lies in one.
    pub fn round(course: &Barrels, pockets: &Pockets) -> Result<Path, FieldError> {
        let going = |index: usize| Round {
            middle: course.barrels[index],
            radius: pockets[index][0],
            sign: course.sign(index),
        };
        let leaving = |index: usize| Round {
            radius: pockets[index][2],
            ..going(index)
        };
        let line = Round::point(course.start);
        let legs = [
            (line, going(0)),
            (leaving(0), going(1)),
            (leaving(1), going(2)),
            (leaving(2), line),
        ];
        let mut headings = [0.0; 4];
        let mut straights = [[Point::default(); 2]; 4];
        for (index, (from, to)) in legs.into_iter().enumerate() {
            headings[index] = from.heading_to(to).ok_or_else(|| {
                FieldError::new(
                    format!("/pockets/{}", index.min(2)),
                    "leaves no straight: make the pocket smaller, or move the barrel further away",
                )
            })?;
            straights[index] = [from.touched(headings[index]), to.touched(headings[index])];
        }
        let turns = [0, 1, 2].map(|index| {
            Turn::between(
                course.barrels[index],
                pockets[index],
                course.sign(index),
                headings[index],
                headings[index + 1],
            )
        });
        Ok(Path { straights, turns })
    }

    /// Its whole length in feet.
    pub fn length_ft(&self) -> f64 {
        self.straight_lengths().iter().sum::<f64>()
            + self.turns.iter().map(Turn::length_ft).sum::<f64>()
    }

    /// The lengths of its straights.
    pub fn straight_lengths(&self) -> [f64; 4] {
        self.straights.map(|[from, to]| from.to(to))
    }

    /// The smallest circle the horse has to bend in, as a radius in feet.
    pub fn least_radius_ft(&self) -> f64 {
        self.turns
            .iter()
            .map(Turn::least_radius_ft)
            .fold(f64::INFINITY, f64::min)
    }

    /// Where the tracks into and out of a barrel cross; none where they do not.
    pub fn tracks_cross(&self, barrel: usize) -> Option<Point> {
        let going = self.straights[barrel];
        let (part, _) = crossing(going, self.straights[barrel + 1])?;
        Some(going[0].between(going[1], part))
    }

    /// A line of points along it; each turn in that many pieces.
    pub fn points(&self, pieces: usize) -> Vec<Point> {
        let mut points = Vec::with_capacity(2 + 3 * (pieces + 1));
        points.push(self.straights[0][0]);
        for turn in &self.turns {
            points.extend(turn.points(pieces));
        }
        points.push(self.straights[3][1]);
        points
    }
}

/// Checks every pocket.
///
/// # Errors
/// At the one that is out of bounds.
pub fn check_pockets(field: &str, pockets: &Pockets) -> Result<(), FieldError> {
    for (barrel, pocket) in pockets.iter().enumerate() {
        for (spot, feet) in pocket.iter().enumerate() {
            COURSE_POCKET_FT.check(&format!("{field}/{barrel}/{spot}"), *feet)?;
        }
    }
    Ok(())
}
