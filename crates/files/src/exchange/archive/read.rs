//! Bytes to the rows of an archive. Nothing is taken on trust: every column is looked at, every
//! id that a row refers to has to be there, and no key comes twice.

use std::collections::{HashMap, HashSet};

use serde::{Deserialize, Serialize};
use serde_json::value::RawValue;
use serde_json::{Map, Value};
use uuid::Uuid;

use super::form::{Column, FORMAT, Kind, Table, VERSION, tables};
use crate::bounds::FieldError;

/// Errors after which no more are looked for.
const MOST_ERRORS: usize = 20;

/// An archive, every row of it looked at.
#[derive(Debug)]
pub struct Archive<'a> {
    /// Its tables in the order in which they can be stored, each row as it was written.
    pub tables: Vec<(&'static Table, Vec<&'a RawValue>)>,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct Document<'a> {
    format: String,
    version: u32,
    #[serde(borrow)]
    tables: HashMap<&'a str, Vec<&'a RawValue>>,
}

/// Reads an archive.
///
/// # Errors
/// What does not fit, each with its place as a JSON pointer such as `/tables/rep/17/side`; the
/// first twenty of them.
pub fn read(bytes: &[u8]) -> Result<Archive<'_>, Vec<FieldError>> {
    let one = |field: &str, detail: String| vec![FieldError::new(field, detail)];
    let text = std::str::from_utf8(bytes).map_err(|error| {
        let place = error.valid_up_to() + 1;
        one("", format!("must be UTF-8; byte {place} is none"))
    })?;
    let text = text.strip_prefix('\u{FEFF}').unwrap_or(text);
    let document: Document<'_> = serde_json::from_str(text)
        .map_err(|error| one("", format!("is no archive of a barn: {error}")))?;
    if document.format != FORMAT {
        return Err(one("/format", format!("must be \"{FORMAT}\"")));
    }
    let version = document.version;
    if !(1..=VERSION).contains(&version) {
        return Err(one(
            "/version",
            format!("must be 1 to {VERSION}, found {version}; a newer Cavesson wrote it"),
        ));
    }
    let mut checks = Checks {
        version,
        ..Checks::default()
    };
    for name in document.tables.keys() {
        if !tables().iter().any(|table| table.name == *name) {
            checks.add(format!("/tables/{name}"), "is no table of an archive");
        }
    }
    let mut found = Vec::new();
    for table in tables() {
        match document.tables.get(table.name) {
            None if table.since > version => found.push((table, Vec::new())),
            None => checks.add(format!("/tables/{}", table.name), "must be there"),
            Some(rows) => {
                checks.rows(table, rows);
                found.push((table, rows.clone()));
            }
        }
    }
    if checks.errors.is_empty() {
        Ok(Archive { tables: found })
    } else {
        Err(checks.errors)
    }
}

#[derive(Default)]
struct Checks {
    /// The version of the form that the archive was written in.
    version: u32,
    errors: Vec<FieldError>,
    /// The ids of each table that is named by one.
    ids: HashMap<&'static str, HashSet<Uuid>>,
}

impl Checks {
    fn add(&mut self, field: String, detail: impl Into<String>) {
        if self.errors.len() < MOST_ERRORS {
            self.errors.push(FieldError::new(field, detail));
        }
    }

    fn rows(&mut self, table: &'static Table, rows: &[&RawValue]) {
        if table.key.is_empty() && rows.len() != 1 {
            let at = format!("/tables/{}", table.name);
            self.add(at, format!("must hold one row, found {}", rows.len()));
        }
        let mut keys: HashSet<String> = HashSet::new();
        for (index, row) in rows.iter().enumerate() {
            let at = format!("/tables/{}/{index}", table.name);
            let row: Map<String, Value> = match serde_json::from_str(row.get()) {
                Ok(row) => row,
                Err(_) => {
                    self.add(at, "must be an object");
                    continue;
                }
            };
            self.row(table, &at, &row);
            let key = table.key.iter().map(|name| row.get(*name));
            let key = key.map(|part| part.map_or_else(String::new, Value::to_string));
            let key: Vec<String> = key.collect();
            if !key.is_empty() && !keys.insert(key.join(" ")) {
                self.add(at, format!("{} comes twice", table.key.join(", ")));
            }
        }
    }

    fn row(&mut self, table: &'static Table, at: &str, row: &Map<String, Value>) {
        for name in row.keys() {
            if !table.columns.iter().any(|column| column.name == name) {
                self.add(
                    format!("{at}/{name}"),
                    format!("is no column of {}", table.name),
                );
            }
        }
        for column in &table.columns {
            let field = || format!("{at}/{}", column.name);
            match row.get(column.name) {
                None if column.since > self.version => {}
                None => self.add(field(), "must be there"),
                Some(Value::Null) if column.nullable => {}
                Some(value) if !fits(column.kind, value) => {
                    self.add(field(), format!("must be {}", column.kind.wanted()));
                }
                Some(value) => self.reference(table, column, field, value),
            }
        }
    }

