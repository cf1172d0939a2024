//! The largest course that fits a place, and where it lies.
//!
//! A course square to the place is tried first. Otherwise [`super::excluded`] goes through all
//! places, turns and sizes, the larger sizes first, until a course fits; from there the spare
//! room is climbed up and the course grown, and the search goes on above it until it has shown
//! that no larger one fits.
//!
//! Spare room may be missing by [`TOLERANCE_FT`]: a quarter of an inch, less than a tape tells.

use super::cloverleaf::Placing;
use super::excluded::{self, Region};
use super::marks::Marks;
use super::outline;
use super::point::{Point, at};
use super::wanted::{LARGER_FT, LEAST_SCALE, Place, Proof, TOLERANCE_FT, Wanted, middle_of};

/// What was found.
#[derive(Debug, Clone, PartialEq)]
pub struct Found {
    /// The largest course; none when even the smallest does not fit.
    pub place: Option<Place>,
    /// That no larger one fits.
    pub proof: Proof,
}

impl Wanted<'_> {
    /// What was found, in sentences.
    pub fn says(&self, found: &Found) -> Vec<String> {
        let mut says = Vec::new();
        match &found.place {
            Some(place) if place.scale >= 1.0 => says.push("The full course fits.".to_owned()),
            Some(place) => {
                let between = self.course.between_1_2_ft * place.scale;
                says.push(format!(
                    "The largest that fits has {} ft between barrels 1 and 2, {} of the full size.",
                    (between * 10.0).round() / 10.0,
                    crate::wording::percent_down(place.scale)
                ));
            }
            None => says.push(format!(
                "No course of {} of the full size or more fits with this room round it.",
                crate::wording::percent(LEAST_SCALE)
            )),
        }
        if found.place.is_none_or(|place| place.scale < 1.0) {
            says.push(if found.proof.proven {
                match self.step_ft {
                    Some(_) => "Every larger step was ruled out, wherever it lies.".to_owned(),
                    None => "No course a foot larger fits, wherever it lies: every place and turn was ruled out.".to_owned(),
                }
            } else {
                "It could not be shown that no larger one fits.".to_owned()
            });
        }
        says
    }

    /// The largest course that fits.
    pub fn largest(&self) -> Found {
        match self.step_ft {
            Some(step) => self.largest_in_steps(step),
            None => self.largest_freely(),
        }
    }

    fn largest_in_steps(&self, step: f64) -> Found {
        let mut proof = Proof {
            proven: true,
            ..Proof::default()
        };
        let mut scale = 1.0;
        while scale >= LEAST_SCALE - 1e-9 {
            let mut place = self.square(scale);
            if place.is_none() {
                let (found, shown) = excluded::search(self, Region::at(scale));
                proof.boxes += shown.boxes;
                proof.undecided += shown.undecided;
                proof.proven &= shown.proven || found.is_some();
                place = found.map(|place| self.settled(&place));
            }
            if place.is_some() {
                return Found { place, proof };
            }
            scale -= step * self.foot();
        }
        Found { place: None, proof }
    }

    fn largest_freely(&self) -> Found {
        let mut best = self.square(1.0);
        let mut proof = Proof::default();
        loop {
            let from = best.map_or(LEAST_SCALE, |place: Place| {
                place.scale + LARGER_FT * self.foot()
            });
            if from > 1.0 {
                proof.proven = true;
                break;
            }
            let (better, shown) = excluded::search(self, Region { from, to: 1.0 });
            proof.boxes += shown.boxes;
            match better {
                Some(place) => best = Some(self.grown(self.settled(&place))),
                None => {
                    proof.undecided = shown.undecided;
                    proof.proven = shown.proven;
                    break;
                }
            }
        }
        let square = best.and_then(|place| self.square(place.scale));
        Found {
            place: square.or(best),
            proof,
        }
    }

    /// As large as it gets from where it lies.
    fn grown(&self, mut place: Place) -> Place {
        let mut feet = 4.0;
        while feet > 0.05 {
            let scale = (place.scale + feet * self.foot()).min(1.0);
            let marks = Marks::of(self, scale, 0.0);
            let (_, next) = self.climbed(Place { scale, ..place }, 4.0, self.may_turn, |place| {
                self.by_marks(&marks, place)
            });
            let next = self.settled(&next);
            if scale > place.scale && self.fits(&next) {
                place = next;
            } else {
                feet /= 2.0;
            }
        }
        place
    }

    /// A course of that size, square to the place, if there is room for one.
    fn square(&self, scale: f64) -> Option<Place> {
        let marks = Marks::of(self, scale, 0.0);
        let spare = |place: &Place| self.by_marks(&marks, place);
        let mut starts: Vec<(f64, Place)> = self
            .starts(scale)
            .into_iter()
            .map(|place| (spare(&place), place))
            .collect();
        starts.sort_by(|(a, _), (b, _)| b.total_cmp(a));
        starts
            .into_iter()
            .take(STARTS)
            .map(|(_, start)| self.climbed(start, 16.0, false, spare))
            .filter(|(spare, _)| *spare >= -TOLERANCE_FT)
            .reduce(|best, next| if next.0 > best.0 { next } else { best })
            .map(|(_, place)| self.climbed(place, 0.5, false, |place| self.spare(place)).1)
            .filter(|place| self.fits(place))
    }

    fn by_marks(&self, marks: &Marks, place: &Place) -> f64 {
        let turn = place.placing.rotation_deg.to_radians();
        let centre = place.placing.place(middle_of(&self.course) * place.scale);
        marks.spare(self, centre, turn, place.first)
    }

    fn starts(&self, scale: f64) -> Vec<Place> {
        let (low, high) = outline::bounds(self.free.outline);
        let middle = middle_of(&self.course) * scale;
        let mut starts = Vec::new();
        for rotation_deg in self.square_turns() {
            let turned = middle.turned(rotation_deg.to_radians());
            for column in 1..=GRID {
                for row in 1..=GRID {
                    let part = |index: usize| index as f64 / (GRID + 1) as f64;
                    let centre = at(
                        low.x + (high.x - low.x) * part(column),
                        low.y + (high.y - low.y) * part(row),
                    );
                    let placing = Placing {
                        origin: centre - turned,
                        rotation_deg,
                    };
                    starts.extend(self.firsts().into_iter().map(|first| Place {
                        scale,
                        placing,
                        first,
                    }));
                }
            }
        }
        starts
    }

    /// Along and across the longest sides of the outline.
    fn square_turns(&self) -> Vec<f64> {
        if !self.may_turn {
            return vec![0.0];
        }
        let mut sides: Vec<Point> = outline::sides(self.free.outline)
            .map(|[a, b]| b - a)
            .collect();
        sides.sort_by(|a, b| b.length().total_cmp(&a.length()));
        let along = sides
            .into_iter()
            .take(SIDES)
            .flat_map(|side| [0.0, 90.0, 180.0, 270.0].map(|by| side.angle().to_degrees() + by));
        let mut turns: Vec<f64> = along.map(|degrees| degrees.rem_euclid(360.0)).collect();
        turns.sort_by(f64::total_cmp);
        turns.dedup_by(|a, b| (*a - *b).abs() < 0.01);
        turns
    }
}

const STARTS: usize = 4;
/// Sides of the outline that a course is laid square to.
const SIDES: usize = 4;
const GRID: usize = 5;
