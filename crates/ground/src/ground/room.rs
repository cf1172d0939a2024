//! What room a course has where it lies: to the fence, behind barrel 3, to stop in, and from
//! what to keep off.
//!
//! # Source
//! 18 ft from barrels 1 and 2 to the side fence (15 in others), 36 ft behind barrel 3 (30 in
//! others), 45 ft from the score line to the end: rule books of the WPRA and the AQHA, from
//! memory. 3 ft from the horse's track to the fence and to ruts: product default.

use serde::{Deserialize, Serialize};

use super::cloverleaf::Barrels;
use super::lay::GroundLay;
use super::outline;
use super::path::Path;
use super::point::{Point, crossing};
use crate::bounds::{CLEARANCE_FT, FieldError};

/// The least room there has to be, in feet.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields, default)]
pub struct Clearances {
    /// From every barrel to the fence.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub side_ft: f64,
    /// From barrel 3 straight on to the fence.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub behind_ft: f64,
    /// From the score line straight back to the end, to stop in.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub end_ft: f64,
    /// From the horse's track to the fence.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub track_ft: f64,
    /// From the horse's track and from every barrel to what to keep off.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 120))]
    pub keep_off_ft: f64,
}

impl Default for Clearances {
    fn default() -> Clearances {
        Clearances {
            side_ft: 18.0,
            behind_ft: 36.0,
            end_ft: 45.0,
            track_ft: 3.0,
            keep_off_ft: 3.0,
        }
    }
}

impl Clearances {
    /// Checks every figure.
    ///
    /// # Errors
    /// At the one that is out of bounds.
    pub fn check(&self, field: &str) -> Result<(), FieldError> {
        let all = [
            ("side_ft", self.side_ft),
            ("behind_ft", self.behind_ft),
            ("end_ft", self.end_ft),
            ("track_ft", self.track_ft),
            ("keep_off_ft", self.keep_off_ft),
        ];
        for (name, feet) in all {
            CLEARANCE_FT.check(&format!("{field}/{name}"), feet)?;
        }
        Ok(())
    }
}

/// The ground a course has to lie on.
#[derive(Debug, Clone, PartialEq)]
pub struct Free<'a> {
    /// Inside this.
    pub outline: &'a [Point],
    /// Off these.
    pub keep_off: Vec<Area<'a>>,
}

/// An area to keep off, and a circle about it: from far off the circle is enough.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Area<'a> {
    /// Its outline.
    pub ring: &'a [Point],
    middle: Point,
    radius: f64,
}

impl<'a> Area<'a> {
    /// Of an outline.
    pub fn of(ring: &'a [Point]) -> Area<'a> {
        let (low, high) = outline::bounds(ring);
        let middle = low.between(high, 0.5);
        Area {
            ring,
            middle,
            radius: low.to(high) / 2.0,
        }
    }

    /// The point is at least so far from it.
    pub fn at_least_off(&self, point: Point) -> f64 {
        point.to(self.middle) - self.radius
    }

    /// How far the point is from it; below 0 inside.
    pub fn off(&self, point: Point) -> f64 {
        -outline::inside_by(self.ring, point)
    }
}

/// What room there is. Below 0 it lies beyond the fence, or in what to keep off.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CourseRoom))]
pub struct Room {
    /// From each barrel to the fence, in feet.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub barrels_ft: [f64; 3],
    /// From barrel 3 straight on to the fence.
    pub behind_ft: f64,
    /// From the score line straight back to the end.
    pub end_ft: f64,
    /// From the horse's track to the fence.
    pub track_ft: f64,
    /// From track and barrels to what to keep off; null when there is nothing to keep off.
    pub keep_off_ft: Option<f64>,
    /// The areas to keep off that come too near, by their place in the list.
    pub keep_off_near: Vec<usize>,
    /// How much room is left over where it is scarcest; below 0 the course does not fit.
    pub spare_ft: f64,
    /// What is too near, in sentences.
    pub says: Vec<String>,
}

/// How finely a turn is cut up when its distances are looked for: at most 0.02 ft is lost.
const PIECES: usize = 48;
/// A straight that crosses a ring is looked at in so many points, for how far beyond it goes.
const ACROSS: u32 = 64;

impl<'a> Free<'a> {
    /// The ground of a place.
    pub fn of(lay: &'a GroundLay) -> Free<'a> {
        Free {
            outline: &lay.outline,
            keep_off: lay
                .keep_off
                .iter()
                .map(|area| Area::of(&area.outline))
                .collect(),
        }
    }
}

impl Free<'_> {
    /// How many corners there are in all.
    pub fn corners(&self) -> u64 {
        let areas: usize = self.keep_off.iter().map(|area| area.ring.len()).sum();
        (self.outline.len() + areas) as u64
    }