    fn reference(
        &mut self,
        table: &'static Table,
        column: &Column,
        field: impl Fn() -> String,
        value: &Value,
    ) {
        if column.kind != Kind::Id {
            return;
        }
        let id: Option<Uuid> = value.as_str().and_then(|text| text.parse().ok());
        let Some(id) = id else { return };
        if let Some(of) = column.of {
            if !self.ids.get(of).is_some_and(|ids| ids.contains(&id)) {
                self.add(
                    field(),
                    format!("{id} is no {} of this archive", of.replace('_', " ")),
                );
            }
        } else if table.key.last() == Some(&column.name) {
            self.ids.entry(table.name).or_default().insert(id);
        }
    }
}

fn fits(kind: Kind, value: &Value) -> bool {
    let text = |good: &dyn Fn(&str) -> bool| value.as_str().is_some_and(good);
    let list =
        |good: &dyn Fn(&Value) -> bool| value.as_array().is_some_and(|all| all.iter().all(good));
    let is_id = |text: &str| text.parse::<Uuid>().is_ok();
    match kind {
        Kind::Id => text(&is_id),
        Kind::Text => text(&|text| !text.contains('\0')),
        Kind::Integer => value.is_i64(),
        Kind::Number => value.is_number(),
        Kind::Flag => value.is_boolean(),
        Kind::Day => text(&|text| text.len() == 10 && text.parse::<jiff::civil::Date>().is_ok()),
        Kind::Instant => text(&|text| text.parse::<jiff::Timestamp>().is_ok()),
        Kind::Time => text(&|text| text.parse::<jiff::civil::Time>().is_ok()),
        Kind::Span => text(&is_span),
        Kind::Json => !value.to_string().contains("\\u0000"),
        Kind::Texts => list(&|one| one.as_str().is_some_and(|text| !text.contains('\0'))),
        Kind::Ids => list(&|one| one.as_str().is_some_and(is_id)),
    }
}

/// `["from","to")`, each a moment as PostgreSQL writes it.
fn is_span(text: &str) -> bool {
    let inner = text
        .strip_prefix('[')
        .and_then(|text| text.strip_suffix(')'));
    let Some((from, to)) = inner.and_then(|inner| inner.split_once(',')) else {
        return false;
    };
    let moment = |text: &str| {
        let text = text.trim_matches('"');
        // An offset of whole hours is written without minutes.
        let whole = if text.len() > 3 && matches!(text.as_bytes()[text.len() - 3], b'+' | b'-') {
            format!("{text}:00")
        } else {
            text.to_owned()
        };
        whole.parse::<jiff::Timestamp>().ok()
    };
    matches!((moment(from), moment(to)), (Some(from), Some(to)) if from < to)
}

/// What is in an archive, in short.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Summary {
    /// The barn's name.
    pub barn: String,
    /// Rows of each table that has some, in the order of the archive.
    pub rows: Vec<TableRows>,
    /// Trainers who have not left: one of them takes the barn over.
    pub trainers: Vec<ArchiveTrainer>,
}

/// How many rows a table has.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TableRows {
    /// The table.
    pub table: &'static str,
    /// Its rows.
    pub rows: usize,
}

/// A trainer of an archive.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ArchiveTrainer {
    /// Their id.
    pub person_id: Uuid,
    /// Their name.
    pub name: String,
    /// What they signed in with, before the @.
    pub sign_in: String,
}

#[derive(Deserialize)]
struct PersonRow {
    #[serde(flatten)]
    who: ArchiveTrainer,
    role: String,
    left_at: Option<String>,
}

#[derive(Deserialize)]
struct BarnRow {
    name: String,
}

/// What is in an archive, in short.
pub fn summary(archive: &Archive<'_>) -> Summary {
    let rows_of = |name: &str| {
        let found = archive.tables.iter().find(|(table, _)| table.name == name);
        found.map_or(&[][..], |(_, rows)| rows.as_slice())
    };
    let people = rows_of("person").iter();
    let people = people.filter_map(|row| serde_json::from_str::<PersonRow>(row.get()).ok());
    let barn = rows_of("barn").first();
    let barn = barn.and_then(|row| serde_json::from_str::<BarnRow>(row.get()).ok());
    Summary {
        barn: barn.map(|row| row.name).unwrap_or_default(),
        rows: archive
            .tables
            .iter()
            .filter(|(_, rows)| !rows.is_empty())
            .map(|(table, rows)| TableRows {
                table: table.name,
                rows: rows.len(),
            })
            .collect(),
        trainers: people
            .filter(|person| person.role == "trainer" && person.left_at.is_none())
            .map(|person| person.who)
            .collect(),
    }
}
