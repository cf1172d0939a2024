//! The archive of a barn: its published form, and what its reader says of what does not fit.
//!
//! The form is our own; the published schema follows JSON Schema draft 2020-12, against which
//! archives are checked by another implementation in the server's tests.

use std::collections::HashSet;
use std::fs;

use cavesson_files::exchange::archive::read::read;
use cavesson_files::exchange::archive::{Kind, schema, summary, tables};
use proptest::prelude::*;
use rstest::rstest;
use serde_json::{Map, Value, json};

#[test]
fn the_published_schema_is_the_one_that_is_read() {
    let path = concat!(
        env!("CARGO_MANIFEST_DIR"),
        "/../../docs/archive.schema.json"
    );
    let published: Value = serde_json::from_str(&fs::read_to_string(path).unwrap()).unwrap();
    assert!(
        published == schema(),
        "write it anew: cavesson barn schema > docs/archive.schema.json"
    );
}

#[test]
fn every_table_stands_after_those_it_refers_to() {
    let mut known: HashSet<&str> = HashSet::new();
    for table in tables() {
        for column in &table.columns {
            if let Some(of) = column.of {
                assert!(known.contains(of), "{}.{} of {of}", table.name, column.name);
                assert_eq!(column.kind, Kind::Id);
            }
        }
        assert!(known.insert(table.name), "{} comes twice", table.name);
        for key in &table.key {
            assert!(table.columns.iter().any(|column| column.name == *key));
        }
    }
}

const TRAINER: &str = "01890000-0000-7000-8000-000000000001";
const HORSE: &str = "01890000-0000-7000-8000-000000000002";

/// A value that fits a column.
fn value(kind: Kind) -> Value {
    match kind {
        Kind::Id => json!(TRAINER),
        Kind::Text => json!("trainer"),
        Kind::Integer => json!(3),
        Kind::Number => json!(1.5),
        Kind::Flag => json!(true),
        Kind::Day => json!("2026-05-04"),
        Kind::Instant => json!("2026-05-04T14:00:00+00:00"),
        Kind::Time => json!("07:30:00"),
        Kind::Span => json!("[\"2026-05-04 14:00:00+00\",\"2026-05-04 15:00:00.5+00\")"),
        Kind::Json => json!({"any": [1, null]}),
        Kind::Texts => json!(["hot"]),
        Kind::Ids => json!([TRAINER]),
    }
}

fn row(name: &str, changed: &[(&str, Value)]) -> Value {
    let table = tables().iter().find(|table| table.name == name).unwrap();
    let columns = table.columns.iter();
    let mut row: Map<String, Value> = columns
        .map(|column| (column.name.to_owned(), value(column.kind)))
        .collect();
    for (column, value) in changed {
        row.insert((*column).to_owned(), value.clone());
    }
    Value::Object(row)
}

/// A barn with a trainer and a horse.
fn barn() -> Value {
    let mut all: Map<String, Value> = tables()
        .iter()
        .map(|table| (table.name.to_owned(), json!([])))
        .collect();
    all["barn"] = json!([row("barn", &[("name", json!("Dry Fork"))])]);
    all["person"] = json!([row("person", &[("left_at", Value::Null)])]);
    let owned = [
        ("horse_id", json!(HORSE)),
        ("owner_id", json!(TRAINER)),
        ("program_id", Value::Null),
        ("import_id", Value::Null),
    ];
    all["horse"] = json!([row("horse", &owned)]);
    json!({"format": "cavesson.barn", "version": 3, "tables": all})
}

#[test]
fn a_barn_is_read() {
    let text = barn().to_string();
    let marked = format!("\u{FEFF}{text}");
    for text in [text, marked] {
        let found = read(text.as_bytes()).unwrap();
        let short = summary(&found);
        assert_eq!(short.barn, "Dry Fork");
        let rows: Vec<(&str, usize)> = short.rows.iter().map(|one| (one.table, one.rows)).collect();
        assert_eq!(rows, [("barn", 1), ("person", 1), ("horse", 1)]);
        assert_eq!(short.trainers[0].person_id.to_string(), TRAINER);
    }
}

#[test]
fn what_came_with_a_later_version_is_empty_in_an_older_one() {
    let mut old = barn();
    let all = old["tables"].as_object_mut().unwrap();
    all.remove("deed");
    all.remove("import");
    let horse = all["horse"][0].as_object_mut().unwrap();
    horse.remove("import_id");
    horse.remove("forgotten_until");
    let told = |value: &Value| {
        let text = value.to_string();
        let read = read(text.as_bytes()).map(|found| found.tables.len());
        read.map_err(|errors| {
            errors
                .into_iter()
                .map(|error| error.field)
                .collect::<Vec<_>>()
        })
    };
    let missing = [
        "/tables/import",
        "/tables/horse/0/import_id",
        "/tables/horse/0/forgotten_until",
        "/tables/deed",
    ];
    assert_eq!(told(&old), Err(missing.map(str::to_owned).to_vec()));
    old["version"] = json!(1);
    assert_eq!(told(&old), Ok(tables().len()));
    old["tables"].as_object_mut().unwrap().remove("horse");
    assert_eq!(told(&old), Err(vec!["/tables/horse".to_owned()]));
}

