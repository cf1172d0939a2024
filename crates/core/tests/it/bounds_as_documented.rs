//! The least and the most that the API document names for a number or a text are taken,
//! and what lies beyond is refused: the document and the table of bounds are one.

use cavesson_core::Gait;
use cavesson_core::ladder::Ladder;
use cavesson_core::rep::{Asked, Measure, MeasureKind};
use cavesson_core::ride::Batch;
use rand_chacha::ChaCha8Rng;
use rand_chacha::rand_core::SeedableRng;
use serde_json::{Map, Value, json};

fn schemas() -> Map<String, Value> {
    let document: Value =
        serde_json::from_str(include_str!("../../../../web/openapi.json")).unwrap();
    document["components"]["schemas"]
        .as_object()
        .unwrap()
        .clone()
}

/// The values at the edges of a documented field, and the nearest beyond them.
fn edges(field: &Value) -> (Vec<Value>, Vec<Value>) {
    let number = |value: f64| match field["type"].to_string().contains("integer") {
        #[expect(
            clippy::cast_possible_truncation,
            reason = "whole numbers of a document"
        )]
        true => json!(value as i64),
        false => json!(value),
    };
    let (mut inside, mut outside) = (Vec::new(), Vec::new());
    if let Some(least) = field["minimum"].as_f64() {
        inside.push(number(least));
        if least != 0.0 || !field["type"].to_string().contains("integer") {
            outside.push(number(least - 1.0));
        }
    }
    if let Some(most) = field["maximum"].as_f64() {
        inside.push(number(most));
        outside.push(number(most + 1.0));
    }
    if let Some(most) = field["maxLength"].as_u64() {
        let most = usize::try_from(most).unwrap();
        inside.push(json!("x".repeat(most)));
        outside.push(json!("x".repeat(most + 1)));
    }
    (inside, outside)
}

/// Whether the field at `path`, and not another that hangs together with it, is refused.
fn refuses(error: Option<String>, path: &str) -> bool {
    error.is_some_and(|field| field == path)
}

#[test]
fn of_every_measure() {
    let schemas = schemas();
    let ladder = Ladder::shipped();
    let mut tried = 0;
    for level in &ladder.levels {
        let asked = Asked {
            rule: &level.gate.soft,
            gait: Gait::Walk,
            chance: 0.5,
            soft: true,
        };
        let mut drawn = ChaCha8Rng::seed_from_u64(1);
        let good = serde_json::to_value(level.measure.draw(&asked, &mut drawn)).unwrap();
        let error = |name: &str, value: &Value| {
            let mut changed = good.clone();
            changed[name] = value.clone();
            let read = cavesson_core::json::read::<Measure>(changed);
            read.and_then(|measure| measure.check())
                .err()
                .map(|error| error.field)
        };
        let word = level.measure.word();
        let schema = &schemas[&capital(word)]["properties"];
        for (name, field) in schema.as_object().unwrap() {
            let (inside, outside) = edges(field);
            let path = format!("/{name}");
            // These hang together with other fields of the measure.
            let apart = !matches!(name.as_str(), "clean" | "soft_circles" | "late_strides");
            for value in inside.iter().filter(|_| apart) {
                assert!(!refuses(error(name, value), &path), "{word}{path}: {value}");
            }
            for value in &outside {
                assert!(refuses(error(name, value), &path), "{word}{path}: {value}");
                tried += 1;
            }
        }
    }
    assert!(tried > 30, "{tried}");
}

fn capital(word: &str) -> String {
    word[..1].to_uppercase() + &word[1..]
}

#[test]
fn of_a_batch() {
    let schemas = schemas();
    let good = json!({
        "person_id": "01980000-0000-7000-8000-0000000000bb", "sent_at": "2026-05-04T16:00:00Z",
        "rides": [{"ride_id": "01980000-0000-7000-8000-000000000001", "horse_id": "01980000-0000-7000-8000-0000000000aa",
                   "started_at": "2026-05-04T15:30:00Z", "finished_after_ms": 1_500_000,
                   "blocks": [{"block_id": "01980000-0000-7000-8000-0000000000b1", "position": 0,
                               "skill": "bend.flex", "rung": "stand"}]}],
        "reps": [{"rep_id": "01980000-0000-7000-8000-000000000002", "ride_id": "01980000-0000-7000-8000-000000000001",
                  "block_id": "01980000-0000-7000-8000-0000000000b1", "sequence": 0, "asked_after_ms": 60_000,
                  "skill": "bend.flex", "rung": "stand", "side": "left", "asked_at": "2026-05-04T15:31:00Z",
                  "measure": {"kind": "give", "hand": "fingertip", "time_s": 1.2, "answer": "gave"}}]
    });
    let errors = |at: &str, name: &str, value: &Value| -> Vec<String> {
        let mut batch = good.clone();
        batch.pointer_mut(at).unwrap()[name] = value.clone();
        match cavesson_core::json::read::<Batch>(batch) {
            Ok(batch) => batch
                .check(Ladder::shipped())
                .err()
                .unwrap_or_default()
                .into_iter()
                .map(|error| error.field)
                .collect(),
            Err(error) => vec![error.field],
        }
    };
    for (name, at) in [
        ("NewRide", "/rides/0"),
        ("NewBlock", "/rides/0/blocks/0"),
        ("NewRep", "/reps/0"),
    ] {
        let mut tried = 0;
        for (field, schema) in schemas[name]["properties"].as_object().unwrap() {
            let (inside, outside) = edges(schema);
            let path = format!("{at}/{field}");
            for value in &inside {
                let found = errors(at, field, value);
                assert!(!found.contains(&path), "{path}: {value}");
            }
            for value in &outside {
                assert!(errors(at, field, value).contains(&path), "{path}: {value}");
                tried += 1;
            }
        }
        assert!(tried > 0, "{name}");
    }
}

/// The measures that the ladder asks for are all there are.
#[test]
fn every_measure_is_on_the_ladder() {
    for kind in MeasureKind::ALL {
        let asked = |level: &&cavesson_core::ladder::LadderLevel| level.measure == *kind;
        assert!(
            Ladder::shipped().levels.iter().any(|level| asked(&level)),
            "{kind:?}"
        );
    }
}
