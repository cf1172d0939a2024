//! `fit-course`: the largest barrel course that fits a piece of ground, and that no larger does.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::Side;
use crate::bounds::{FIT_CORNERS, FieldError, KEEP_OFFS, SHRINK_STEP_FT};
use crate::ground::cloverleaf::check_first;
use crate::ground::path::{Pockets, check_pockets};
use crate::ground::room::{Area, Free, Room};
use crate::ground::wanted::{Proof, Wanted};
use crate::ground::{Clearances, Cloverleaf, Point, outline};

/// Input of `fit-course`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FitCourseInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The fence, corner by corner.
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 60))]
    pub outline: Vec<Point>,
    /// Outlines of what to keep off, each of 3 to 60 corners; with the fence 400 in all.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub keep_off: Vec<Vec<Point>>,
    /// The room there has to be.
    #[serde(default)]
    pub clearances: Clearances,
    /// The course at its full size.
    #[serde(default = "standard")]
    pub course: Cloverleaf,
    /// Which barrel comes first: right or left.
    #[serde(default = "right")]
    pub first: Side,
    /// Its pockets, each 1 to 20 ft.
    #[serde(default = "usual_pockets")]
    #[cfg_attr(feature = "schema", schema(value_type = Vec<Vec<f64>>, min_items = 3, max_items = 3))]
    pub pockets: Pockets,
    /// It shrinks by so many feet between barrels 1 and 2 at a time, all else with it; null:
    /// freely.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0.5, maximum = 30))]
    pub step_ft: Option<f64>,
    /// It may be turned.
    #[serde(default = "yes")]
    pub may_turn: bool,
    /// The other barrel may come first.
    #[serde(default = "yes")]
    pub may_mirror: bool,
}

fn standard() -> Cloverleaf {
    Cloverleaf::STANDARD
}

fn right() -> Side {
    Side::Right
}

fn usual_pockets() -> Pockets {
    [[5.0, 4.0, 3.0]; 3]
}

fn yes() -> bool {
    true
}

/// Output of `fit-course`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FitCourseOutput))]
pub struct Output {
    /// Its size against the full one, 0.4 to 1; null when none of these fits.
    pub scale: Option<f64>,
    /// Its measures.
    pub course: Option<Cloverleaf>,
    /// The middle of its score line.
    pub origin: Option<Point>,
    /// Turned counterclockwise by this.
    pub rotation_deg: Option<f64>,
    /// Whether the other barrel comes first.
    pub mirrored: Option<bool>,
    /// Its barrels, in the order they are ridden.
    pub barrels: Vec<Point>,
    /// What room it has.
    pub room: Option<Room>,
    /// That no course larger by a foot fits, wherever it lies.
    pub proof: Proof,
    /// The same in sentences.
    pub says: Vec<String>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "fit-course",
    about: "The largest barrel course that fits between fences and around ruts, with its proof.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Looks for the largest course.
///
/// # Errors
/// An outline that is none; a measure out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    outline::check("/outline", &input.outline)?;
    KEEP_OFFS.check_count("/keep_off", input.keep_off.len())?;
    for (index, area) in input.keep_off.iter().enumerate() {
        outline::check(&format!("/keep_off/{index}"), area)?;
    }
    let corners = input.outline.len() + input.keep_off.iter().map(Vec::len).sum::<usize>();
    FIT_CORNERS.check_count("/keep_off", corners)?;
    input.clearances.check("/clearances")?;
    input.course.check("/course")?;
    check_first("/first", input.first)?;
    check_pockets("/pockets", &input.pockets)?;
    if let Some(step) = input.step_ft {
        SHRINK_STEP_FT.check("/step_ft", step)?;
    }
    let wanted = Wanted {
        free: Free {
            outline: &input.outline,
            keep_off: input.keep_off.iter().map(|ring| Area::of(ring)).collect(),
        },
        course: input.course,
        first: input.first,
        pockets: input.pockets,
        clearances: input.clearances,
        step_ft: input.step_ft,
        may_turn: input.may_turn,
        may_mirror: input.may_mirror,
    };
    let found = wanted.largest();
    let place = found.place;
    Ok(Output {
        scale: place.map(|place| place.scale),
        course: place.map(|place| input.course.scaled(place.scale)),
        origin: place.map(|place| place.placing.origin),
        rotation_deg: place.map(|place| place.placing.rotation_deg.rem_euclid(360.0)),
        mirrored: place.map(|place| place.first != input.first),
        barrels: place.map_or_else(Vec::new, |place| wanted.barrels(&place).barrels.to_vec()),
        room: place.and_then(|place| wanted.room(&place)),
        proof: found.proof,
        says: wanted.says(&found),
    })
}
