//! Several cattle at once, from a CSV file or rows pasted from a sheet.
//!
//! The first row names the columns, in any order: tag, kind, weight, came, tempo, handling, note.
//! Without such a row the columns are tag, kind, tempo, handling. Only the tag has to be there.

use jiff::civil::Date;
use serde::Serialize;

use super::cow::{CowKind, CowSheet, Handling};
use crate::bounds::FieldError;
use crate::rep::turn::Tempo;
use crate::rows::{self, Column, Row, RowError};

/// What the rows hold.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CowRows {
    /// The cattle of the rows that fit, in their order.
    pub cattle: Vec<CowSheet>,
    /// Everything that does not fit.
    pub errors: Vec<RowError>,
}

/// A column, with what else people call it.
const COLUMNS: [Column; 7] = [
    ("tag", &["number", "no", "ear tag", "cow"]),
    ("kind", &["sex", "class"]),
    ("weight", &["weight lb", "lb", "lbs", "pounds"]),
    ("came", &["arrived", "date", "bought"]),
    ("tempo", &["speed", "goes"]),
    ("handling", &["handled"]),
    ("note", &["notes"]),
];

/// The columns of rows that do not name them.
const USUAL: [&str; 4] = ["tag", "kind", "tempo", "handling"];

/// What a row that leaves something out means: what most of the lot are, and today.
#[derive(Debug, Clone, Copy)]
pub struct Usual<'a> {
    /// What most of the lot are.
    pub kind: CowKind,
    /// Today.
    pub today: Date,
    /// Tags that are taken.
    pub taken: &'a [String],
}

/// Reads the rows of `text`.
pub fn read(text: &str, usual: &Usual<'_>) -> CowRows {
    let mut found = CowRows::default();
    let rows = rows::read(text, &COLUMNS, &USUAL, "cow");
    found.errors.extend(rows.errors);
    for row in &rows.rows {
        take_in(row, usual, &mut found);
    }
    found
}

/// Takes in a row: a cow, or what does not fit about it.
pub fn take_in(row: &Row, usual: &Usual<'_>, found: &mut CowRows) {
    let mut errors: Vec<(&str, String)> = Vec::new();
    let mut keep = |column: &'static str, error: String| errors.push((column, error));
    let tag = row.cell("tag").to_owned();
    let again = |taken: &str| taken.to_lowercase() == tag.to_lowercase();
    if usual.taken.iter().any(|taken| again(taken)) {
        keep("tag", format!("{tag} is in this lot already"));
    } else if found.cattle.iter().any(|cow| again(&cow.tag)) {
        keep("tag", format!("{tag} is named twice in these rows"));
    }
    let kind = of_word(row.cell("kind"), usual.kind, &KINDS);
    let tempo = of_word(row.cell("tempo"), Tempo::Slow, &TEMPOS);
    let handling = of_word(row.cell("handling"), Handling::Well, &HANDLINGS);
    let weight_lb = weight(row.cell("weight"));
    let came = came(row.cell("came"), usual.today);
    let mut sheet = CowSheet {
        tag: tag.clone(),
        kind: usual.kind,
        weight_lb: None,
        came: usual.today,
        tempo: Tempo::Slow,
        handling: Handling::Well,
        done: false,
        note: row.cell("note").to_owned(),
    };
    kind.map_or_else(|why| keep("kind", why), |kind| sheet.kind = kind);
    tempo.map_or_else(|why| keep("tempo", why), |tempo| sheet.tempo = tempo);
    handling.map_or_else(|why| keep("handling", why), |one| sheet.handling = one);
    weight_lb.map_or_else(|why| keep("weight", why), |one| sheet.weight_lb = one);
    came.map_or_else(|why| keep("came", why), |came| sheet.came = came);
    let told = |error: FieldError| {
        let field = error
            .field
            .trim_start_matches('/')
            .replace("weight_lb", "weight");
        let column = COLUMNS.iter().find(|(name, _)| *name == field);
        (column.map_or("", |(name, _)| *name), error.detail)
    };
    let wrong = sheet.check(usual.today).err().unwrap_or_default();
    errors.extend(wrong.into_iter().map(told));
    if errors.is_empty() {
        found.cattle.push(sheet);
    }
    for (column, detail) in errors {
        found.errors.push(RowError::new(row.line, column, detail));
    }
}

type Words<T> = [(&'static str, T)];

const KINDS: [(&str, CowKind); 6] = [
    ("heifer", CowKind::Heifer),
    ("heifers", CowKind::Heifer),
    ("steer", CowKind::Steer),
    ("steers", CowKind::Steer),
    ("cow", CowKind::Cow),
    ("cows", CowKind::Cow),
];

const TEMPOS: [(&str, Tempo); 6] = [
    ("slow", Tempo::Slow),
    ("walks off", Tempo::Slow),
    ("medium", Tempo::Medium),
    ("trots", Tempo::Medium),
    ("quick", Tempo::Quick),
    ("runs", Tempo::Quick),
];

const HANDLINGS: [(&str, Handling); 4] = [
    ("well", Handling::Well),
    ("quiet", Handling::Well),
    ("wild", Handling::Wild),
    ("hardly", Handling::Wild),
];

/// What a word stands for; what is usual for an empty one.
fn of_word<T: Copy>(word: &str, usual: T, known: &Words<T>) -> Result<T, String> {
    if word.is_empty() {
        return Ok(usual);
    }
    let asked = word.to_lowercase();
    let found = known.iter().find(|(name, _)| *name == asked);
    found.map(|(_, value)| *value).ok_or_else(|| {
        let names: Vec<&str> = known.iter().map(|(name, _)| *name).collect();
        format!("must be one of {}, found \"{word}\"", names.join(", "))
    })
}

fn weight(text: &str) -> Result<Option<u16>, String> {
    if text.is_empty() {
        return Ok(None);
    }
    let number = text.to_lowercase();
    let number = number.trim_end_matches("lbs").trim_end_matches("lb").trim();
    number
        .parse()
        .map(Some)
        .map_err(|_| format!("must be pounds such as 520, found \"{text}\""))
}

fn came(text: &str, today: Date) -> Result<Date, String> {
    if text.is_empty() {
        return Ok(today);
    }
    text.parse()
        .map_err(|_| format!("must be a day such as {today}, found \"{text}\""))
}
