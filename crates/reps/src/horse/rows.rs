//! Several horses at once, from a CSV file or rows pasted from a sheet.
//!
//! The first row names the columns, in any order: name, sex, foaled (or age), color,
//! markings, note, owner, program. Without such a row the columns are name, sex, foaled,
//! color. Rows are parted by commas, semicolons or tabs, as the first line has them.
//!
//! Source: RFC 4180 for quotes and line ends.

use serde::Serialize;
use uuid::Uuid;

use super::sheet::{HorseSheet, check_foaled};
use crate::bounds::FieldError;
use crate::rows::{self, Column, Row, RowError, by_name};
use crate::sex::Sex;

/// What the rows hold.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HorseRows {
    /// The horses of the rows that fit, in their order.
    pub horses: Vec<HorseSheet>,
    /// Everything that does not fit.
    pub errors: Vec<RowError>,
}

/// What rows may name by its name: the barn's people and programs, and the horses that
/// are there already.
#[derive(Debug, Clone, Copy)]
pub struct Named<'a> {
    /// Owners by name.
    pub owners: &'a [(Uuid, String)],
    /// Programs by name.
    pub programs: &'a [(Uuid, String)],
    /// Names that are taken.
    pub taken: &'a [String],
    /// This year.
    pub year: i16,
}

/// A column, with what else people call it.
const COLUMNS: [Column; 9] = [
    ("name", &["horse"]),
    ("sex", &["gender"]),
    ("foaled", &["year", "born", "year foaled"]),
    ("age", &[]),
    ("color", &["colour", "coat"]),
    ("markings", &["marks"]),
    ("note", &["notes"]),
    ("owner", &[]),
    ("program", &[]),
];

/// The columns of rows that do not name them.
const USUAL: [&str; 4] = ["name", "sex", "foaled", "color"];

/// Reads the rows of `text`.
pub fn read(text: &str, named: &Named<'_>) -> HorseRows {
    let mut found = HorseRows::default();
    let rows = rows::read(text, &COLUMNS, &USUAL, "horse");
    found.errors.extend(rows.errors);
    for row in &rows.rows {
        take_in(row, named, &mut found);
    }
    found
}

/// The horse of a row, or what does not fit.
pub fn take_in(row: &Row, named: &Named<'_>, found: &mut HorseRows) {
    let mut errors: Vec<(&str, String)> = Vec::new();
    let mut keep = |column, result: Result<(), String>| {
        errors.extend(result.err().map(|detail| (column, detail)))
    };
    let sex = sex(row.cell("sex"));
    let foaled = foaled(row, named.year);
    let owner = by_name(row.cell("owner"), named.owners, "person of this barn");
    let program = by_name(row.cell("program"), named.programs, "program of this barn");
    let name = row.cell("name").to_owned();
    let again = |taken: &str| taken.to_lowercase() == name.to_lowercase();
    if named.taken.iter().any(|taken| again(taken)) {
        keep("name", Err(format!("{name} is in this barn already")));
    } else if found.horses.iter().any(|horse| again(&horse.name)) {
        keep("name", Err(format!("{name} is named twice in these rows")));
    }
    keep("sex", sex.as_ref().map(|_| ()).map_err(Clone::clone));
    keep("foaled", foaled.as_ref().map(|_| ()).map_err(Clone::clone));
    keep("owner", owner.as_ref().map(|_| ()).map_err(Clone::clone));
    keep(
        "program",
        program.as_ref().map(|_| ()).map_err(Clone::clone),
    );
    let sheet = HorseSheet {
        name,
        sex: sex.unwrap_or(Sex::Mare),
        foaled: foaled.unwrap_or(named.year),
        color: row.cell("color").to_owned(),
        markings: row.cell("markings").to_owned(),
        note: row.cell("note").to_owned(),
        owner_id: owner.unwrap_or_default(),
        program_id: program.unwrap_or_default(),
    };
    let told = |error: FieldError| {
        let column = COLUMNS
            .iter()
            .find(|(name, _)| error.field == format!("/{name}"))
            .map_or("", |(name, _)| *name);
        (column, error.detail)
    };
    errors.extend(
        sheet
            .check(named.year)
            .err()
            .into_iter()
            .flatten()
            .map(told),
    );
    if errors.is_empty() {
        found.horses.push(sheet);
    }
    for (column, detail) in errors {
        found.errors.push(RowError::new(row.line, column, detail));
    }
}

/// The year foaled, told as a year or as an age.
fn foaled(row: &Row, year: i16) -> Result<i16, String> {
    let (told, is_age) = match row.cell("foaled") {
        "" => (row.cell("age"), true),
        told => (told, false),
    };
    if told.is_empty() {
        return Err("must be the year it was foaled, or give its age".into());
    }
    let number: i16 = told
        .parse()
        .map_err(|_| format!("must be a year such as {}, found \"{told}\"", year - 5))?;
    let foaled = if is_age {
        year.saturating_sub(number)
    } else {
        number
    };
    check_foaled("", foaled, year).map_err(|error| error.detail)?;
    Ok(foaled)
}

fn sex(word: &str) -> Result<Sex, String> {
    match word.to_lowercase().as_str() {
        "mare" | "filly" => Ok(Sex::Mare),
        "gelding" => Ok(Sex::Gelding),
        "stallion" | "stud" | "colt" => Ok(Sex::Stallion),
        _ => Err(format!(
            "must be mare, gelding or stallion, found \"{word}\""
        )),
    }
}
