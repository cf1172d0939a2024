//! A whole sheet to what it holds.

use std::collections::HashSet;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::book::{Book, ImportedBlock, ImportedRep, ImportedRide};
use super::columns::known_of;
use super::encoding::{Encoding, decode};
use super::known::Known;
use super::{asks, herd, horses, rides, runs};
use crate::bounds::{FieldError, SHEET_ROWS};
use crate::cattle::cow::CowSheet;
use crate::exchange::sheet::Sheet;
use crate::horse::HorseSheet;
use crate::rows::{self, Lines, Row, RowError};

/// What does not fit that is told; how much there was is told as well.
const MOST_ERRORS: usize = 100;

/// Which column of a sheet each of a file's columns is; none for one that is left out.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Matched(pub(super) Vec<Option<&'static str>>);

impl Matched {
    /// Whether a column is there.
    pub fn has(&self, column: &str) -> bool {
        self.0.iter().flatten().any(|name| *name == column)
    }
}

/// Reads which column is which: the names of the sheet's columns in the order of the file's,
/// empty for one that is left out.
///
/// # Errors
/// A name that is no column, one that comes twice, one that has to be there and is not.
pub fn matched<'a>(
    sheet: Sheet,
    names: impl IntoIterator<Item = &'a str>,
) -> Result<Matched, FieldError> {
    let wrong = |detail: String| Err(FieldError::new("/columns", detail));
    let known = known_of(sheet);
    let mut found: Vec<Option<&'static str>> = Vec::new();
    for name in names {
        if name.is_empty() {
            found.push(None);
            continue;
        }
        let Some(one) = known.iter().find(|one| one.column.0 == name) else {
            let all: Vec<&str> = known.iter().map(|one| one.column.0).collect();
            return wrong(format!("\"{name}\" is none of {}", all.join(", ")));
        };
        if found.contains(&Some(one.column.0)) {
            return wrong(format!("{name} is matched twice; leave one of them out"));
        }
        found.push(Some(one.column.0));
    }
    let found = Matched(found);
    let missing = known.iter().find(|one| {
        // The moment a ride began or was asked at says its day.
        let told = one.column.0 == "day" && (found.has("started_at") || found.has("asked_at"));
        one.needed && !told && !found.has(one.column.0)
    });
    match missing {
        Some(one) => wrong(format!(
            "no column is matched with {}: {}",
            one.column.0, one.says
        )),
        None => Ok(found),
    }
}

/// What a sheet holds, to be stored.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Import {
    /// Horses.
    pub horses: Vec<HorseSheet>,
    /// Cattle with their lots.
    pub cattle: Vec<(Uuid, CowSheet)>,
    /// Rides that are new.
    pub rides: Vec<ImportedRide>,
    /// Parts of those rides, and of rides that were there.
    pub blocks: Vec<ImportedBlock>,
    /// Asks.
    pub reps: Vec<ImportedRep>,
}

/// How much a sheet makes.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Made {
    /// Horses.
    pub horses: usize,
    /// Cattle.
    pub cattle: usize,
    /// Rides.
    pub rides: usize,
    /// Asks, runs among them.
    pub asks: usize,
}

/// What came of reading a sheet.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SheetRead {
    /// How its letters are written.
    pub encoding: Encoding,
    /// Rows that hold something.
    pub rows: u64,
    /// Rows in which something does not fit.
    pub wrong_rows: u64,
    /// What does not fit, the first hundred.
    pub errors: Vec<RowError>,
    /// What the rows that fit make.
    pub makes: Made,
    /// Horses of the rides and asks.
    pub of_horses: usize,
    /// The first day of its rides.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub from: Option<Date>,
    /// The last day of its rides.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub to: Option<Date>,
}

