//! Films as marks over HTTP, and rides that were logged from one.

use crate::barn::{Server, TABLES, Visitor, answered, delete, id, problem, put, ride};
use jiff::{SignedDuration, Timestamp};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

fn sheet() -> Value {
    json!({
        "name": "Tuesday, second run", "day": "2026-05-05",
        "films": [{"name": "rail.webm", "length_s": 30.0, "frame_s": 0.04, "width_px": 1280.0, "height_px": 720.0}],
        "tie": null,
        "marks": [{"film": 0, "at_s": 2.0, "mark": {"kind": "line_in"}},
            {"film": 0, "at_s": 6.0, "mark": {"kind": "spot", "barrel": 1, "spot": 2}},
            {"film": 0, "at_s": 6.2, "mark": {"kind": "hoof_beat"}}],
        "known": [{"film": 0, "name": "barrel 1", "seen": [200.0, 300.0], "ground": [110.0, 105.0]}],
        "track": [{"film": 0, "at_s": 6.0, "seen": [220.0, 340.0]}],
        "course_id": null, "ride_id": null,
    })
}

async fn tapes(visitor: &Visitor, horse: Uuid) -> Value {
    visitor.json(&format!("/api/horses/{horse}/tapes")).await
}

#[sqlx::test(migrator = "TABLES")]
async fn marks_come_back_as_they_were_kept_until_they_are_taken_out(pool: PgPool) {
    let server = Server::start(pool).await;
    let helper = server.person("helper@home").await;
    let path = format!("/api/tapes/{}", Uuid::now_v7());
    let kept = json!({"horse_id": server.oatcake, "sheet": sheet()});
    assert_eq!(put(&helper, &path, kept.clone()).await.status(), 204);
    let found = tapes(&helper, server.oatcake).await;
    assert_eq!(found[0]["sheet"], sheet());
    let mut more = kept.clone();
    more["sheet"]["marks"].as_array_mut().unwrap().pop();
    assert_eq!(put(&helper, &path, more.clone()).await.status(), 204);
    let found = tapes(&helper, server.oatcake).await;
    assert_eq!(
        found[0]["sheet"], more["sheet"],
        "the later in the place of the first"
    );
    assert_eq!(found.as_array().unwrap().len(), 1);
    assert_eq!(delete(&helper, &path).await, 204);
    assert_eq!(delete(&helper, &path).await, 404);
    assert_eq!(tapes(&helper, server.oatcake).await, json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn a_tape_that_cannot_be_is_refused_by_field(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/tapes/{}", Uuid::now_v7());
    let with = |pointer: &str, value: Value| {
        let mut sheet = sheet();
        *sheet.pointer_mut(pointer).unwrap() = value;
        json!({"horse_id": server.oatcake, "sheet": sheet})
    };
    for (pointer, value, field) in [
        ("/films", json!([]), "/sheet/films"),
        ("/films/0/frame_s", json!(0), "/sheet/films/0/frame_s"),
        ("/marks/0/at_s", json!(31), "/sheet/marks/0/at_s"),
        (
            "/marks/2/mark",
            json!({"kind": "line_in"}),
            "/sheet/marks/2/mark",
        ),
        ("/known/0/film", json!(1), "/sheet/known/0/film"),
    ] {
        let (status, said) = problem(put(&trainer, &path, with(pointer, value)).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let nowhere = with("/course_id", json!(Uuid::now_v7()));
    assert_eq!(put(&trainer, &path, nowhere).await.status(), 404);
    let stranger = server.person("trainer@other").await;
    let kept = json!({"horse_id": server.oatcake, "sheet": sheet()});
    assert_eq!(
        put(&stranger, &path, kept).await.status(),
        404,
        "another barn's horse"
    );
    assert_eq!(tapes(&trainer, server.oatcake).await, json!([]));
}

fn from_tape(horse: Uuid, rider: &Value) -> Value {
    let mut batch = ride(horse, 3, 2);
    batch["rides"][0]["from_tape"] = json!({"rider_id": rider});
    batch
}

#[sqlx::test(migrator = "TABLES")]
async fn a_ride_from_tape_is_that_of_who_rides_in_the_film(pool: PgPool) {
    let server = Server::start(pool).await;
    let helper = server.person("helper@home").await;
    let people = helper.json("/api/people").await;
    let rider = people
        .as_array()
        .unwrap()
        .iter()
        .find(|person| person["role"] == "rider")
        .unwrap()
        .clone();
    let batch = from_tape(server.oatcake, &rider["person_id"]);
    let (status, said) = answered(helper.batch(&batch).await).await;
    assert_eq!(status, 200, "{said}");
    let ride_id = id(&batch["rides"][0]["ride_id"]);
    let found = helper.json(&format!("/api/rides/{ride_id}")).await;
    assert_eq!(
        (&found["from_tape"], &found["rider"]),
        (&json!(true), &rider["name"])
    );
    let helper_name = people
        .as_array()
        .unwrap()
        .iter()
        .find(|person| person["role"] == "helper")
        .unwrap()["name"]
        .clone();
    assert_eq!(
        found["timeline"][0]["recorded_by"], helper_name,
        "who logged it is kept"
    );
    // Asks of a film are judged as any others.
    assert_eq!(said["soft"], json!([true, true, true, true]));
    let other = ride(server.oatcake, 2, 1);
    assert_eq!(helper.batch(&other).await.status(), 200);
    let path = format!("/api/rides/{}", id(&other["rides"][0]["ride_id"]));
    assert_eq!(helper.json(&path).await["from_tape"], false);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_stranger_in_the_film_is_refused_and_nothing_is_stored(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let before = server.stored().await;
    let batch = from_tape(server.oatcake, &json!(Uuid::now_v7()));
    let (status, said) = problem(trainer.batch(&batch).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/rides/0/from_tape/rider_id")),
        "{said}"
    );
    assert_eq!(server.stored().await, before);
}

/// The device's clock is five hours off; when the film was made was typed by a person.
#[sqlx::test(migrator = "TABLES")]
async fn a_wrong_clock_of_the_desk_does_not_move_the_film(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let who = trainer.json("/api/session").await;
    let mut batch = from_tape(server.oatcake, &who["person_id"]);
    batch["sent_at"] = json!(Timestamp::now() + SignedDuration::from_hours(5));
    let (status, said) = answered(trainer.batch(&batch).await).await;
    assert_eq!(status, 200, "{said}");
    let path = format!("/api/rides/{}", id(&batch["rides"][0]["ride_id"]));
    let started: Timestamp =
        serde_json::from_value(trainer.json(&path).await["started_at"].clone()).unwrap();
    let said: Timestamp = serde_json::from_value(batch["rides"][0]["started_at"].clone()).unwrap();
    assert!(
        started.duration_since(said).abs() < SignedDuration::from_secs(1),
        "{started} {said}"
    );
}
