//! A rep is never filed under another person, ride, level, day or order: what
//! devices send, against wrong clocks, second tabs and old applications.

use crate::barn::{Server, SetClock, TABLES, as_sent, block_id, level, problem, rep, ride};
use jiff::{SignedDuration, Timestamp};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

const NOON: &str = "2026-05-04T18:00:00Z";

#[sqlx::test(migrator = "TABLES")]
async fn a_batch_goes_out_under_its_own_person_only(pool: PgPool) {
    let server = Server::start(pool).await;
    let (rider, trainer) = (
        server.person("rider@home").await,
        server.person("trainer@home").await,
    );
    let of_rider = as_sent(&ride(server.oatcake, 0, 2), rider.person_id);
    let (status, body) = problem(trainer.batch(&of_rider).await).await;
    assert_eq!(
        (status, &body["type"]),
        (409, &json!("/problems/another-person"))
    );
    assert_eq!(body["errors"][0]["field"], "/person_id");
    assert!(
        body["detail"]
            .as_str()
            .unwrap()
            .contains("The trainer is signed in")
    );
    assert_eq!(server.stored().await, (0, 0));
    assert_eq!(rider.batch(&of_rider).await.status(), StatusCode::OK);
    assert_eq!(server.stored().await, (4, 1));
}

#[sqlx::test(migrator = "TABLES")]
async fn an_application_of_another_version_is_told_to_update(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let batch = as_sent(&ride(server.oatcake, 0, 1), rider.person_id);
    for (form, expected) in [("2", 200), ("1", 426), ("3", 426), ("two", 426)] {
        let answer = rider
            .post_with("/api/batches", &batch, &[("cavesson-batch-form", form)])
            .await;
        assert_eq!(answer.status().as_u16(), expected, "form {form}");
    }
    // An old body is not even looked at: the reason is the version, not a field.
    let old = rider
        .post_with(
            "/api/batches",
            &json!({"rides": []}),
            &[("cavesson-batch-form", "1")],
        )
        .await;
    assert_eq!(problem(old).await.1["type"], "/problems/update");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_rep_lies_in_a_block_of_its_own_level(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let mut batch = as_sent(&ride(server.oatcake, 0, 2), rider.person_id);
    let ride_id = batch["rides"][0]["ride_id"].clone();
    // Another level under the block of the first: the fault that a device had.
    batch["reps"][1]["skill"] = json!("bend.ribs");
    batch["reps"][1]["rung"] = json!("walk");
    let (status, body) = problem(rider.batch(&batch).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (422, &json!("/reps/1/block_id"))
    );
    let says = body["errors"][0]["detail"].as_str().unwrap();
    assert!(
        says.contains("is for bend.flex/stand, the rep for bend.ribs/walk"),
        "{says}"
    );
    batch["reps"][1]["block_id"] = json!(Uuid::now_v7());
    let (status, body) = problem(rider.batch(&batch).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (404, &json!("/reps/1/block_id"))
    );
    assert_eq!(server.stored().await, (0, 0));
    let second = block_id(&ride_id, &json!("bend.ribs"), &json!("walk"));
    batch["rides"][0]["blocks"]
        .as_array_mut()
        .unwrap()
        .push(json!({"block_id": second, "position": 1, "skill": "bend.ribs", "rung": "walk"}));
    batch["reps"][1]["block_id"] = json!(second);
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
    let shown = rider
        .json(&format!("/api/rides/{}", ride_id.as_str().unwrap()))
        .await;
    let blocks: Vec<(&str, usize)> = shown["blocks"]
        .as_array()
        .unwrap()
        .iter()
        .map(|block| {
            let skill = block["level"]["skill"].as_str().unwrap();
            (skill, block["strip"]["reps"].as_array().unwrap().len())
        })
        .collect();
    assert_eq!(blocks, [("bend.flex", 3), ("bend.ribs", 1)]);
    // The same block for another level is another block.
    batch["rides"][0]["blocks"][1]["skill"] = json!("bend.counter-arc");
    let (status, body) = problem(rider.batch(&batch).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (409, &json!("/rides/0/blocks/1/block_id"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn the_table_itself_refuses_a_rep_under_another_level(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    rider.batch(&ride(server.oatcake, 0, 1)).await;
    let refused = sqlx::query("update rep set skill = 'bend.ribs', rung = 'walk'")
        .execute(&server.pool)
        .await
        .unwrap_err();
    assert!(refused.to_string().contains("rep_block"), "{refused}");
}

/// A ride of four asks a minute apart, begun half an hour before it is sent at noon,
/// by a clock that is `off` and that was `set` forward during the ride.
fn ride_by(
    horse: Uuid,
    off: SignedDuration,
    set_forward_s: f64,
    sent_off: SignedDuration,
) -> Value {
    let noon: Timestamp = NOON.parse().unwrap();
    let start = noon - SignedDuration::from_mins(30) + off;
    let ride_id = Uuid::now_v7();
    let reps: Vec<Value> = (0..4)
        .map(|index| {
            let mut own = rep(ride_id, "left", start + SignedDuration::from_mins(index));
            own["asked_after_ms"] = json!(index * 60_000);
            own
        })
        .collect();
    json!({
        "sent_at": noon + sent_off,
        "rides": [{"ride_id": ride_id, "horse_id": horse, "started_at": start,
                   "set_forward_s": set_forward_s, "finished_after_ms": 1_500_000}],
        "reps": reps
    })
}

#[sqlx::test(migrator = "TABLES")]
async fn a_wrong_clock_loses_and_reorders_nothing(pool: PgPool) {
    let server = Server::start_with(pool, SetClock::at(NOON).settings()).await;
    let rider = server.person("rider@home").await;
    let year = SignedDuration::from_hours(24 * 365);
    let none = SignedDuration::ZERO;
    let set_back = -SignedDuration::from_mins(10);
    for (case, off, set, sent_off) in [
        ("right", none, 0.0, none),
        ("a year ahead", year, 0.0, year),
        ("a year behind", -year, 0.0, -year),
        (
            "a year ahead, set right in mid-ride",
            year,
            -31_536_000.0,
            none,
        ),
        ("set back ten minutes in mid-ride", none, -600.0, set_back),
    ] {
        let mut batch = ride_by(server.oatcake, off, set, sent_off);
        // A clock set back shows earlier times for later asks.
        if case.starts_with("set back") {
            for index in [2, 3] {
                let asked: Timestamp = batch["reps"][index]["asked_at"]
                    .as_str()
                    .unwrap()
                    .parse()
                    .unwrap();
                batch["reps"][index]["asked_at"] = json!(asked + set_back);
            }
        }
        let answer = rider.batch(&batch).await;
        assert_eq!(answer.status(), StatusCode::OK, "{case}");
        let stored: Value = answer.json().await.unwrap();
        let shift = stored["clock_shifted_s"].as_f64().unwrap();
        assert_eq!(shift, -sent_off.as_secs_f64(), "{case}");
        let ride_id = batch["rides"][0]["ride_id"].as_str().unwrap().to_owned();
        let shown = rider.json(&format!("/api/rides/{ride_id}")).await;
        assert_eq!(shown["started_at"], "2026-05-04T17:30:00Z", "{case}");
        assert_eq!(shown["finished_at"], "2026-05-04T17:55:00Z", "{case}");
        assert_eq!(
            shown["device_started_at"], batch["rides"][0]["started_at"],
            "{case}"
        );
        let order: Vec<&Value> = shown["blocks"][0]["strip"]["reps"]
            .as_array()
            .unwrap()
            .iter()
            .map(|rep| &rep["rep_id"])
            .collect();
        let asked: Vec<&Value> = batch["reps"]
            .as_array()
            .unwrap()
            .iter()
            .map(|rep| &rep["rep_id"])
            .collect();
        assert_eq!(order, asked, "{case}");
        // Sent again under another shift, what is known stays.
        let mut batch = batch.clone();
        batch["sent_at"] = json!(NOON);
        assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK, "{case}");
        assert_eq!(
            rider.json(&format!("/api/rides/{ride_id}")).await,
            shown,
            "{case}"
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn asks_from_before_there_was_anything_wait_for_a_time(pool: PgPool) {
    let server = Server::start_with(pool, SetClock::at(NOON).settings()).await;
    let rider = server.person("rider@home").await;
    let decades = -SignedDuration::from_hours(24 * 365 * 30);
    let mut batch = ride_by(server.oatcake, decades, 0.0, SignedDuration::ZERO);
    let (status, body) = problem(rider.batch(&batch).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (422, &json!("/rides/0/started_at"))
    );
    batch["rides"][0]["started_at"] = json!("2026-05-03T17:30:00Z");
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_ride_is_finished_after_midnight_and_opened_again(pool: PgPool) {
    // A quarter to midnight in Denver.
    let clock = SetClock::at("2026-05-05T05:45:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let rider = server.person("rider@home").await;
    let ride_id = Uuid::now_v7();
    let of_ride = |finished: Value, opened_again: u32, now: &str| {
        json!({"sent_at": now, "reps": [], "rides": [{
            "ride_id": ride_id, "horse_id": server.oatcake, "started_at": "2026-05-05T05:40:00Z",
            "finished_after_ms": finished, "opened_again": opened_again}]})
    };
    let shown = async || rider.json(&format!("/api/rides/{ride_id}")).await;
    rider
        .batch(&of_ride(json!(null), 0, "2026-05-05T05:45:00Z"))
        .await;
    clock.put("2026-05-05T06:20:00Z");
    let finish = of_ride(json!(2_100_000), 0, "2026-05-05T06:20:00Z");
    assert_eq!(rider.batch(&finish).await.status(), StatusCode::OK);
    let over = shown().await;
    assert_eq!(
        (&over["day"], &over["finished_at"]),
        (&json!("2026-05-04"), &json!("2026-05-05T06:15:00Z"))
    );
    // Opened again; the finish from before, late, does not close it.
    rider
        .batch(&of_ride(json!(null), 1, "2026-05-05T06:20:00Z"))
        .await;
    rider.batch(&finish).await;
    assert_eq!(shown().await["finished_at"], json!(null));
    rider
        .batch(&of_ride(json!(2_400_000), 1, "2026-05-05T06:20:00Z"))
        .await;
    assert_eq!(shown().await["finished_at"], "2026-05-05T06:20:00Z");
}

#[sqlx::test(migrator = "TABLES")]
async fn an_ask_taken_back_can_be_brought_back(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let whole = as_sent(&ride(server.oatcake, 0, 3), rider.person_id);
    rider.batch(&whole).await;
    let path = format!("/api/horses/{}/page", server.oatcake);
    let asked = async || {
        let page = rider.json(&path).await;
        let sides = level(&page, "bend.flex", "stand")["sides"].clone();
        (
            sides[0]["asked"].as_u64().unwrap(),
            sides[1]["asked"].as_u64().unwrap(),
        )
    };
    assert_eq!(asked().await, (3, 3));
    let say = async |undone: bool, changes: u32| {
        let mut batch = whole.clone();
        batch["reps"] = json!([batch["reps"][0]]);
        batch["reps"][0]["undone"] = json!(undone);
        batch["reps"][0]["changes"] = json!(changes);
        assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
    };
    say(true, 1).await;
    assert_eq!(asked().await, (2, 3));
    say(false, 2).await;
    assert_eq!(asked().await, (3, 3));
    // The undo, late, is not the latest word.
    say(true, 1).await;
    assert_eq!(asked().await, (3, 3));
    say(true, 3).await;
    assert_eq!(asked().await, (2, 3));
}
