//! An answer against the ladder: is there such a level, is it asked on that side,
//! does it record that measure, is every number in its bounds.

use super::{Ladder, LadderLevel};
use crate::Side;
use crate::bounds::{FieldError, SPOTS};
use crate::id::{FaultId, Level};
use crate::rep::{Measure, Rep};

impl Rep {
    /// Checks the rep against a ladder.
    ///
    /// # Errors
    /// The first field that does not fit.
    pub fn check(&self, ladder: &Ladder) -> Result<(), FieldError> {
        check_answer(
            &self.level(),
            self.side,
            &self.measure,
            &self.faults,
            ladder,
        )
    }
}

/// Checks an answer against a ladder.
///
/// # Errors
/// The first field that does not fit, as a path below the rep.
pub fn check_answer(
    level: &Level,
    side: Side,
    measure: &Measure,
    faults: &[FaultId],
    ladder: &Ladder,
) -> Result<(), FieldError> {
    let level = find_level(level, ladder)?;
    check_side(side, level)?;
    check_kind(measure, level)?;
    measure.check().map_err(|error| error.under("/measure"))?;
    SPOTS.check_count("/faults", faults.len())?;
    for (index, fault) in faults.iter().enumerate() {
        check_fault(fault, ladder).map_err(|error| error.under(&format!("/faults/{index}")))?;
    }
    Ok(())
}

/// The level of that skill and rung.
///
/// # Errors
/// No such skill, at `/skill`; no such rung, at `/rung`; with what there is.
pub fn find_level<'a>(level: &Level, ladder: &'a Ladder) -> Result<&'a LadderLevel, FieldError> {
    if let Some(found) = ladder.at(level) {
        return Ok(found);
    }
    let Some(skill) = ladder.skill(&level.skill) else {
        return Err(FieldError::new("/skill", ladder.no_skill(&level.skill)));
    };
    let rungs: Vec<&str> = skill.rungs.iter().map(|rung| rung.id.0.as_str()).collect();
    Err(FieldError::new(
        "/rung",
        format!(
            "{} is asked at {}, found {}",
            level.skill,
            rungs.join(", "),
            level.rung
        ),
    ))
}

/// Whether the ladder has the fault.
///
/// # Errors
/// No such fault, with what there is.
pub fn check_fault(fault: &FaultId, ladder: &Ladder) -> Result<(), FieldError> {
    if ladder.fault(fault).is_some() {
        return Ok(());
    }
    let known: Vec<&str> = ladder.faults.iter().map(|f| f.id.0.as_str()).collect();
    Err(FieldError::new(
        "",
        format!("no fault \"{fault}\"; there are {}", known.join(", ")),
    ))
}

/// Checks that a level is asked on that side.
///
/// # Errors
/// A side it is not asked on, at `/side`, with those it is.
pub fn check_side(side: Side, level: &LadderLevel) -> Result<(), FieldError> {
    if level.asked_sides().contains(&side) {
        return Ok(());
    }
    let sides: Vec<&str> = level.asked_sides().iter().map(|side| side.word()).collect();
    Err(FieldError::new(
        "/side",
        format!(
            "{} is asked {}, found {}",
            level.level.skill,
            sides.join(" or "),
            side.word()
        ),
    ))
}

fn check_kind(measure: &Measure, level: &LadderLevel) -> Result<(), FieldError> {
    let found = measure.kind();
    if found == level.measure {
        return Ok(());
    }
    Err(FieldError::new(
        "/measure/kind",
        format!(
            "{} records {}, found {}",
            level.level.skill,
            level.measure.word(),
            found.word()
        ),
    ))
}