    /// The room a course has.
    pub fn room(&self, course: &Barrels, path: &Path, clearances: &Clearances) -> Room {
        let track = Track::of(path);
        let barrels_ft = course
            .barrels
            .map(|barrel| outline::inside_by(self.outline, barrel));
        let behind_ft = self.straight_on(course.barrels[2], course.up);
        let end_ft = self.straight_on(course.start, course.up * -1.0);
        let track_ft = self.inside(&track);
        let keep_off: Vec<f64> = self
            .keep_off
            .iter()
            .map(|area| track.off(area, &course.barrels))
            .collect();
        let keep_off_ft = keep_off.iter().copied().reduce(f64::min);
        let near = |(index, far): (usize, &f64)| (*far < clearances.keep_off_ft).then_some(index);
        let strip = |from, way: Point, feet: f64| {
            let long = (feet - clearances.track_ft).max(0.0);
            let strip = Track {
                points: Vec::new(),
                straights: vec![[from, from + way * long]],
            };
            self.inside(&strip) - clearances.track_ft.min(feet)
        };
        let spare = [
            barrels_ft.into_iter().fold(f64::INFINITY, f64::min) - clearances.side_ft,
            strip(course.barrels[2], course.up, clearances.behind_ft),
            strip(course.start, course.up * -1.0, clearances.end_ft),
            track_ft - clearances.track_ft,
            keep_off_ft.map_or(f64::INFINITY, |far| far - clearances.keep_off_ft),
        ];
        let mut room = Room {
            barrels_ft,
            behind_ft,
            end_ft,
            track_ft,
            keep_off_ft,
            keep_off_near: keep_off.iter().enumerate().filter_map(near).collect(),
            spare_ft: spare.into_iter().fold(f64::INFINITY, f64::min),
            says: Vec::new(),
        };
        room.says = room.in_words(clearances);
        room
    }

    /// How far it is from a point straight on to the fence; below 0 from outside.
    pub fn straight_on(&self, from: Point, way: Point) -> f64 {
        if !outline::contains(self.outline, from) {
            return -outline::to_ring(self.outline, from);
        }
        let far = from + way * 1e4;
        let hits = outline::sides(self.outline).filter_map(|side| crossing([from, far], side));
        hits.map(|(part, _)| part * 1e4)
            .fold(f64::INFINITY, f64::min)
    }

    /// How far inside the fence a track stays; below 0 where it does not.
    fn inside(&self, track: &Track) -> f64 {
        track.least(self.outline, |point| {
            outline::inside_by(self.outline, point)
        })
    }
}

/// A line as its distances are looked for: straights whole, turns point by point.
struct Track {
    points: Vec<Point>,
    straights: Vec<[Point; 2]>,
}

impl Track {
    fn of(path: &Path) -> Track {
        Track {
            points: path
                .turns
                .iter()
                .flat_map(|turn| turn.points(PIECES))
                .collect(),
            straights: path.straights.to_vec(),
        }
    }

    /// The least of this distance along it; where a straight crosses the ring, at most 0.
    fn least(&self, ring: &[Point], distance: impl Fn(Point) -> f64) -> f64 {
        let ends = self.straights.iter().flatten();
        let at_points = self.points.iter().chain(ends).map(|point| distance(*point));
        let between = self.straights.iter().map(|[from, to]| {
            let crosses = outline::sides(ring).any(|side| crossing([*from, *to], side).is_some());
            if crosses {
                let samples = (0..=ACROSS)
                    .map(|index| from.between(*to, f64::from(index) / f64::from(ACROSS)));
                return samples.map(&distance).fold(0.0, f64::min);
            }
            let corners = ring.iter().map(|corner| corner.to_segment(*from, *to));
            corners.fold(f64::INFINITY, f64::min)
        });
        at_points.chain(between).fold(f64::INFINITY, f64::min)
    }

    /// How far track and barrels stay off an area; below 0 when they are in it.
    fn off(&self, area: &Area<'_>, barrels: &[Point; 3]) -> f64 {
        let of_barrels = barrels.map(|barrel| area.off(barrel));
        of_barrels
            .into_iter()
            .fold(self.least(area.ring, |point| area.off(point)), f64::min)
    }
}

impl Room {
    fn in_words(&self, least: &Clearances) -> Vec<String> {
        let mut says = Vec::new();
        let mut note = |what: &str, found: f64, least: f64| {
            if found <= 0.0 {
                says.push(format!("{what}: beyond the fence."));
            } else if found < least - 0.05 {
                says.push(format!(
                    "{what}: {} ft, {} ft wanted.",
                    tenths(found),
                    tenths(least)
                ));
            }
        };
        for (index, found) in self.barrels_ft.iter().enumerate() {
            note(
                &format!("Barrel {} to the fence", index + 1),
                *found,
                least.side_ft,
            );
        }
        note("Behind barrel 3", self.behind_ft, least.behind_ft);
        note(
            "To stop in, behind the score line",
            self.end_ft,
            least.end_ft,
        );
        note(
            "The horse's track to the fence",
            self.track_ft,
            least.track_ft,
        );
        match self.keep_off_ft {
            Some(far) if far <= 0.0 => {
                says.push("The track goes through ground to keep off.".to_owned());
            }
            Some(far) if far < least.keep_off_ft - 0.05 => says.push(format!(
                "The track comes within {} ft of ground to keep off, {} ft wanted.",
                tenths(far),
                tenths(least.keep_off_ft)
            )),
            _ => {}
        }
        if says.is_empty() && self.spare_ft < -0.05 {
            says.push(
                "A corner of the fence comes too near behind barrel 3 or the score line."
                    .to_owned(),
            );
        }
        says
    }
}

fn tenths(feet: f64) -> f64 {
    (feet * 10.0).round() / 10.0
}
