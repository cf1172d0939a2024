//! Horses: adding, rows, sheets, goals, going home, and a ride under the wrong horse.

use crate::barn::{self, Server, SetClock, TABLES, as_sent, id, level, problem, put, ride};
use serde_json::{Value, json};
use sqlx::PgPool;

const MONDAY: &str = "2026-05-04T15:00:00Z";

fn pinto() -> Value {
    json!({"name": " Pinto Bean ", "sex": "gelding", "foaled": 2021, "color": "pinto"})
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_is_added_and_changed(pool: PgPool) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let answer = trainer.post("/api/horses", &pinto()).await;
    assert_eq!(answer.status(), 201);
    let added: Value = answer.json().await.unwrap();
    let path = format!("/api/horses/{}/sheet", id(&added["horse_id"]));
    let written = trainer.json(&path).await;
    assert_eq!(written["sheet"]["name"], "Pinto Bean");
    assert_eq!(written["goals"], json!([]));
    // It can be looked at and judged at once.
    let page = trainer.json(&path.replace("/sheet", "/page")).await;
    assert_eq!(page["horse"]["age"], 5);

    let owner = server.person("owner@home").await;
    assert_eq!(owner.get(&path).await.status(), 404, "not theirs yet");
    let mut sheet = written["sheet"].clone();
    sheet["owner_id"] = json!(owner.person_id);
    sheet["markings"] = json!("Blaze, two socks behind");
    assert_eq!(put(&trainer, &path, sheet.clone()).await.status(), 204);
    assert_eq!(
        owner.json(&path).await["sheet"]["markings"],
        "Blaze, two socks behind"
    );

    for (field, value, status) in [
        ("name", json!(""), 422),
        ("name", json!("Oatcake"), 409),
        ("foaled", json!(2027), 422),
        ("foaled", json!(1960), 422),
        ("color", json!("x".repeat(41)), 422),
        ("owner_id", json!(uuid::Uuid::now_v7()), 404),
        ("program_id", json!(uuid::Uuid::now_v7()), 404),
    ] {
        let mut changed = sheet.clone();
        changed[field] = value;
        let (found, said) = problem(put(&trainer, &path, changed).await).await;
        let at = &said["errors"][0]["field"];
        assert_eq!((found, at), (status, &json!(format!("/{field}"))), "{said}");
    }
    assert_eq!(trainer.json(&path).await["sheet"], sheet);
}

