//! Rows of a sheet, from a CSV file or pasted: which columns they have, and their cells.
//!
//! The first row may name the columns, in any order. Rows are parted by commas, semicolons or
//! tabs, as the first line has them.
//!
//! Source: RFC 4180 for quotes and line ends.

use serde::Serialize;
use uuid::Uuid;

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
    /// A row of a record whose cells stand in these columns; a cell without one is left out.
    pub fn new(line: u64, columns: &[Option<&'static str>], record: &csv::StringRecord) -> Row {
        let cells = columns.iter().zip(record);
        Row {
            line,
            cells: cells
                .filter_map(|(name, text)| Some(((*name)?, text.to_owned())))
                .collect(),
        }
    }

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

/// The id behind a name, whatever its case; none for an empty one.
///
/// # Errors
/// A name that nobody and nothing there has; `what` is what was looked for.
pub fn by_name(name: &str, all: &[(Uuid, String)], what: &str) -> Result<Option<Uuid>, String> {
    if name.is_empty() {
        return Ok(None);
    }
    let asked = name.to_lowercase();
    all.iter()
        .find(|(_, other)| other.to_lowercase() == asked)
        .map(|(id, _)| Some(*id))
        .ok_or_else(|| format!("there is no {what} called {name}"))
}

/// Counts the lines of a text up to a byte, as an editor does: CRLF, LF and CR each end one.
pub struct Lines<'a> {
    text: &'a [u8],
    counted: usize,
    line: u64,
}

impl<'a> Lines<'a> {
    /// From the first line of a text, a mark at its start left out.
    pub fn of(text: &'a str) -> Lines<'a> {
        Lines {
            text: text.trim_start_matches('\u{FEFF}').as_bytes(),
            counted: 0,
            line: 1,
        }
    }

    /// The line of a record that begins at this byte or after line ends that follow it; records
    /// are asked for in their order.
    pub fn of_record(&mut self, record: &csv::StringRecord) -> u64 {
        let from = record.position().map_or(0, csv::Position::byte);
        let from = usize::try_from(from)
            .unwrap_or(usize::MAX)
            .min(self.text.len());
        let skipped = self.text[from..]
            .iter()
            .take_while(|byte| matches!(byte, b'\r' | b'\n'))
            .count();
        let until = from + skipped;
        while self.counted < until {
            let ends = match self.text[self.counted] {
                b'\n' => true,
                b'\r' => self.text.get(self.counted + 1) != Some(&b'\n'),
                _ => false,
            };
            self.line += u64::from(ends);
            self.counted += 1;
        }
        self.line
    }
}

/// Reads the records of a text as they come; a mark at its start is no part of it.
pub fn reader(text: &str) -> csv::Reader<&[u8]> {
    csv::ReaderBuilder::new()
        .has_headers(false)
        .flexible(true)
        .trim(csv::Trim::All)
        .delimiter(delimiter(text))
        .from_reader(text.trim_start_matches('\u{FEFF}').as_bytes())
}

/// The column that a heading names, whatever its case.
pub fn column_of(head: &str, known: &[Column]) -> Option<&'static str> {
    let head = head.trim().to_lowercase().replace('_', " ");
    let is_it = |name: &str| name.replace('_', " ") == head;
    known
        .iter()
        .find(|(name, others)| is_it(name) || others.contains(&head.as_str()))
        .map(|(name, _)| *name)
}

/// Reads the rows of `text`. Without a row that names them the columns are the `usual` ones;
/// `one` is what a row holds, as people say it.
pub fn read(text: &str, known: &[Column], usual: &[&'static str], one: &str) -> Rows {
    let mut found = Rows::default();
    let mut reader = reader(text);
    let mut lines = Lines::of(text);
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
        let line = lines.of_record(&record);
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
    let column = |head: &str| column_of(head, known);
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
