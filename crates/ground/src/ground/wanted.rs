//! What course is to fit where.

use serde::Serialize;

use super::cloverleaf::{Barrels, Cloverleaf, Laid, Placing};
use super::path::{Path, Pockets};
use super::point::{Point, at};
use super::room::{Clearances, Free, Room};
use crate::Side;

/// How much room may be missing.
pub const TOLERANCE_FT: f64 = 0.02;
/// The smallest scale that is looked at: below, it is no course any more.
pub const LEAST_SCALE: f64 = 0.4;
/// Larger by so much between barrels 1 and 2, and it is another course.
pub const LARGER_FT: f64 = 1.0;

/// What is to fit where.
#[derive(Debug, Clone)]
pub struct Wanted<'a> {
    /// The ground.
    pub free: Free<'a>,
    /// The course at its full size.
    pub course: Cloverleaf,
    /// Which barrel comes first.
    pub first: Side,
    /// Its pockets; they stay as they are when it shrinks.
    pub pockets: Pockets,
    /// The room it needs.
    pub clearances: Clearances,
    /// It shrinks by so many feet between barrels 1 and 2 at a time; none: freely.
    pub step_ft: Option<f64>,
    /// It may be turned.
    pub may_turn: bool,
    /// The other barrel may come first.
    pub may_mirror: bool,
}

/// Where a course lies.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Place {
    /// Its size.
    pub scale: f64,
    /// Where, and which way.
    pub placing: Placing,
    /// Which barrel comes first.
    pub first: Side,
}

/// That no larger course fits.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FitProof))]
pub struct Proof {
    /// Whether every larger course, wherever it lies, was shown to lack room.
    pub proven: bool,
    /// Boxes of positions, turns and sizes that were looked at.
    pub boxes: u64,
    /// Boxes that were left over, too small to be cut further; none when it is proven.
    pub undecided: u64,
}

impl Wanted<'_> {
    /// The course at that place.
    pub fn barrels(&self, place: &Place) -> Barrels {
        Laid {
            measures: self.course.scaled(place.scale),
            first: place.first,
            placing: &place.placing,
            moved: [Point::default(); 3],
        }
        .barrels()
    }

    /// The room it has there; none when its pockets leave no way round.
    pub fn room(&self, place: &Place) -> Option<Room> {
        let barrels = self.barrels(place);
        let path = Path::round(&barrels, &self.pockets).ok()?;
        Some(self.free.room(&barrels, &path, &self.clearances))
    }

    /// How much room is left over there where it is scarcest.
    pub fn spare(&self, place: &Place) -> f64 {
        self.room(place)
            .map_or(f64::NEG_INFINITY, |room| room.spare_ft)
    }

    /// Whether it has the room there.
    pub fn fits(&self, place: &Place) -> bool {
        self.spare(place) >= -TOLERANCE_FT
    }

    /// Which barrels may come first.
    pub fn firsts(&self) -> Vec<Side> {
        if self.may_mirror {
            vec![self.first, self.first.other()]
        } else {
            vec![self.first]
        }
    }

    /// A foot between barrels 1 and 2, as a scale.
    pub fn foot(&self) -> f64 {
        1.0 / self.course.between_1_2_ft
    }
}

/// The middle of a course at full size, in its own frame.
pub fn middle_of(course: &Cloverleaf) -> Point {
    at(0.0, (course.score_line_ft + course.third_above_ft()) / 2.0)
}
