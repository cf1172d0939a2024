//! Sheets of a barn as CSV (RFC 4180): horses, herd, rides, runs, asks.
//!
//! # Form
//! UTF-8 without a mark, commas, CRLF, a first row that names the columns; a cell with a comma, a
//! quote or a line break stands in quotes, quotes inside doubled. Days are `2026-05-04`, moments
//! RFC 3339 in UTC; units stand at the end of names. What is not known is empty.

use serde::{Deserialize, Serialize};

use crate::rep::Measure;

/// A sheet.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Sheet {
    /// Horses, those gone home among them.
    Horses,
    /// Cattle, lot by lot.
    Herd,
    /// Rides.
    Rides,
    /// Runs of the pattern.
    Runs,
    /// Asks and their answers, those taken back among them.
    Asks,
}

/// A column of a sheet.
pub type Column = (&'static str, &'static str);

const HORSES: &[Column] = &[
    ("name", "What people call it"),
    ("sex", "mare, gelding or stallion"),
    ("foaled", "Year of birth"),
    ("color", "Coat"),
    ("markings", "What tells it apart"),
    ("note", "In the barn's words"),
    ("owner", "Who owns it, where that person is known here"),
    ("program", "Its program; empty for the standard ladder"),
    ("sent_home", "The day it went home; empty while it is here"),
];

const HERD: &[Column] = &[
    ("lot", "The lot it is in"),
    ("tag", "Its tag"),
    ("kind", "heifer, steer or cow"),
    ("weight", "Pounds"),
    ("came", "The day it came"),
    ("tempo", "slow, medium or quick"),
    ("handling", "well or wild"),
    ("note", "In the barn's words"),
    ("done", "yes where it is done with work, by somebody's word"),
    ("put_away", "The day it went; empty while it is here"),
];

const RIDES: &[Column] = &[
    ("ride_id", "Its id"),
    ("day", "The barn's calendar day of its start"),
    ("started_at", "When it began"),
    ("minutes", "From start to finish; empty while it is open"),
    ("horse", "The horse"),
    ("rider", "Who rode"),
    ("asks", "Asks that were not taken back"),
    ("ended", "How it ended"),
    ("mood", "The horse's mood"),
    ("exertion", "How hard it was on the horse"),
    ("marks", "What made it unlike the others, apart by blanks"),
    ("note", "One line, for the next time"),
];

const RUNS: &[Column] = &[
    ("rep_id", "Its id"),
    ("ride_id", "Its ride"),
    ("day", "The day"),
    ("horse", "The horse"),
    ("rider", "Who rode"),
    ("skill", "barrel.pattern, or barrel.away"),
    ("speed", "walk, trot, lope, three_quarter or run"),
    (
        "time_s",
        "Seconds; empty where nobody timed it, or the pattern was broken",
    ),
    (
        "splits_s",
        "Seconds to barrel 1, from there to 2, to 3, and home, apart by blanks",
    ),
    ("knocked", "Which barrels fell, apart by blanks"),
    ("broken", "yes where the pattern was broken"),
    ("path_ft", "How long the way round the course was"),
    ("course", "The course, when it is one of the barn's"),
    ("footing", "What the ground was like"),
    ("measure", "All that was measured, as JSON"),
];

const ASKS: &[Column] = &[
    ("rep_id", "Its id"),
    ("ride_id", "Its ride"),
    ("day", "The day"),
    ("asked_at", "When the ask began"),
    ("horse", "The horse"),
    ("rider", "Who rode"),
    ("skill", "What was asked"),
    ("rung", "At which rung"),
    ("side", "left, right or both"),
    (
        "sequence",
        "Its place among the asks of its device in the ride",
    ),
    (
        "soft",
        "yes or no, by the gate of the horse's ladder of today; empty where it has no such level",
    ),
    ("kind", "What was measured"),
    ("hand", "How much was in the hand, of a give"),
    ("time_s", "Seconds from ask to give, of a give"),
    ("answer", "What the horse answered, of a give"),
    ("measure", "All that was measured, as JSON"),
    ("faults", "Faults that were seen, apart by blanks"),
    ("taken_back", "yes where the rider took it back"),
];

impl Sheet {
    /// All sheets.
    pub const ALL: [Sheet; 5] = [
        Sheet::Horses,
        Sheet::Herd,
        Sheet::Rides,
        Sheet::Runs,
        Sheet::Asks,
    ];

    /// The word in an address.
    pub fn word(self) -> &'static str {
        match self {
            Sheet::Horses => "horses",
            Sheet::Herd => "herd",
            Sheet::Rides => "rides",
            Sheet::Runs => "runs",
            Sheet::Asks => "asks",
        }
    }

    /// The sheet of that word.
    pub fn from_word(word: &str) -> Option<Sheet> {
        Sheet::ALL.into_iter().find(|sheet| sheet.word() == word)
    }

    /// Its columns, with what stands in them.
    pub fn columns(self) -> &'static [Column] {
        match self {
            Sheet::Horses => HORSES,
            Sheet::Herd => HERD,
            Sheet::Rides => RIDES,
            Sheet::Runs => RUNS,
            Sheet::Asks => ASKS,
        }
    }
}

/// Writes the rows of a sheet.
pub struct SheetWriter {
    writer: csv::Writer<Vec<u8>>,
}

/// A writer whose next record is the first it knows of.
fn writer() -> csv::Writer<Vec<u8>> {
    csv::WriterBuilder::new()
        .terminator(csv::Terminator::CRLF)
        .from_writer(Vec::new())
}

impl SheetWriter {
    /// A sheet with its first row.
    ///
    /// # Errors
    /// None in memory.
    pub fn new(sheet: Sheet) -> Result<SheetWriter, csv::Error> {
        let mut writer = writer();
        writer.write_record(sheet.columns().iter().map(|(name, _)| *name))?;
        Ok(SheetWriter { writer })
    }

    /// A row: a cell for each column.
    ///
    /// # Errors
    /// A row with too few or too many cells.
    pub fn row<I, T>(&mut self, cells: I) -> Result<(), csv::Error>
    where
        I: IntoIterator<Item = T>,
        T: AsRef<[u8]>,
    {
        self.writer.write_record(cells)
    }

    /// What was written since the last time, once it is so many bytes.
    ///
    /// # Errors
    /// None in memory.
    pub fn take(&mut self, at_least: usize) -> Result<Option<Vec<u8>>, csv::Error> {
        self.writer.flush()?;
        if self.writer.get_ref().len() < at_least {
            return Ok(None);
        }
        let full = std::mem::replace(&mut self.writer, writer());
        let written = full.into_inner().map_err(csv::IntoInnerError::into_error)?;
        Ok(Some(written))
    }
}

/// The cells of a give: hand, time to give, answer; empty for another measure.
pub fn give_cells(measure: &Measure) -> [String; 3] {
    match measure {
        Measure::Give(give) => {
            let words = serde_json::to_value(give).unwrap_or_default();
            let word = |name: &str| words[name].as_str().unwrap_or_default().to_owned();
            [word("hand"), give.time_s.to_string(), word("answer")]
        }
        _ => Default::default(),
    }
}
