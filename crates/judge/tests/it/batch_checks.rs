//! What a device sends, checked before the barn is asked; and its times on the
//! server's clock.

use cavesson_base::bounds::{FieldError, NOTE_LETTERS};
use cavesson_base::text::{check_optional_text, check_text};
use cavesson_judge::ride::{Batch, clock};
use cavesson_reps::ladder::Ladder;
use jiff::{SignedDuration, Timestamp};
use rstest::rstest;
use serde_json::{Value, json};

fn good() -> Value {
    json!({
        "person_id": "01980000-0000-7000-8000-0000000000bb", "sent_at": "2026-05-04T16:00:00Z",
        "rides": [{"ride_id": "01980000-0000-7000-8000-000000000001", "horse_id": "01980000-0000-7000-8000-0000000000aa",
                   "started_at": "2026-05-04T15:30:00Z", "finished_after_ms": 1_500_000,
                   "blocks": [{"block_id": "01980000-0000-7000-8000-0000000000b1", "position": 0,
                               "skill": "bend.flex", "rung": "stand"}]}],
        "reps": [{"rep_id": "01980000-0000-7000-8000-000000000002", "ride_id": "01980000-0000-7000-8000-000000000001",
                  "block_id": "01980000-0000-7000-8000-0000000000b1", "sequence": 0, "asked_after_ms": 60_000,
                  "skill": "bend.flex", "rung": "stand", "side": "left", "asked_at": "2026-05-04T15:31:00Z",
                  "measure": {"kind": "give", "hand": "fingertip", "time_s": 1.2, "answer": "gave"}}]
    })
}

fn check(batch: Value) -> Result<(), Vec<(String, String)>> {
    let batch: Batch = serde_json::from_value(batch).unwrap();
    batch.check(Ladder::shipped()).map_err(|errors| {
        errors
            .into_iter()
            .map(|error| (error.field, error.detail))
            .collect()
    })
}

#[test]
fn a_good_batch_passes() {
    assert_eq!(check(good()), Ok(()));
}

#[rstest]
#[case("/reps/0/asked_after_ms", json!(172_800_001), "must be 0 to 172800000 ms, found 172800001")]
#[case("/reps/0/sequence", json!(100_001), "sequence number must be 0 to 100000")]
#[case("/reps/0/changes", json!(1_001), "changes must be 0 to 1000")]
#[case("/rides/0/finished_after_ms", json!(4_000_000_000_u32), "must be 0 to 172800000 ms")]
#[case("/rides/0/blocks/0/rung", json!("lope"), "bend.flex is asked at stand, found lope")]
#[case("/rides/0/blocks/0/position", json!(201), "must be 0 to 200")]
#[case("/rides/0/note", json!("stiff\u{7}"), "letter 6 cannot be printed")]
#[case("/rides/0/note", json!("x".repeat(601)), "letters must be 1 to 600")]
#[case("/rides/0/present", json!(" "), "letters must be 1 to 80")]
#[case("/rides/0/present", json!("x".repeat(81)), "letters must be 1 to 80")]
#[case("/reps/0/measure/time_s", json!(-0.5), "must be 0 to 120 s, found -0.5")]
#[case("/reps/0/measure/time_s", json!(120.5), "must be 0 to 120 s, found 120.5")]
#[case("/reps/0/skill", json!("bend.pretzel"), "no skill \"bend.pretzel\" on this ladder; bend has bend.flex, ")]
#[case("/reps/0/rung", json!("lope"), "bend.flex is asked at stand, found lope")]
#[case("/reps/0/side", json!("both"), "bend.flex is asked left or right, found both")]
fn what_does_not_fit_is_named(#[case] field: &str, #[case] value: Value, #[case] says: &str) {
    let mut batch = good();
    let (object, name) = field.rsplit_once('/').unwrap();
    batch.pointer_mut(object).unwrap()[name] = value;
    let errors = check(batch).unwrap_err();
    assert!(
        errors
            .iter()
            .any(|(at, said)| at == field && said.contains(says)),
        "{errors:?}"
    );
}

#[test]
fn all_errors_come_at_once() {
    let mut batch = good();
    batch["reps"][0]["measure"]["time_s"] = json!(-1);
    let mut again = batch["reps"][0].clone();
    again["skill"] = json!("bend.pretzel");
    batch["reps"].as_array_mut().unwrap().push(again);
    let fields: Vec<String> = check(batch)
        .unwrap_err()
        .into_iter()
        .map(|(field, _)| field)
        .collect();
    assert_eq!(
        fields,
        ["/reps/0/measure/time_s", "/reps/1/rep_id", "/reps/1/skill",]
    );
}

