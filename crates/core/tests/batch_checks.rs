//! What a device sends, checked before the barn is asked.

use cavesson_core::ladder::Ladder;
use cavesson_core::ride::Batch;
use jiff::Timestamp;
use rstest::rstest;
use serde_json::{Value, json};

const NOW: &str = "2026-05-04T16:00:00Z";

fn good() -> Value {
    json!({
        "rides": [{"ride_id": "01980000-0000-7000-8000-000000000001", "horse_id": "01980000-0000-7000-8000-0000000000aa",
                   "started_at": "2026-05-04T15:30:00Z", "finished_at": "2026-05-04T15:55:00Z"}],
        "reps": [{"rep_id": "01980000-0000-7000-8000-000000000002", "ride_id": "01980000-0000-7000-8000-000000000001",
                  "skill": "bend.flex", "rung": "stand", "side": "left", "asked_at": "2026-05-04T15:31:00Z",
                  "measure": {"kind": "give", "hand": "fingertip", "time_s": 1.2, "answer": "gave"}}]
    })
}

fn check(batch: Value) -> Result<(), Vec<(String, String)>> {
    let batch: Batch = serde_json::from_value(batch).unwrap();
    let now: Timestamp = NOW.parse().unwrap();
    batch.check(Ladder::shipped(), now).map_err(|errors| {
        errors
            .into_iter()
            .map(|error| (error.field, error.says))
            .collect()
    })
}

#[test]
fn a_good_batch_passes() {
    assert_eq!(check(good()), Ok(()));
}

#[test]
fn a_device_clock_may_run_two_minutes_ahead() {
    let mut batch = good();
    batch["reps"][0]["asked_at"] = json!("2026-05-04T16:02:00Z");
    assert_eq!(check(batch), Ok(()));
}

#[rstest]
#[case("/reps/0/asked_at", json!("2026-05-04T16:02:01Z"), "must not lie in the future")]
#[case("/reps/0/asked_at", json!("2019-12-31T23:59:59Z"), "must not be before 2020-01-01")]
#[case("/reps/0/measure/time_s", json!(-0.5), "must be 0 to 120 s, found -0.5")]
#[case("/reps/0/measure/time_s", json!(120.5), "must be 0 to 120 s, found 120.5")]
#[case("/reps/0/skill", json!("bend.pretzel"), "no skill \"bend.pretzel\" on this ladder; bend has bend.flex, ")]
#[case("/reps/0/rung", json!("lope"), "bend.flex is asked at stand, found lope")]
#[case("/reps/0/side", json!("both"), "bend.flex is asked left or right, found both")]
#[case("/rides/0/started_at", json!("2026-05-05T16:00:00Z"), "must not lie in the future")]
#[case("/rides/0/finished_at", json!("2026-05-04T15:00:00Z"), "must not be before started_at")]
fn what_does_not_fit_is_named(#[case] field: &str, #[case] value: Value, #[case] says: &str) {
    let mut batch = good();
    *batch.pointer_mut(field).unwrap() = value;
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