/// Reads a sheet. `heads`: its first row names the columns. `id` makes ids.
///
/// # Errors
/// Bytes that are no text.
pub fn read(
    sheet: Sheet,
    bytes: &[u8],
    columns: &Matched,
    heads: bool,
    known: &Known<'_>,
    id: &mut dyn FnMut() -> Uuid,
) -> Result<(Import, SheetRead), FieldError> {
    let (text, encoding) = decode("", bytes)?;
    let mut said = Said::default();
    let mut import = Import::default();
    let mut of_lots = herd::Lots::of(known);
    let mut book = Book::new(known);
    let mut of_horses = horses::Horses::of(known);
    each(&text, columns, heads, &mut said, |row| match sheet {
        Sheet::Horses => of_horses.row(row),
        Sheet::Herd => of_lots.row(row),
        Sheet::Rides => rides::row(row, &mut book, id),
        Sheet::Runs => runs::row(row, &mut book, id),
        Sheet::Asks => asks::row(row, &mut book, id),
    });
    import.horses = of_horses.whole();
    import.cattle = of_lots.whole();
    let (rides, blocks, reps, late) = book.closed();
    late.into_iter().for_each(|error| said.wrong(vec![error]));
    (import.rides, import.blocks, import.reps) = (rides, blocks, reps);
    let days = || import.reps.iter().map(|rep| rep.day);
    let days = || import.rides.iter().map(|ride| ride.day).chain(days());
    let ridden = import.rides.iter().map(|ride| ride.ride.horse_id);
    let asked = import.reps.iter().map(|rep| rep.horse_id);
    let read = SheetRead {
        encoding,
        rows: said.rows,
        wrong_rows: said.wrong_rows,
        errors: said.errors,
        makes: Made {
            horses: import.horses.len(),
            cattle: import.cattle.len(),
            rides: import.rides.len(),
            asks: import.reps.len(),
        },
        of_horses: ridden.chain(asked).collect::<HashSet<Uuid>>().len(),
        from: days().min(),
        to: days().max(),
    };
    Ok((import, read))
}

#[derive(Default)]
struct Said {
    rows: u64,
    wrong_rows: u64,
    errors: Vec<RowError>,
}

impl Said {
    fn wrong(&mut self, errors: Vec<RowError>) {
        if errors.is_empty() {
            return;
        }
        self.wrong_rows += 1;
        let room = MOST_ERRORS.saturating_sub(self.errors.len());
        self.errors.extend(errors.into_iter().take(room));
    }
}

/// Hands over every row that holds something.
fn each(
    text: &str,
    columns: &Matched,
    heads: bool,
    said: &mut Said,
    mut take: impl FnMut(&Row) -> Vec<RowError>,
) {
    let mut reader = rows::reader(text);
    let mut lines = Lines::of(text);
    let mut record = csv::StringRecord::new();
    let mut first = heads;
    let mut last = (0, 0);
    loop {
        match reader.read_record(&mut record) {
            Ok(false) => break,
            Ok(true) => {}
            Err(error) => {
                let detail = format!("cannot be read: {error}");
                return said.wrong(vec![RowError::new(0, "", detail)]);
            }
        }
        let line = lines.of_record(&record);
        last = (record.position().map_or(0, csv::Position::byte), line);
        if record.iter().all(str::is_empty) {
            continue;
        }
        if std::mem::take(&mut first) {
            continue;
        }
        said.rows += 1;
        if let Err(error) = SHEET_ROWS.check("", said.rows as f64) {
            return said.wrong(vec![RowError::new(line, "", error.detail)]);
        }
        let wrong = if record.len() > columns.0.len() {
            let detail = format!(
                "has {} cells where there are {} columns; put quotes round a text with commas",
                record.len(),
                columns.0.len()
            );
            vec![RowError::new(line, "", detail)]
        } else {
            take(&Row::new(line, &columns.0, &record))
        };
        said.wrong(wrong);
    }
    if said.rows == 0 {
        said.wrong(vec![RowError::new(1, "", "there is no row".into())]);
    }
    let text = text.trim_start_matches('\u{FEFF}');
    let rest = usize::try_from(last.0).ok().and_then(|at| text.get(at..));
    let rest = rest.unwrap_or_default().trim_end();
    if rest.contains('\n') && rest.matches('"').count() % 2 == 1 {
        let detail = "a quote is opened here that nothing closes";
        said.wrong(vec![RowError::new(last.1, "", detail.into())]);
    }
}

/// The ids that stand in a column, those that can be read, so that it can be looked up which of
/// them are known.
///
/// # Errors
/// Bytes that are no text.
pub fn ids_named(
    bytes: &[u8],
    columns: &Matched,
    heads: bool,
    column: &str,
) -> Result<Vec<Uuid>, FieldError> {
    let (text, _) = decode("", bytes)?;
    let mut ids = HashSet::new();
    if columns.has(column) {
        each(&text, columns, heads, &mut Said::default(), |row| {
            ids.extend(row.cell(column).parse::<Uuid>());
            Vec::new()
        });
    }
    Ok(ids.into_iter().collect())
}
