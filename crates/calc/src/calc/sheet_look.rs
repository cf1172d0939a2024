//! `sheet-look`: what a CSV file looks like, and which of its columns is which.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, SHEET_START};
use crate::exchange::import::look::{SheetLook, look};
use crate::exchange::sheet::Sheet;

/// Input of `sheet-look`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SheetLookInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The sheet it is to be read as.
    pub sheet: Sheet,
    /// The file, or its start.
    #[cfg_attr(feature = "schema", schema(max_items = 65_536))]
    pub bytes: Vec<u8>,
    /// That is the whole file.
    pub whole: bool,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "sheet-look",
    about: "What a CSV file looks like: letters, columns, and which of them is which.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, SheetLook>,
};

/// Looks at the file.
///
/// # Errors
/// Bytes that are no text; no row at all.
pub fn calculate(input: Input) -> Result<SheetLook, FieldError> {
    SHEET_START.check_count("/bytes", input.bytes.len())?;
    look(input.sheet, &input.bytes, input.whole)
}