#[sqlx::test(migrator = "TABLES")]
async fn several_horses_come_as_rows_all_or_none(pool: PgPool) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let send = async |text: &str, add: bool| {
        let answer = trainer
            .post("/api/horses/rows", &json!({"text": text, "add": add}))
            .await;
        assert_eq!(answer.status(), 200);
        answer.json::<Value>().await.unwrap()
    };
    let wrong =
        "name;sex;age;coat;owner\nPinto;gelding;5;pinto;The owner\nThimble;mule;x;;Nobody\n";
    let said = send(wrong, true).await;
    let at: Vec<(u64, &str)> = said["errors"]
        .as_array()
        .unwrap()
        .iter()
        .map(|error| {
            (
                error["line"].as_u64().unwrap(),
                error["column"].as_str().unwrap(),
            )
        })
        .collect();
    assert_eq!(
        at,
        [
            (3, "name"),
            (3, "sex"),
            (3, "foaled"),
            (3, "owner"),
            (3, "color")
        ]
    );
    let names = async || {
        let all = trainer.json("/api/horses").await;
        let all = all.as_array().unwrap().iter();
        all.map(|horse| horse["name"].as_str().unwrap().to_owned())
            .collect::<Vec<_>>()
    };
    assert_eq!(names().await, ["Oatcake", "Thimble"], "nothing half stored");
    let right = "name\tsex\tage\tcoat\towner\nPinto\tgelding\t5\tpinto\tThe owner\nWillow\tFilly\t2\tgrulla\t\n";
    let said = send(right, false).await;
    assert_eq!(said["errors"], json!([]));
    assert_eq!(said["horses"][1]["foaled"], 2024);
    assert_eq!(names().await.len(), 2, "only read");
    send(right, true).await;
    assert_eq!(names().await, ["Oatcake", "Pinto", "Thimble", "Willow"]);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_goes_home_and_comes_back_whole(pool: PgPool) {
    let server = Server::start(pool).await;
    barn::soft_rides(&server, server.oatcake, &[9, 7, 5, 3]).await;
    let trainer = server.person("trainer@home").await;
    let horse = format!("/api/horses/{}", server.oatcake);
    let before = trainer.json(&format!("{horse}/page")).await["levels"].clone();
    assert_eq!(
        trainer.json("/api/today").await["string"]
            .as_array()
            .unwrap()
            .len(),
        1
    );
    assert_eq!(
        trainer
            .post(&format!("{horse}/send-home"), &json!({}))
            .await
            .status(),
        204
    );
    let today = trainer.json("/api/today").await;
    assert_eq!(today["string"], json!([]));
    let board = trainer.json("/api/board").await;
    assert_eq!(board["horses"].as_array().unwrap().len(), 1);
    let all = trainer.json("/api/horses/everyone").await;
    assert!(all[0]["sent_home_at"].is_string(), "{all}");
    // What is on its way from a phone without signal is still taken.
    let late = ride(server.oatcake, 1, 2);
    assert_eq!(trainer.batch(&late).await.status(), 200);
    assert_eq!(
        trainer
            .post(&format!("{horse}/come-back"), &json!({}))
            .await
            .status(),
        204
    );
    let after = trainer.json(&format!("{horse}/page")).await["levels"].clone();
    assert_eq!(
        before.as_array().unwrap().len(),
        after.as_array().unwrap().len()
    );
    let flex = level(
        &trainer.json(&format!("{horse}/page")).await,
        "bend.flex",
        "stand",
    )["state"]
        .clone();
    assert_eq!(flex, "held");
    assert_eq!(
        trainer.json("/api/today").await["string"]
            .as_array()
            .unwrap()
            .len(),
        1
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn goals_lie_ahead_and_stay_when_their_day_has_passed(pool: PgPool) {
    let clock = SetClock::at(MONDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/goals", server.oatcake);
    let show = json!({"kind": "show", "name": "Fall jackpot", "day": "2026-09-12", "levels": []});
    let home = json!({"kind": "go_home", "name": "Goes home", "day": "2026-07-01", "levels": []});
    assert_eq!(
        put(&trainer, &path, json!([show, home])).await.status(),
        204
    );
    let sheet = format!("/api/horses/{}/sheet", server.oatcake);
    assert_eq!(
        trainer.json(&sheet).await["goals"],
        json!([home, show]),
        "soonest first"
    );
    clock.put("2026-08-01T15:00:00Z");
    let trainer = server.person("trainer@home").await;
    assert_eq!(
        put(&trainer, &path, json!([home, show])).await.status(),
        204,
        "it is kept"
    );
    let past = json!({"kind": "sale", "name": "Sale", "day": "2026-07-30"});
    let (status, said) = problem(put(&trainer, &path, json!([show, past])).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/1/day"))
    );
    assert_eq!(
        trainer.json(&sheet).await["goals"]
            .as_array()
            .unwrap()
            .len(),
        2
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_ride_on_the_wrong_horse_moves_with_its_asks(pool: PgPool) {
    let server = Server::start(pool).await;
    barn::soft_rides(&server, server.oatcake, &[9, 7, 5]).await;
    let rider = server.person("rider@home").await;
    let batch = ride(server.oatcake, 3, 5);
    assert_eq!(rider.batch(&batch).await.status(), 200);
    let trainer = server.person("trainer@home").await;
    let asked = async |who: &barn::Visitor, horse: uuid::Uuid| {
        let page = who
            .json(&format!("/api/horses/{horse}/levels/bend.flex/stand"))
            .await;
        page["judgement"]["gate"]["sides"][0]["asked"]
            .as_u64()
            .unwrap()
    };
    // Both horses are in memory, here and on another server.
    let other = server.another().await;
    let elsewhere = other.person("trainer@home").await;
    let both = [server.oatcake, server.thimble];
    for horse in both {
        asked(&trainer, horse).await;
        asked(&elsewhere, horse).await;
    }
    assert_eq!(asked(&trainer, server.oatcake).await, 20);
    let ride_id = batch["rides"][0]["ride_id"].as_str().unwrap();
    let path = format!("/api/rides/{ride_id}/horse");
    let to = json!({"horse_id": server.thimble});
    assert_eq!(put(&rider, &path, to.clone()).await.status(), 204);
    assert_eq!(
        put(&rider, &path, to).await.status(),
        204,
        "once more changes nothing"
    );
    for who in [&trainer, &elsewhere] {
        assert_eq!(asked(who, server.oatcake).await, 15);
        assert_eq!(asked(who, server.thimble).await, 5);
    }
    let history = trainer.json(&path).await;
    assert_eq!(history.as_array().unwrap().len(), 1);
    assert_eq!(
        (&history[0]["from"], &history[0]["to"], &history[0]["by"]),
        (&json!("Oatcake"), &json!("Thimble"), &json!("The rider"))
    );
    // The phone that recorded it still knows it under the other horse, and sends more.
    let mut more = as_sent(&batch, rider.person_id);
    more["rides"][0]["note"] = json!("Steady.");
    assert_eq!(rider.post("/api/batches", &more).await.status(), 200);
    let seen = trainer.json(&format!("/api/rides/{ride_id}")).await;
    assert_eq!(
        (&seen["note"], &seen["horse"]["name"]),
        (&json!("Steady."), &json!("Thimble"))
    );
    assert_eq!(asked(&trainer, server.oatcake).await, 15);
    // And back again.
    assert_eq!(
        put(&trainer, &path, json!({"horse_id": server.oatcake}))
            .await
            .status(),
        204
    );
    assert_eq!(asked(&trainer, server.oatcake).await, 20);
    assert_eq!(asked(&trainer, server.thimble).await, 0);
    let stranger = json!({"horse_id": server.stranger});
    let (status, said) = problem(put(&trainer, &path, stranger).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/horse_id"))
    );
}
