//! Rows of a sheet, from a CSV file or pasted: which columns they have, and their cells.
//!
//! The first row may name the columns, in any order. Rows are parted by commas, semicolons or
//! tabs, as the first line has them.
//!
//! Source: RFC 4180 for quotes and line ends.

use serde::Serialize;

use crate::bounds::ROWS_AT_ONCE;
use crate::text::delimiter;

/// A column, with what else people call it.
pub type Column = (&'static str, &'static [&'static str]);

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

impl RowError {
    /// What does not fit, and where.
    pub fn new(line: u64, column: &str, detail: String) -> RowError {
        RowError {
            line,
            column: column.to_owned(),
            detail,
        }
    }
}

/// A row that can be read.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Row {
    /// Its line, the first is 1.
    pub line: u64,
    cells: Vec<(&'static str, String)>,
}

impl Row {
    /// What stands in a column; empty where nothing does.
    pub fn cell(&self, column: &str) -> &str {
        let found = self.cells.iter().find(|(name, _)| *name == column);
        found.map_or("", |(_, text)| text)
    }
}

/// Rows, and what does not fit.
#[derive(Debug, Clone, Default, PartialEq, Eq)]
pub struct Rows {
    /// The rows that can be read, in their order.
    pub rows: Vec<Row>,
    /// Everything that does not fit.
    pub errors: Vec<RowError>,
}

/// Reads the rows of `text`. Without a row that names them the columns are the `usual` ones;
/// `one` is what a row holds, as people say it.
pub fn read(text: &str, known: &[Column], usual: &[&'static str], one: &str) -> Rows {
    let mut found = Rows::default();
    let mut reader = csv::ReaderBuilder::new()
        .has_headers(false)
        .flexible(true)
        .trim(csv::Trim::All)
        .delimiter(delimiter(text))
        .from_reader(text.trim_start_matches('\u{FEFF}').as_bytes());
    let mut columns: Option<Vec<&str>> = None;
    let mut count = 0;
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
            let heads = headings(&record, known, line, &mut found);
            columns = Some(heads.clone().unwrap_or_else(|| usual.to_vec()));
            if heads.is_some() {
                continue;
            }
        }
        count += 1;
        if let Err(error) = ROWS_AT_ONCE.check_count("", count) {
            found.say(line, "", error.detail);
            break;
        }
        found.take_in(&record, columns.as_deref().unwrap_or(usual), line);
    }
    if count == 0 && found.errors.is_empty() {
        found.say(1, "", format!("there is no row with a {one}"));
    }
    found
}

/// The columns that the first row names; none where it names no known column, so that it holds
/// something already.
fn headings(
    record: &csv::StringRecord,
    known: &[Column],
    line: u64,
    found: &mut Rows,
) -> Option<Vec<&'static str>> {
    let column = |head: &str| {
        let head = head.to_lowercase();
        known
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
                    let names: Vec<&str> = known.iter().map(|(name, _)| *name).collect();
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

impl Rows {
    fn say(&mut self, line: u64, column: &str, detail: String) {
        self.errors.push(RowError::new(line, column, detail));
    }

    fn take_in(&mut self, record: &csv::StringRecord, columns: &[&'static str], line: u64) {
        if record.len() > columns.len() {
            let detail = format!(
                "has {} cells where there are {} columns; put quotes round a text with commas",
                record.len(),
                columns.len()
            );
            return self.say(line, "", detail);
        }
        let cells = columns
            .iter()
            .zip(record)
            .map(|(name, text)| (*name, text.to_owned()));
        self.rows.push(Row {
            line,
            cells: cells.collect(),
        });
    }
}