#[rstest]
#[case("/format", "/format", json!("other"))]
#[case("/version", "/version", json!(4))]
#[case("/version", "/version", json!(0))]
#[case("/tables/horse", "/tables/horse", Value::Null)]
#[case("/tables/horses", "/tables/horses", json!([]))]
#[case("/tables/barn", "/tables/barn", json!([]))]
#[case("/tables/horse/0", "/tables/horse/0", json!(7))]
#[case("/tables/horse/0/coat", "/tables/horse/0/coat", json!("bay"))]
#[case("/tables/horse/0/name", "/tables/horse/0/name", json!(7))]
#[case("/tables/horse/0/name", "/tables/horse/0/name", json!("a\u{0}b"))]
#[case("/tables/horse/0/foaled", "/tables/horse/0/foaled", json!(2020.5))]
#[case("/tables/horse/0/horse_id", "/tables/horse/0/horse_id", json!("1"))]
#[case("/tables/horse/0/owner_id", "/tables/horse/0/owner_id", json!(HORSE))]
#[case("/tables/horse/0/judged_until", "/tables/horse/0/judged_until", json!("2026-02-30"))]
#[case("/tables/horse/0/traits", "/tables/horse/0/traits", json!(["hot", 3]))]
#[case("/tables/person/0/home_by", "/tables/person/0/home_by", json!("25:00:00"))]
#[case("/tables/person/0/made_at", "/tables/person/0/made_at", json!("yesterday"))]
fn what_does_not_fit_is_named_by_its_place(
    #[case] place: &str,
    #[case] named: &str,
    #[case] value: Value,
) {
    let mut wrong = barn();
    match wrong.pointer_mut(place) {
        Some(found) if value.is_null() => *found = json!("no list"),
        Some(found) => *found = value,
        None => {
            let (outer, name) = place.rsplit_once('/').unwrap();
            let outer = wrong.pointer_mut(outer).unwrap().as_object_mut().unwrap();
            outer.insert(name.to_owned(), value);
        }
    }
    let errors = read(wrong.to_string().as_bytes()).unwrap_err();
    // What is no list at all cannot be told from no JSON of this form.
    let named = if place == "/tables/horse" { "" } else { named };
    assert!(
        errors.iter().any(|error| error.field == named),
        "{errors:?}"
    );
}

#[test]
fn a_column_left_out_a_row_twice_and_a_table_left_out_are_named() {
    let mut wrong = barn();
    wrong["tables"]["horse"][0]
        .as_object_mut()
        .unwrap()
        .remove("color");
    let twice = wrong["tables"]["person"][0].clone();
    wrong["tables"]["person"]
        .as_array_mut()
        .unwrap()
        .push(twice);
    wrong["tables"].as_object_mut().unwrap().remove("rep");
    let errors = read(wrong.to_string().as_bytes()).unwrap_err();
    let fields: Vec<&str> = errors.iter().map(|error| error.field.as_str()).collect();
    assert_eq!(
        fields,
        ["/tables/person/1", "/tables/horse/0/color", "/tables/rep"]
    );
}

#[test]
fn spans_are_read_as_postgresql_writes_them() {
    for (span, good) in [
        (
            "[\"2026-05-04 14:00:00+00\",\"2026-05-04 15:00:00+00\")",
            true,
        ),
        (
            "[\"2026-05-04 15:00:00+00\",\"2026-05-04 14:00:00+00\")",
            false,
        ),
        ("[\"2026-05-04 14:00:00+00\",)", false),
        ("empty", false),
    ] {
        let mut all = barn();
        let when = [("calendar_id", json!(HORSE)), ("during", json!(span))];
        all["tables"]["busy_calendar"] =
            json!([row("busy_calendar", &[("calendar_id", json!(HORSE))])]);
        all["tables"]["busy_time"] = json!([row("busy_time", &when)]);
        assert_eq!(read(all.to_string().as_bytes()).is_ok(), good, "{span}");
    }
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(400))]

    /// Whatever the bytes are, they are read or refused.
    #[test]
    fn broken_archives_are_refused_and_never_worse(
        at in 0.0f64..1.0, byte in any::<u8>(), cut in any::<bool>()
    ) {
        let mut bytes = barn().to_string().into_bytes();
        let at = ((bytes.len() - 1) as f64 * at) as usize;
        if cut {
            bytes.truncate(at);
        } else {
            bytes[at] = byte;
        }
        if let Err(errors) = read(&bytes) {
            prop_assert!(!errors.is_empty());
            prop_assert!(errors.iter().all(|error| error.detail.len() > 4));
        }
    }

    #[test]
    fn any_bytes_are_refused(bytes in proptest::collection::vec(any::<u8>(), 0..300)) {
        prop_assert!(read(&bytes).is_err());
    }
}
