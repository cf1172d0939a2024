//! Several horses at once, from a CSV file or rows pasted from a sheet.
//!
//! The first row names the columns, in any order: name, sex, foaled (or age), color,
//! markings, note, owner, program. Without such a row the columns are name, sex, foaled,
//! color. Rows are parted by commas, semicolons or tabs, as the first line has them.
//!
//! Source: RFC 4180 for quotes and line ends.

use serde::Serialize;
use uuid::Uuid;

use super::sex::Sex;
use super::sheet::{HorseSheet, check_foaled};
use crate::bounds::{FieldError, ROWS_AT_ONCE};
use crate::text::delimiter;

/// One thing that does not fit.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RowError {
    /// The line, the first is 1.
    pub line: u64,
    /// The column, empty for the line as a whole.
    pub column: String,
    /// What was found and what is allowed.
    pub detail: String,
}

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
const COLUMNS: [(&str, &[&str]); 9] = [
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
    let mut reader = csv::ReaderBuilder::new()
        .has_headers(false)
        .flexible(true)
        .trim(csv::Trim::All)
        .delimiter(delimiter(text))
        .from_reader(text.trim_start_matches('\u{FEFF}').as_bytes());
    let mut columns: Option<Vec<&str>> = None;
    let mut rows = 0;
    for record in reader.records() {
        let record = match record {
            Ok(record) => record,
            Err(error) => {
                found.say(0, "", format!("cannot be read: {error}"));
                break;
            }
        };
        let line = record.position().map_or(0, csv::Position::line);
        if record.iter().all(str::is_empty) {
            continue;
        }
        if columns.is_none() {
            let heads = headings(&record, line, &mut found);
            columns = Some(heads.clone().unwrap_or_else(|| USUAL.to_vec()));
            if heads.is_some() {
                continue;
            }
        }
        rows += 1;
        if let Err(error) = ROWS_AT_ONCE.check_count("", rows) {
            found.say(line, "", error.detail);
            break;
        }
        let row = Row {
            columns: columns.as_deref().unwrap_or(&USUAL),
            record: &record,
            line,
        };
        row.take_in(named, &mut found);
    }
    if rows == 0 && found.errors.is_empty() {
        found.say(1, "", "there is no row with a horse".into());
    }
    found
}

/// The columns that the first row names; none where it names no horse column, so that it
/// is a horse already.
fn headings(
    record: &csv::StringRecord,
    line: u64,
    found: &mut HorseRows,
) -> Option<Vec<&'static str>> {
    let column = |head: &str| {
        let head = head.to_lowercase();
        COLUMNS
            .iter()
            .find(|(name, others)| *name == head || others.contains(&head.as_str()))
            .map(|(name, _)| *name)
    };
    record.iter().find_map(column)?;
    Some(
        record
            .iter()
            .map(|head| {
                column(head).unwrap_or_else(|| {
                    let names: Vec<&str> = COLUMNS.iter().map(|(name, _)| *name).collect();
                    let detail = format!(
                        "\"{head}\" is no column here; they are {}",
                        names.join(", ")
                    );
                    found.say(line, head, detail);
                    ""
                })
            })
            .collect(),
    )
}

struct Row<'a> {
    columns: &'a [&'static str],
    record: &'a csv::StringRecord,
    line: u64,
}

impl HorseRows {
    fn say(&mut self, line: u64, column: &str, detail: String) {
        self.errors.push(RowError {
            line,
            column: column.to_owned(),
            detail,
        });
    }
}

impl Row<'_> {
    fn cell(&self, column: &str) -> &str {
        let index = self.columns.iter().position(|name| *name == column);
        index
            .and_then(|index| self.record.get(index))
            .unwrap_or_default()
    }

    /// The horse of this row, or what does not fit.
    fn take_in(&self, named: &Named<'_>, found: &mut HorseRows) {
        let mut errors: Vec<(&str, String)> = Vec::new();
        if self.record.len() > self.columns.len() {
            let detail = format!(
                "has {} cells where there are {} columns; put quotes round a text with commas",
                self.record.len(),
                self.columns.len()
            );
            errors.push(("", detail));
        }
        let mut keep = |column, result: Result<(), String>| {
            errors.extend(result.err().map(|detail| (column, detail)))
        };
        let sex = sex(self.cell("sex"));
        let foaled = self.foaled(named.year);
        let owner = by_name(self.cell("owner"), named.owners, "person of this barn");
        let program = by_name(self.cell("program"), named.programs, "program of this barn");
        let name = self.cell("name").to_owned();
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
            color: self.cell("color").to_owned(),
            markings: self.cell("markings").to_owned(),
            note: self.cell("note").to_owned(),
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
            found.say(self.line, column, detail);
        }
    }

    /// The year foaled, told as a year or as an age.
    fn foaled(&self, year: i16) -> Result<i16, String> {
        let (told, is_age) = match self.cell("foaled") {
            "" => (self.cell("age"), true),
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

/// The id behind a name; none for an empty one.
fn by_name(name: &str, all: &[(Uuid, String)], what: &str) -> Result<Option<Uuid>, String> {
    if name.is_empty() {
        return Ok(None);
    }
    let is_it = |(_, other): &&(Uuid, String)| other.to_lowercase() == name.to_lowercase();
    all.iter()
        .find(is_it)
        .map(|(id, _)| Some(*id))
        .ok_or_else(|| format!("there is no {what} called {name}"))
}
