//! `setting-out`: the sheet for setting a barrel course out with a tape.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::Side;
use crate::bounds::{FieldError, TAPE_FT};
use crate::ground::cloverleaf::{Laid, check_first, check_moved};
use crate::ground::setting_out::{Sheet, sheet};
use crate::ground::{Cloverleaf, GroundLay, Placing, Point};

/// Input of `setting-out`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SettingOutInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The measures of the course.
    pub course: Cloverleaf,
    /// Which barrel comes first: right or left.
    pub first: Side,
    /// Where it lies.
    pub placing: Placing,
    /// How far each barrel stands from where the measures put it.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(min_items = 3, max_items = 3))]
    pub moved: [Point; 3],
    /// The place it lies in: its posts, or the corners of its fence, are measured from; without
    /// it along and out from the center line alone.
    #[serde(default)]
    pub lay: Option<GroundLay>,
    /// The length of the tape, in feet.
    #[serde(default = "usual_tape")]
    #[cfg_attr(feature = "schema", schema(minimum = 25, maximum = 400))]
    pub tape_ft: f64,
}

fn usual_tape() -> f64 {
    200.0
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "setting-out",
    about: "A sheet for setting a barrel course out alone with a tape, and what to check.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Sheet>,
};

/// Writes the sheet.
///
/// # Errors
/// A measure out of bounds.
pub fn calculate(input: Input) -> Result<Sheet, FieldError> {
    input.course.check("/course")?;
    check_first("/first", input.first)?;
    input.placing.check("/placing")?;
    check_moved("/moved", &input.moved)?;
    if let Some(lay) = &input.lay {
        lay.check().map_err(|error| error.under("/lay"))?;
    }
    let marks = input.lay.as_ref().map(GroundLay::marks).unwrap_or_default();
    let tape_ft = TAPE_FT.check("/tape_ft", input.tape_ft)?;
    let course = Laid {
        measures: input.course,
        first: input.first,
        placing: &input.placing,
        moved: input.moved,
    };
    Ok(sheet(&course.barrels(), &marks, tape_ft))
}
