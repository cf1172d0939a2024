//! Checks that hold between the fields of a measure.

use crate::Side;
use crate::bounds::FieldError;

/// A number that may not be above another of the same measure.
pub(super) fn at_most(field: &str, value: u32, of: &str, most: u32) -> Result<(), FieldError> {
    if value <= most {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("must be at most {of} ({most}), found {value}"),
    ))
}

/// A side that cannot be both.
pub(super) fn one_side(field: &str, side: Option<Side>) -> Result<(), FieldError> {
    if side == Some(Side::Both) {
        return Err(FieldError::new(field, "must be left or right, found both"));
    }
    Ok(())
}