const NOW: &str = "2026-05-04T16:00:00Z";

fn at(text: &str) -> Timestamp {
    text.parse().unwrap()
}

/// A ride of half an hour, on the server's clock.
fn began(started_at: &str, set_forward_s: f64, sent_at: &str) -> Result<String, FieldError> {
    let shift = clock::shift(at(sent_at), at(NOW));
    let start = clock::start(
        "/started_at",
        at(started_at),
        set_forward_s,
        shift,
        1_800_000,
        at(NOW),
    );
    start.map(|start| start.to_string())
}

#[rstest]
#[case::right("2026-05-04T15:00:00Z", 0.0, NOW, "2026-05-04T15:00:00Z")]
#[case::two_minutes_behind_is_near_enough(
    "2026-05-04T15:00:00Z",
    0.0,
    "2026-05-04T15:58:00Z",
    "2026-05-04T15:00:00Z"
)]
#[case::three_minutes_behind(
    "2026-05-04T15:00:00Z",
    0.0,
    "2026-05-04T15:57:00Z",
    "2026-05-04T15:03:00Z"
)]
#[case::a_year_ahead(
    "2027-05-04T15:00:00Z",
    0.0,
    "2027-05-04T16:00:00Z",
    "2026-05-04T15:00:00Z"
)]
#[case::a_year_behind(
    "2025-05-04T15:00:00Z",
    0.0,
    "2025-05-04T16:00:00Z",
    "2026-05-04T15:00:00Z"
)]
#[case::dead_battery_before_there_was_anything(
    "1970-01-01T00:00:00Z",
    0.0,
    "1970-01-01T01:00:00Z",
    "2026-05-04T15:00:00Z"
)]
#[case::set_right_in_mid_ride("1970-01-01T00:00:00Z", 1_777_906_800.0, NOW, "2026-05-04T15:00:00Z")]
#[case::set_back_in_mid_ride("2026-05-04T15:10:00Z", -600.0, NOW, "2026-05-04T15:00:00Z")]
#[case::set_back_after_the_page_was_gone("2027-05-04T15:00:00Z", 0.0, NOW, "2026-05-04T15:30:00Z")]
#[case::days_without_signal("2026-05-01T15:00:00Z", 0.0, NOW, "2026-05-01T15:00:00Z")]
fn a_ride_begins_on_the_servers_clock(
    #[case] started_at: &str,
    #[case] set_forward_s: f64,
    #[case] sent_at: &str,
    #[case] on_the_servers: &str,
) {
    assert_eq!(
        began(started_at, set_forward_s, sent_at),
        Ok(on_the_servers.to_owned())
    );
}

#[test]
fn a_start_that_nothing_puts_right_is_asked_about() {
    let error = began("1999-12-31T15:00:00Z", 0.0, NOW).unwrap_err();
    assert_eq!(error.field, "/started_at");
    assert!(
        error.detail.contains("must not be before 2020-01-01"),
        "{}",
        error.detail
    );
    assert!(
        error.detail.contains("say when the ride began"),
        "{}",
        error.detail
    );
}

#[test]
fn nothing_was_asked_after_now() {
    let start = at(NOW) - SignedDuration::from_mins(10);
    assert_eq!(
        clock::after(start, 60_000, at(NOW)),
        start + SignedDuration::from_mins(1)
    );
    assert_eq!(clock::after(start, 7_200_000, at(NOW)), at(NOW));
}

#[rstest]
#[case("Points floated.", None)]
#[case("Zwei Zügel, größer", None)]
#[case("first line\nsecond line", None)]
#[case("   ", Some("letters must be 1 to 600"))]
#[case("bell \u{7}", Some("letter 6 cannot be printed"))]
#[case("over\u{202e}turned", Some("letter 5 cannot be printed"))]
#[case("nothing\u{0}", Some("letter 8 cannot be printed"))]
fn a_text_can_be_printed(#[case] text: &str, #[case] says: Option<&str>) {
    let found = check_text(NOTE_LETTERS, "/text", text).map_err(|error| error.detail);
    match says {
        None => assert_eq!(found, Ok(())),
        Some(says) => assert!(found.unwrap_err().contains(says)),
    }
    assert_eq!(check_optional_text(NOTE_LETTERS, "/text", "  "), Ok(()));
}
