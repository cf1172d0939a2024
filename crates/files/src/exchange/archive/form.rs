//! Tables and columns of an archive, and the JSON Schema made of them.

use std::sync::OnceLock;

use serde_json::{Map, Value, json};

use super::tables::TABLES;

/// What names the form.
pub const FORMAT: &str = "cavesson.barn";
/// The version of the form. It is raised whenever a table or a column comes, goes or changes its
/// meaning; what an older version wrote is brought up to it as it is read.
pub const VERSION: u32 = 3;

/// What a column holds.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Kind {
    /// A UUID.
    Id,
    /// A text.
    Text,
    /// A whole number.
    Integer,
    /// A number.
    Number,
    /// True or false.
    Flag,
    /// A calendar day.
    Day,
    /// A moment, in UTC.
    Instant,
    /// A time of day.
    Time,
    /// From one moment to another.
    Span,
    /// A JSON value of its own form.
    Json,
    /// A list of texts.
    Texts,
    /// A list of UUIDs.
    Ids,
}

/// A column.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Column {
    /// Its name.
    pub name: &'static str,
    /// What it holds.
    pub kind: Kind,
    /// It may be null.
    pub nullable: bool,
    /// The table in which its id is to be found.
    pub of: Option<&'static str>,
    /// The version of the form in which it came. In an older archive it is not there, and null.
    pub since: u32,
}

/// A table.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Table {
    /// Its name.
    pub name: &'static str,
    /// The version of the form in which it came. In an older archive it may be missing.
    pub since: u32,
    /// What a row is.
    pub says: &'static str,
    /// The columns that name a row; none in the table of one row.
    pub key: Vec<&'static str>,
    /// All columns.
    pub columns: Vec<Column>,
}

/// All tables, each after those that it refers to.
pub fn tables() -> &'static [Table] {
    static READ: OnceLock<Vec<Table>> = OnceLock::new();
    READ.get_or_init(|| {
        let written = TABLES.iter();
        written
            .map(|(since, name, says, key, columns)| Table {
                name,
                since: *since,
                says,
                key: key.split_whitespace().collect(),
                columns: columns.split(',').filter_map(column).collect(),
            })
            .collect()
    })
}

fn column(written: &'static str) -> Option<Column> {
    let mut words = written.split_whitespace();
    let name = words.next()?;
    let kind = words.next()?;
    let (mut of, mut since) = (None, 1);
    while let (Some(word), Some(said)) = (words.next(), words.next()) {
        match word {
            "of" => of = Some(said),
            "since" => since = said.parse().ok()?,
            _ => return None,
        }
    }
    Some(Column {
        name,
        kind: kind_of(kind.trim_end_matches('?'))?,
        nullable: kind.ends_with('?'),
        of,
        since,
    })
}

fn kind_of(word: &str) -> Option<Kind> {
    Some(match word {
        "id" => Kind::Id,
        "text" => Kind::Text,
        "integer" => Kind::Integer,
        "number" => Kind::Number,
        "flag" => Kind::Flag,
        "day" => Kind::Day,
        "instant" => Kind::Instant,
        "time" => Kind::Time,
        "span" => Kind::Span,
        "json" => Kind::Json,
        "texts" => Kind::Texts,
        "ids" => Kind::Ids,
        _ => return None,
    })
}

impl Kind {
    /// What is said of a value that is none.
    pub fn wanted(self) -> &'static str {
        match self {
            Kind::Id => "an id (UUID)",
            Kind::Text => "a text",
            Kind::Integer => "a whole number",
            Kind::Number => "a number",
            Kind::Flag => "true or false",
            Kind::Day => "a day such as 2026-05-04",
            Kind::Instant => "a moment such as 2026-05-04T14:00:00+00:00",
            Kind::Time => "a time of day such as 07:30:00",
            Kind::Span => "a span of moments",
            Kind::Json => "a JSON value",
            Kind::Texts => "a list of texts",
            Kind::Ids => "a list of ids",
        }
    }

    fn schema(self) -> Value {
        match self {
            Kind::Id => json!({"type": "string", "format": "uuid"}),
            Kind::Text | Kind::Span => json!({"type": "string"}),
            Kind::Integer => json!({"type": "integer"}),
            Kind::Number => json!({"type": "number"}),
            Kind::Flag => json!({"type": "boolean"}),
            Kind::Day => json!({"type": "string", "format": "date"}),
            Kind::Instant => json!({"type": "string", "format": "date-time"}),
            Kind::Time => json!({"type": "string", "pattern": "^[0-2][0-9]:[0-5][0-9]:[0-5][0-9]"}),
            Kind::Json => json!({}),
            Kind::Texts => json!({"type": "array", "items": {"type": "string"}}),
            Kind::Ids => json!({"type": "array", "items": {"type": "string", "format": "uuid"}}),
        }
    }
}

/// The published JSON Schema (draft 2020-12) of an archive.
pub fn schema() -> Value {
    let mut all = Map::new();
    for table in tables() {
        let mut properties = Map::new();
        for column in &table.columns {
            properties.insert(column.name.to_owned(), of_column(column));
        }
        let required: Vec<&str> = table.columns.iter().map(|column| column.name).collect();
        let mut rows = json!({
            "description": table.says,
            "type": "array",
            "items": {
                "type": "object",
                "properties": properties,
                "required": required,
                "additionalProperties": false,
            },
        });
        if table.key.is_empty() {
            rows["minItems"] = json!(1);
            rows["maxItems"] = json!(1);
        }
        all.insert(table.name.to_owned(), rows);
    }
    let names: Vec<&str> = tables().iter().map(|table| table.name).collect();
    json!({
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "A Cavesson barn",
        "description": "A whole barn. Passwords, sessions and secret links are not in it.",
        "type": "object",
        "properties": {
            "format": {"const": FORMAT},
            "version": {"const": VERSION},
            "tables": {
                "type": "object",
                "properties": all,
                "required": names,
                "additionalProperties": false,
            },
        },
        "required": ["format", "version", "tables"],
        "additionalProperties": false,
    })
}

fn of_column(column: &Column) -> Value {
    let mut schema = column.kind.schema();
    if column.nullable {
        // A JSON value of its own form may be null anyway.
        if let Some(kind) = schema.get("type").cloned() {
            schema["type"] = json!([kind, "null"]);
        }
    }
    if let Some(of) = column.of {
        schema["description"] = json!(format!("of {of}"));
    }
    schema
}
