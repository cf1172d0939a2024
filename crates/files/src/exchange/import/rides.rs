//! A row of the sheet of rides.

use uuid::Uuid;

use super::book::{Book, blank};
use super::cells::Cells;
use crate::bounds::{NOTE_LETTERS, RIDE_MS};
use crate::horse::RideMark;
use crate::ride::{Exertion, Mood, NewRide, RideEnd};
use crate::rows::{Row, RowError};
use crate::text::check_optional_text;

pub(super) fn row(row: &Row, book: &mut Book<'_>, id: &mut dyn FnMut() -> Uuid) -> Vec<RowError> {
    let mut cells = Cells::of(row);
    let of = book.ride_of_row(&mut cells);
    let minutes = cells.number("minutes");
    let ms = minutes.map(|minutes| {
        RIDE_MS
            .check("", (minutes * 60_000.0).round())
            .map_err(|_| {
                format!(
                    "must be 0 to {} minutes, found {minutes}",
                    RIDE_MS.most / 60_000.0
                )
            })
    });
    let ms = ms.and_then(|ms| cells.keep("minutes", ms));
    let note = cells.text("note");
    let fits = check_optional_text(NOTE_LETTERS, "", note).map_err(|error| error.detail);
    cells.keep("note", fits);
    let marks = marks(cells.text("marks"));
    let written = NewRide {
        finished_after_ms: Some(ms.unwrap_or_default() as u32),
        marks: cells.keep("marks", marks),
        ended: cells.kind("ended", RideEnd::ALL, RideEnd::word),
        mood: cells.kind("mood", Mood::ALL, Mood::word),
        exertion: cells.kind("exertion", Exertion::ALL, Exertion::word),
        note: (!note.is_empty()).then(|| note.to_owned()),
        ..blank(Uuid::nil())
    };
    if let Some(of) = of.filter(|_| cells.is_whole()) {
        book.write(&of, written, &mut cells, id);
    }
    cells.errors()
}

fn marks(text: &str) -> Result<Vec<RideMark>, String> {
    text.split_whitespace()
        .map(|word| {
            RideMark::from_word(&word.to_lowercase()).ok_or_else(|| {
                let words: Vec<&str> = RideMark::ALL.iter().map(|mark| mark.word()).collect();
                format!(
                    "must be {}, apart by blanks; found \"{word}\"",
                    words.join(", ")
                )
            })
        })
        .collect()
}
