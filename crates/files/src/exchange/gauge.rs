//! A rein gauge's trace as CSV (RFC 4180): seconds, left and right rein in newtons.
//!
//! A first row may name the columns, in any order: t (or time, seconds), left, right.

use crate::bounds::{FieldError, GAUGE_BYTES};
use crate::device::rein_gauge::GaugeReading;
use crate::text::delimiter;

const NAMES: [&[&str]; 3] = [
    &["t", "time", "s", "seconds", "at_s", "t_s"],
    &["left", "left_n", "l"],
    &["right", "right_n", "r"],
];

/// Reads a trace; errors name `field` and the line.
///
/// # Errors
/// A row that is none, a column that is missing, a cell that is no number.
pub fn read(field: &str, text: &str) -> Result<Vec<GaugeReading>, FieldError> {
    GAUGE_BYTES.check_count(field, text.len())?;
    let wrong =
        |line: u64, detail: String| FieldError::new(field, format!("line {line}: {detail}"));
    let mut reader = csv::ReaderBuilder::new()
        .has_headers(false)
        .flexible(true)
        .trim(csv::Trim::All)
        .delimiter(delimiter(text))
        .from_reader(text.trim_start_matches('\u{FEFF}').as_bytes());
    let mut columns = [0, 1, 2];
    let mut readings = Vec::new();
    let mut first = true;
    for record in reader.records() {
        let record = record.map_err(|why| wrong(0, format!("cannot be read: {why}")))?;
        let line = record.position().map_or(0, csv::Position::line);
        if record.iter().all(str::is_empty) {
            continue;
        }
        if std::mem::take(&mut first)
            && let Some(named) = headings(&record).map_err(|detail| wrong(line, detail))?
        {
            columns = named;
            continue;
        }
        let cell = |column: usize, name: &str| {
            let text = record.get(columns[column]).unwrap_or_default();
            // A comma for the point where semicolons part the cells.
            let number = text.replace(',', ".");
            number
                .parse::<f64>()
                .map_err(|_| wrong(line, format!("{name} must be a number, found \"{text}\"")))
        };
        readings.push(GaugeReading {
            at_s: cell(0, "the time")?,
            left_n: cell(1, "the left rein")?,
            right_n: cell(2, "the right rein")?,
        });
    }
    Ok(readings)
}

/// The columns that a row names; none where it holds numbers.
fn headings(record: &csv::StringRecord) -> Result<Option<[usize; 3]>, String> {
    let numbers = record
        .iter()
        .all(|cell| cell.replace(',', ".").parse::<f64>().is_ok());
    if numbers {
        return Ok(None);
    }
    let at = |names: &[&str]| {
        let found = record
            .iter()
            .position(|cell| names.contains(&cell.to_lowercase().as_str()));
        found.ok_or_else(|| format!("no column is called {}", names[0]))
    };
    Ok(Some([at(NAMES[0])?, at(NAMES[1])?, at(NAMES[2])?]))
}
