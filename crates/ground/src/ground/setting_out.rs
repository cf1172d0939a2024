//! The sheet for setting a course out, by one person with a tape.
//!
//! Each barrel is found where two arcs cross: the tape is hooked to one mark and an arc is
//! scratched, then to another. The two marks are those from which a tape's error shows least.
//! Beside it stands the other way, without posts: along the center line from the score line,
//! and out from it square. Diagonals tell whether it came out right.
//!
//! # Formula
//! Two arcs that cross at the angle g and are off by a and b put the barrel off by
//! sqrt(a^2 + b^2 - 2 a b cos g) / sin g: at the most, each off by e,
//! e sqrt(2 (1 + |cos g|)) / sin g.
//!
//! # Source
//! Intersection of arcs is common surveying practice, derived here. A tape read to within an
//! inch, and at most 200 ft of it: product defaults.

use serde::Serialize;

use super::cloverleaf::Barrels;
use super::lay::Post;
use super::point::Point;

/// How well one reads a long tape in an arena, in feet.
pub const TAPE_OFF_FT: f64 = 1.0 / 12.0;
/// Arcs that cross flatter than this are no mark.
const LEAST_CROSSING_DEG: f64 = 25.0;

/// One point to find.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToFind {
    /// What it is.
    pub name: String,
    /// Where it is on the plan.
    pub at: Point,
    /// By two arcs; null when no two marks serve.
    pub by_arcs: Option<ByArcs>,
    /// Along the center line from the middle of the score line, in feet; below 0 behind it.
    pub along_ft: f64,
    /// Out from the center line, in feet; below 0 to the left of it, looking up the course.
    pub out_ft: f64,
}

/// Found where two arcs cross.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ByArcs {
    /// The marks to hook the tape to.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub from: [Arc; 2],
    /// The angle at which the arcs cross, in degrees.
    pub cross_deg: f64,
    /// How far off the barrel may be when the tape is read to an inch, in feet.
    pub off_ft: f64,
}

/// An arc about a mark.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TapeArc))]
pub struct Arc {
    /// The mark.
    pub mark: String,
    /// Where it is on the plan.
    pub at: Point,
    /// Feet of tape.
    pub feet: f64,
}

/// A distance to check at the end.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = TapeCheck))]
pub struct Check {
    /// From.
    pub from: String,
    /// To.
    pub to: String,
    /// Feet.
    pub feet: f64,
    /// How far off it may be when both ends were set with care, in feet.
    pub off_ft: f64,
}

/// The sheet.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SettingOutSheet))]
pub struct Sheet {
    /// In the order in which they are found.
    pub points: Vec<ToFind>,
    /// To check at the end.
    pub checks: Vec<Check>,
    /// What could not be, in sentences.
    pub says: Vec<String>,
}

/// The sheet of a course, with a tape of that length.
pub fn sheet(course: &Barrels, marks: &[Post], tape_ft: f64) -> Sheet {
    let named = [
        ("middle of the score line", course.start),
        ("barrel 1", course.barrels[0]),
        ("barrel 2", course.barrels[1]),
        ("barrel 3", course.barrels[2]),
    ];
    let right = Point {
        x: course.up.y,
        y: -course.up.x,
    };
    let points: Vec<ToFind> = named
        .into_iter()
        .map(|(name, at)| ToFind {
            name: name.to_owned(),
            at,
            by_arcs: best_arcs(at, marks, tape_ft),
            along_ft: (at - course.start).dot(course.up),
            out_ft: (at - course.start).dot(right),
        })
        .collect();
    let pairs = [(1, 2), (1, 3), (2, 3), (0, 1), (0, 2), (0, 3)];
    let checks = pairs.map(|(from, to)| {
        let off = |index: usize| {
            let arcs = points[index].by_arcs.as_ref();
            arcs.map_or(TAPE_OFF_FT * std::f64::consts::SQRT_2, |arcs| arcs.off_ft)
        };
        Check {
            from: points[from].name.clone(),
            to: points[to].name.clone(),
            feet: points[from].at.to(points[to].at),
            off_ft: off(from).hypot(off(to)) + TAPE_OFF_FT,
        }
    });
    let says = points
        .iter()
        .filter(|point| point.by_arcs.is_none())
        .map(|point| {
            format!(
                "No two marks serve for the {}: use the center line, or a longer tape.",
                point.name
            )
        })
        .collect();
    Sheet {
        says,
        points,
        checks: checks.into(),
    }
}

/// The two marks whose arcs put it nearest to where it belongs.
fn best_arcs(at: Point, marks: &[Post], tape_ft: f64) -> Option<ByArcs> {
    let near: Vec<(&Post, f64)> = marks
        .iter()
        .map(|mark| (mark, mark.at.to(at)))
        .filter(|(_, feet)| (1.0..=tape_ft).contains(feet))
        .collect();
    let mut best: Option<ByArcs> = None;
    for (index, (one, one_ft)) in near.iter().enumerate() {
        for (other, other_ft) in &near[index + 1..] {
            let (a, b) = (one.at - at, other.at - at);
            let sine = a.cross(b).abs() / (one_ft * other_ft);
            let cross_deg = sine.min(1.0).asin().to_degrees();
            if cross_deg < LEAST_CROSSING_DEG {
                continue;
            }
            let cosine = a.dot(b).abs() / (one_ft * other_ft);
            let off_ft = TAPE_OFF_FT * (2.0 * (1.0 + cosine)).sqrt() / sine;
            if best.as_ref().is_none_or(|best| off_ft < best.off_ft) {
                let arc = |post: &Post, feet: f64| Arc {
                    mark: post.name.clone(),
                    at: post.at,
                    feet,
                };
                best = Some(ByArcs {
                    from: [arc(one, *one_ft), arc(other, *other_ft)],
                    cross_deg,
                    off_ft,
                });
            }
        }
    }
    best
}
