//! The card of a horse's ride over the API.

use crate::barn::{Server, TABLES, delete, problem, put, ride, soft_rides};
use cavesson_core::calc::find;
use serde_json::{Value, json};
use sqlx::PgPool;

async fn card(server: &Server, sign_in: &str, day: &Value) -> reqwest::Response {
    let path = format!("/api/horses/{}/card", server.oatcake);
    server.person(sign_in).await.post(&path, day).await
}

#[sqlx::test(migrator = "TABLES")]
async fn the_device_builds_the_card_the_server_builds(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[9, 6, 4, 2]).await;
    let wren = server.person("trainer@home").await;
    put(
        &wren,
        &format!("/api/horses/{}/traits", server.oatcake),
        json!({"traits": ["hot", "looks_about"]}),
    )
    .await;
    let pack = wren
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    assert_eq!(pack["day"]["traits"], json!(["looks_about", "hot"]));
    let mut day = pack["day"].clone();
    day["minutes"] = json!(50);
    day["helper"] = json!(true);
    let of_server: Value = card(&server, "trainer@home", &day)
        .await
        .json()
        .await
        .unwrap();
    let horse = json!({
        "program": pack["program"], "reps": pack["reps"], "context": pack["context"],
        "date": pack["date"],
    });
    let of_device = (find("card").unwrap().run)(json!({"horse": horse, "day": day})).unwrap();
    assert_eq!(of_server, of_device["card"]);
    assert!(
        of_server["blocks"].as_array().unwrap().len() > 3,
        "{of_server}"
    );
    assert!(of_server["minutes"].as_u64() <= Some(50));
}

#[sqlx::test(migrator = "TABLES")]
async fn what_the_trainer_puts_on_the_card_is_on_it_today(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    let pack = wren
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    let block = uuid::Uuid::now_v7();
    let path = format!("/api/horses/{}/card-blocks", server.oatcake);
    let said = json!({
        "block_id": block, "day": pack["date"], "skill": "start.touch", "rung": "stand",
        "side": null, "text": "Flag over the back, both sides.",
    });
    assert_eq!(wren.post(&path, &said).await.status(), 201);
    let pack = wren
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    let planned = &pack["day"]["planned"];
    assert_eq!(planned[0]["text"], "Flag over the back, both sides.");
    let built: Value = card(&server, "trainer@home", &pack["day"])
        .await
        .json()
        .await
        .unwrap();
    let asked = built["blocks"].as_array().unwrap().iter();
    let touched = asked
        .clone()
        .find(|block| block["name"].as_str().unwrap().contains("stick, flag"));
    assert!(touched.is_some(), "{built}");
    delete(&wren, &format!("/api/card-blocks/{block}")).await;
    let pack = wren
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    assert_eq!(pack["day"]["planned"], json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn how_long_it_took_to_be_quiet_is_kept_with_the_ride(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    for (days_ago, seconds) in [(3, 480), (2, 240)] {
        let mut batch = ride(server.oatcake, days_ago, 3);
        batch["rides"][0]["quiet_after_s"] = json!(seconds);
        assert_eq!(wren.batch(&batch).await.status(), 200);
        // A device that does not say leaves it as it was.
        batch["rides"][0]["quiet_after_s"] = Value::Null;
        assert_eq!(wren.batch(&batch).await.status(), 200);
    }
    let pack = wren
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    assert_eq!(pack["day"]["quiet_min"], json!([8.0, 4.0]));
    let mut batch = ride(server.oatcake, 1, 3);
    batch["rides"][0]["quiet_after_s"] = json!(-1);
    let (status, said) = problem(wren.batch(&batch).await).await;
    assert_eq!(status, 422);
    assert_eq!(said["errors"][0]["field"], "/rides/0/quiet_after_s");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_day_that_cannot_be_is_refused_by_its_field(pool: PgPool) {
    let server = Server::start(pool).await;
    for (day, field) in [
        (json!({"minutes": 5}), "/minutes"),
        (json!({"humidity_pct": 130.0}), "/humidity_pct"),
        (
            json!({"aim": {"skill": "bend.flex", "rung": "lope"}}),
            "/aim/rung",
        ),
        (
            json!({"planned": [{"level": {"skill": "no.such", "rung": "walk"}}]}),
            "/planned/0/level/skill",
        ),
    ] {
        let (status, said) = problem(card(&server, "trainer@home", &day).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let wren = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/traits", server.oatcake);
    let refused = put(&wren, &path, json!({"traits": ["sings"]})).await;
    assert_eq!(refused.status(), 422);
    let stranger = format!("/api/horses/{}/card", server.stranger);
    assert_eq!(wren.post(&stranger, &json!({})).await.status(), 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn an_owner_reads_the_card_and_does_not_change_the_horse(pool: PgPool) {
    let server = Server::start(pool).await;
    assert_eq!(card(&server, "owner@home", &json!({})).await.status(), 200);
    let odell = server.person("owner@home").await;
    let path = format!("/api/horses/{}/traits", server.oatcake);
    assert_eq!(
        put(&odell, &path, json!({"traits": []})).await.status(),
        403
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn today_names_the_parts_of_each_card(pool: PgPool) {
    let server = Server::start(pool).await;
    let today = server.person("trainer@home").await.json("/api/today").await;
    for horse in today["string"].as_array().unwrap() {
        let parts = horse["parts"].as_array().unwrap();
        assert_eq!(parts.last().unwrap()["part"], "walk_out", "{parts:?}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn how_a_ride_ended_and_what_it_was_ridden_in_is_kept(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    let mut batch = ride(server.oatcake, 2, 3);
    batch["rides"][0]["ended"] = json!("good_one");
    batch["rides"][0]["mood"] = json!("willing");
    batch["rides"][0]["note"] = json!("Start with the right side.");
    batch["rides"][0]["rigs"] = json!([
        {"after_ms": 600_000, "kind": "bosal", "name": ""},
        {"after_ms": 0, "kind": "snaffle", "name": "The old one"},
    ]);
    assert_eq!(wren.batch(&batch).await.status(), 200);
    // A device that does not say leaves it as it was.
    for said in ["ended", "mood", "note", "rigs"] {
        batch["rides"][0][said] = Value::Null;
    }
    assert_eq!(wren.batch(&batch).await.status(), 200);
    let ride_id = batch["rides"][0]["ride_id"].as_str().unwrap().to_owned();
    let shown = wren.json(&format!("/api/rides/{ride_id}")).await;
    assert_eq!(
        (&shown["ended"], &shown["mood"]),
        (&json!("good_one"), &json!("willing"))
    );
    assert_eq!(shown["rigs"][0]["name"], "The old one");
    assert_eq!(shown["rigs"][1]["kind"], "bosal");

    // The helper's device knows only the change it made itself.
    batch["rides"][0]["rigs"] = json!([{"after_ms": 900_000, "kind": "halter"}]);
    assert_eq!(wren.batch(&batch).await.status(), 200);
    let shown = wren.json(&format!("/api/rides/{ride_id}")).await;
    let kinds = shown["rigs"].as_array().unwrap().iter();
    let kinds: Vec<&str> = kinds.map(|rig| rig["kind"].as_str().unwrap()).collect();
    assert_eq!(kinds, ["snaffle", "bosal", "halter"]);
    let pack = wren
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    assert_eq!(pack["last_note"]["text"], "Start with the right side.");

    batch["rides"][0]["rigs"] = json!([
        {"after_ms": 0, "kind": "halter"}, {"after_ms": 0, "kind": "bosal"},
    ]);
    let (status, said) = problem(wren.batch(&batch).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/rides/0/rigs/1/after_ms"))
    );
}
