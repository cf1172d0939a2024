//! What devices send: stored whole or not at all, as often as they like.

use crate::barn::{Server, TABLES, as_sent, problem, rep, ride};
use jiff::Timestamp;
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

#[sqlx::test(migrator = "TABLES")]
async fn the_same_batch_sent_again_changes_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let batch = ride(server.oatcake, 0, 4);
    for _ in 0..3 {
        let answer = rider.batch(&batch).await;
        assert_eq!(answer.status(), StatusCode::OK);
        let stored: Value = answer.json().await.unwrap();
        assert_eq!(
            stored,
            json!({"rides": 1, "reps": 8, "soft": vec![true; 8], "clock_shifted_s": 0.0})
        );
        assert_eq!(server.stored().await, (8, 1));
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn reps_may_come_in_parts_and_any_order(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let whole = as_sent(&ride(server.oatcake, 0, 4), rider.person_id);
    let reps = whole["reps"].as_array().unwrap();
    for (rides, part) in [
        (&whole["rides"], &reps[5..]),
        (&json!([]), &reps[..3]),
        (&json!([]), &reps[2..6]),
    ] {
        let answer = rider.batch(&json!({"rides": rides, "reps": part})).await;
        assert_eq!(answer.status(), StatusCode::OK);
    }
    assert_eq!(server.stored().await, (8, 1));
}

#[sqlx::test(migrator = "TABLES")]
async fn a_rep_taken_back_is_kept_and_not_judged(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let mut batch = ride(server.oatcake, 0, 3);
    rider.batch(&batch).await;
    batch["reps"][0]["undone"] = json!(true);
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
    // A late copy from before the undo does not bring it back.
    batch["reps"][0]["undone"] = json!(false);
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
    assert_eq!(server.stored().await, (6, 1));
    let ride_id = batch["rides"][0]["ride_id"].as_str().unwrap();
    let shown = rider.json(&format!("/api/rides/{ride_id}")).await;
    assert_eq!(
        shown["blocks"][0]["strip"]["reps"]
            .as_array()
            .unwrap()
            .len(),
        5
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_finish_sent_later_is_joined_to_its_ride(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let mut batch = ride(server.oatcake, 0, 1);
    rider.batch(&batch).await;
    batch["rides"][0]["finished_at"] = json!(Timestamp::now());
    batch["reps"] = json!([]);
    rider.batch(&batch).await;
    // The first copy, late, does not open the ride again.
    batch["rides"][0]["finished_at"] = json!(null);
    rider.batch(&batch).await;
    let today = rider.json("/api/today").await;
    assert!(
        today["string"][0]["rides"][0]["finished_at"].is_string(),
        "{today}"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn bad_input_names_the_field_and_stores_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let stranger = server.stranger;
    let nobody = Uuid::now_v7();
    for (field, value, status, says) in [
        (
            "/reps/2/measure/time_s",
            json!(-0.2),
            422,
            "must be 0 to 120 s, found -0.2",
        ),
        (
            "/reps/0/skill",
            json!("bend.pretzel"),
            422,
            "bend has bend.flex",
        ),
        (
            "/reps/0/side",
            json!("middle"),
            422,
            "expected one of `left`, `right`, `both`",
        ),
        ("/reps/0/rep_id", json!("seven"), 422, "UUID parsing failed"),
        (
            "/reps/3/ride_id",
            json!(nobody),
            404,
            "send the ride with its reps",
        ),
        (
            "/rides/0/horse_id",
            json!(stranger),
            404,
            "name one of its own",
        ),
        (
            "/rides/0/horse_id",
            json!(nobody),
            404,
            "name one of its own",
        ),
    ] {
        let mut batch = as_sent(&ride(server.oatcake, 0, 3), rider.person_id);
        *batch.pointer_mut(field).unwrap() = value;
        let (found, body) = problem(rider.batch(&batch).await).await;
        assert_eq!(found, status, "{body}");
        assert_eq!(body["errors"][0]["field"], field, "{body}");
        assert!(
            body["errors"][0]["detail"].as_str().unwrap().contains(says),
            "{body}"
        );
        assert_eq!(server.stored().await, (0, 0), "{field}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn what_is_not_json_or_too_large_is_refused(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let send =
        |kind: &'static str, body: Vec<u8>| rider.send(Method::POST, "/api/batches", kind, body);
    let (status, body) = problem(
        send("application/json", b"{\"rides\": [".to_vec())
            .await
            .unwrap(),
    )
    .await;
    assert_eq!(
        (status, body["type"].as_str()),
        (400, Some("/problems/json"))
    );
    let twice = as_sent(&json!({}), rider.person_id).to_string().repeat(2);
    let (status, _) = problem(send("application/json", twice.into_bytes()).await.unwrap()).await;
    assert_eq!(status, 400);
    let (status, _) = problem(send("text/plain", b"{}".to_vec()).await.unwrap()).await;
    assert_eq!(status, 415);
    let (status, body) = problem(
        send("application/json", vec![b' '; 10_000_000])
            .await
            .unwrap(),
    )
    .await;
    assert_eq!(status, 413);
    assert!(
        body["detail"].as_str().unwrap().contains("2000 kB at most"),
        "{body}"
    );
    assert_eq!(server.stored().await, (0, 0));
}

#[sqlx::test(migrator = "TABLES")]
async fn an_id_known_with_other_content_is_a_conflict(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let batch = ride(server.oatcake, 0, 2);
    rider.batch(&batch).await;
    let mut changed = batch.clone();
    changed["reps"][1]["measure"]["time_s"] = json!(0.4);
    let ride_id: Uuid = batch["rides"][0]["ride_id"]
        .as_str()
        .unwrap()
        .parse()
        .unwrap();
    changed["reps"]
        .as_array_mut()
        .unwrap()
        .push(rep(ride_id, "left", Timestamp::now()));
    let (status, body) = problem(rider.batch(&changed).await).await;
    assert_eq!(status, 409);
    assert_eq!(body["errors"][0]["field"], "/reps/1/rep_id");
    assert_eq!(
        server.stored().await,
        (4, 1),
        "the new rep beside it was not stored"
    );
    let mut other_horse = batch.clone();
    other_horse["rides"][0]["horse_id"] = json!(server.thimble);
    let (status, body) = problem(rider.batch(&other_horse).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (409, &json!("/rides/0/ride_id"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn owners_do_not_record(pool: PgPool) {
    let server = Server::start(pool).await;
    let owner = server.person("owner@home").await;
    let (status, _) = problem(owner.batch(&ride(server.oatcake, 0, 1)).await).await;
    assert_eq!(status, 403);
    for who in ["trainer@home", "rider@home", "helper@home"] {
        let person = server.person(who).await;
        assert_eq!(
            person.batch(&ride(server.oatcake, 0, 1)).await.status(),
            200,
            "{who}"
        );
    }
}
