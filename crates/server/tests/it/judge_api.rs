//! The judge over HTTP: the horse page, the board, holes and cards, every kind of
//! rep, nothing stale, live changes.

use crate::barn::{Server, TABLES, Visitor, delete, level, problem, ride, soft_rides};
use jiff::ToSpan;
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

#[sqlx::test(migrator = "TABLES")]
async fn the_horse_page_knows_every_level_and_the_one_thing_to_do_next(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[9, 7, 5, 3]).await;
    let trainer = server.person("trainer@home").await;
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(
        page["levels"].as_array().unwrap().len(),
        cavesson_core::ladder::Ladder::shipped().levels.len()
    );
    let flex = level(&page, "bend.flex", "stand");
    assert_eq!(
        (&flex["verdict"], &flex["state"]),
        (&json!("advance"), &json!("held"))
    );
    assert_eq!(
        flex["sides"][0],
        json!({"side": "left", "soft": 20, "asked": 20})
    );
    assert_eq!(level(&page, "bend.forward-circle", "walk")["state"], "open");
    assert_eq!(level(&page, "frame.poll", "stand")["state"], "closed");
    // Flexing is held; what opened above it is next.
    assert_eq!(page["next"]["level"]["track"], "bend");
    assert_eq!(page["first_asks"].as_array().unwrap().len(), 8);
    let neck: Vec<&Value> = page["soft_map"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|z| z["zone"] == "neck")
        .collect();
    assert_eq!(neck.len(), 2);
    assert_eq!(neck[0]["now"], json!({"soft": 20, "asked": 20}));
    assert_eq!(page["holes"], json!([]));
    assert_eq!(page["season"]["seen"], json!([]), "a mare");
    assert_eq!(page["program_id"], Value::Null);
}

#[sqlx::test(migrator = "TABLES")]
async fn the_board_shows_all_horses_on_all_tracks(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[4, 3, 2, 1]).await;
    let board = server.person("helper@home").await.json("/api/board").await;
    assert_eq!(board["tracks"].as_array().unwrap().len(), 11);
    let names: Vec<&str> = board["horses"]
        .as_array()
        .unwrap()
        .iter()
        .map(|h| h["horse"]["name"].as_str().unwrap())
        .collect();
    assert_eq!(names, ["Oatcake", "Thimble"]);
    let oatcake = &board["horses"][0];
    assert_eq!(oatcake["ready"][0]["skill"], "bend.flex");
    let bend = oatcake["tracks"]
        .as_array()
        .unwrap()
        .iter()
        .find(|t| t["track"] == "bend")
        .unwrap();
    assert_eq!(bend["held"], 1);
    assert_eq!(board["horses"][1]["last_ridden"], Value::Null);
    // An owner sees only their own.
    let owned = server.person("owner@home").await.json("/api/board").await;
    assert_eq!(owned["horses"].as_array().unwrap().len(), 1);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_fault_leads_to_the_hole_and_its_remedy_onto_a_card(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut batch = ride(server.oatcake, 1, 4);
    for rep in batch["reps"].as_array_mut().unwrap() {
        rep["skill"] = json!("bend.ribs");
        rep["rung"] = json!("walk");
        rep["faults"] = json!(["braced_ribs"]);
    }
    batch["rides"][0]["faults"] = json!([{"skill": "bend.ribs", "rung": "walk", "fault": "dull"}]);
    batch["rides"][0]["marks"] = json!(["wind"]);
    batch["rides"][0]["note"] = json!("Shorter tomorrow.");
    assert_eq!(trainer.batch(&batch).await.status(), StatusCode::OK);
    let path = format!("/api/horses/{}/page", server.oatcake);
    let page = trainer.json(&path).await;
    let hole = &page["holes"][0];
    let faults: Vec<&str> = hole["evidence"]
        .as_array()
        .unwrap()
        .iter()
        .map(|e| e["fault"].as_str().unwrap())
        .collect();
    assert!(faults.contains(&"braced_ribs"), "{hole}");
    assert!(
        hole["rule_out"]
            .as_array()
            .unwrap()
            .contains(&json!("girth soreness"))
    );

    let remedy = &hole["remedies"][0];
    let day = trainer.json("/api/today").await["day"].clone();
    let block = json!({"block_id": Uuid::now_v7(), "day": day, "skill": remedy["level"]["skill"],
        "rung": remedy["level"]["rung"], "side": remedy["side"], "text": remedy["text"], "fault": remedy["fault"]});
    let blocks = format!("/api/horses/{}/card-blocks", server.oatcake);
    assert_eq!(
        trainer.post(&blocks, &block).await.status(),
        StatusCode::CREATED
    );
    let card = &trainer.json(&path).await["card"];
    assert_eq!(card[0]["text"], remedy["text"]);
    let block_path = format!("/api/card-blocks/{}", block["block_id"].as_str().unwrap());
    assert_eq!(delete(&trainer, &block_path).await, StatusCode::NO_CONTENT);
    assert_eq!(trainer.json(&path).await["card"], json!([]));
    for (change, field) in [
        (json!({"day": "2021-01-01"}), "/day"),
        (json!({"text": ""}), "/text"),
        (json!({"fault": "moody"}), "/fault"),
        (json!({"skill": "bend.flax"}), "/skill"),
    ] {
        let mut bad = block.clone();
        bad.as_object_mut()
            .unwrap()
            .extend(change.as_object().unwrap().clone());
        assert_eq!(
            problem(trainer.post(&blocks, &bad).await).await.1["errors"][0]["field"],
            field
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn every_kind_of_rep_is_stored_and_comes_back_as_it_was_sent(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut batch = ride(server.oatcake, 1, 1);
    let kinds = [
        (
            "frame.poll",
            "jog",
            "both",
            json!({"kind": "give", "hand": "feather", "time_s": 0.8, "answer": "gave", "bumps": 2, "mouth": "quiet"}),
        ),
        (
            "bend.hip",
            "walk",
            "right",
            json!({"kind": "steps", "asked": 3, "clean": 2, "hurried": true}),
        ),
        (
            "stop.seat",
            "jog",
            "both",
            json!({"kind": "stop", "cue": "seat", "strides": 1.0, "off_bridle_s": null, "head": "quiet", "crept": false}),
        ),
        (
            "start.mount",
            "stand",
            "both",
            json!({"kind": "count", "count": 12}),
        ),
    ];
    let rep = batch["reps"][0].clone();
    let reps = kinds.iter().map(|(skill, rung, side, measure)| {
        let mut rep = rep.clone();
        rep["rep_id"] = json!(Uuid::now_v7());
        rep["skill"] = json!(skill);
        rep["rung"] = json!(rung);
        rep["side"] = json!(side);
        rep["measure"] = measure.clone();
        rep
    });
    batch["reps"] = reps.collect();
    let stored: Value = trainer.batch(&batch).await.json().await.unwrap();
    assert_eq!(stored["soft"], json!([true, false, false, true]));
    let shown = trainer
        .json(&format!(
            "/api/rides/{}",
            batch["rides"][0]["ride_id"].as_str().unwrap()
        ))
        .await;
    let blocks = shown["blocks"].as_array().unwrap();
    assert_eq!(blocks.len(), 4);
    for (skill, _, side, measure) in &kinds {
        let block = blocks
            .iter()
            .find(|block| block["level"]["skill"] == *skill)
            .unwrap();
        let rep = &block["strip"]["reps"][0];
        assert_eq!(rep["side"], *side);
        for (field, value) in measure.as_object().unwrap() {
            assert_eq!(&rep["measure"][field], value, "{skill} {field}");
        }
    }
    batch["reps"][1]["side"] = json!("both");
    batch["reps"][1]["rep_id"] = json!(Uuid::now_v7());
    assert_eq!(
        problem(trainer.batch(&batch).await).await.1["errors"][0]["field"],
        "/reps/1/side"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_verdict_is_never_stale_however_reps_arrive(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let gate = format!("/api/horses/{}/levels/bend.flex/stand", server.oatcake);
    let asked = async |visitor: &Visitor| {
        visitor.json(&gate).await["judgement"]["gate"]["sides"][0]["asked"].clone()
    };
    assert_eq!(asked(&trainer).await, 0);
    // Ten devices at once, each with a ride of its own.
    let mut sent = Vec::new();
    for _ in 0..10 {
        let batch = ride(server.oatcake, 1, 2);
        let device = server.person("rider@home").await;
        sent.push(tokio::spawn(async move {
            let status = device.batch(&batch).await.status();
            (status, batch)
        }));
    }
    let mut batches = Vec::new();
    for task in sent {
        let (status, batch) = task.await.unwrap();
        assert_eq!(status, StatusCode::OK);
        batches.push(batch);
    }
    // All of them are in the window of one day's rides, but for those beyond six.
    let strips = trainer.json(&format!("{gate}/strips")).await;
    let reps: usize = strips["strips"]
        .as_array()
        .unwrap()
        .iter()
        .map(|s| s["reps"].as_array().unwrap().len())
        .sum();
    assert_eq!(reps, 40);
    // A rep that is taken back is gone at once.
    let mut undone = batches.pop().unwrap();
    undone["reps"][0]["undone"] = json!(true);
    assert_eq!(trainer.batch(&undone).await.status(), StatusCode::OK);
    let strips = trainer.json(&format!("{gate}/strips")).await;
    let reps: usize = strips["strips"]
        .as_array()
        .unwrap()
        .iter()
        .map(|s| s["reps"].as_array().unwrap().len())
        .sum();
    assert_eq!(reps, 39);
}

#[sqlx::test(migrator = "TABLES")]
async fn another_device_is_told_when_reps_arrive_and_another_barn_is_not(pool: PgPool) {
    let server = Server::start(pool).await;
    let watching = server.person("helper@home").await;
    let mut events = watching.get("/api/live").await;
    assert_eq!(events.headers()["content-type"], "text/event-stream");
    let stranger = server.person("trainer@other").await;
    let mut elsewhere = stranger.get("/api/live").await;
    // The listener may still be connecting to PostgreSQL: ask until it tells.
    let rider = server.person("rider@home").await;
    let told = tokio::time::timeout(std::time::Duration::from_secs(20), async {
        loop {
            assert_eq!(
                rider.batch(&ride(server.oatcake, 1, 1)).await.status(),
                StatusCode::OK
            );
            let chunk =
                tokio::time::timeout(std::time::Duration::from_millis(500), events.chunk()).await;
            if let Ok(Ok(Some(bytes))) = chunk {
                let text = String::from_utf8(bytes.to_vec()).unwrap();
                if text.contains("event") {
                    return text;
                }
            }
        }
    })
    .await
    .unwrap();
    assert!(
        told.contains("event: horse") && told.contains(&server.oatcake.to_string()),
        "{told}"
    );
    let other =
        tokio::time::timeout(std::time::Duration::from_millis(300), elsewhere.chunk()).await;
    assert!(other.is_err(), "{other:?}");
    assert_eq!(
        problem(server.visitor().get("/api/live").await).await.0,
        401
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn what_was_seen_of_a_ride_is_said_after_it_and_taken_back(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut batch = ride(server.oatcake, 1, 4);
    batch["rides"][0]["finished_at"] = batch["rides"][0]["started_at"].clone();
    assert_eq!(trainer.batch(&batch).await.status(), StatusCode::OK);
    let ride_id = batch["rides"][0]["ride_id"].as_str().unwrap().to_owned();
    let path = format!("/api/rides/{ride_id}");
    let shown = trainer.json(&path).await;
    assert_eq!(shown["marks"], json!([]));
    let offered = shown["blocks"][0]["may_show"].as_array().unwrap();
    assert!(offered.iter().any(|chip| chip["fault"] == "roots_down"));
    // A stop has other faults than a give to one rein.
    assert!(!offered.iter().any(|chip| chip["fault"] == "creeps"));

    let chip = |fault: &str| json!({"skill": "bend.flex", "rung": "stand", "fault": fault});
    let mut say = batch["rides"][0].clone();
    say["faults"] = json!([chip("roots_down"), chip("dull")]);
    say["marks"] = json!(["wind"]);
    let said = json!({"rides": [say], "reps": []});
    // A helper says it; the ride stays the rider's.
    let helper = server.person("helper@home").await;
    assert_eq!(helper.batch(&said).await.status(), StatusCode::OK);
    let shown = trainer.json(&path).await;
    assert_eq!(shown["blocks"][0]["faults"], json!(["dull", "roots_down"]));
    assert_eq!(shown["marks"], json!(["wind"]));
    let page_path = format!("/api/horses/{}/page", server.oatcake);
    let page = trainer.json(&page_path).await;
    let seen: Vec<&str> = page["faults"]
        .as_array()
        .unwrap()
        .iter()
        .map(|fault| fault["fault"].as_str().unwrap())
        .collect();
    assert!(
        seen.contains(&"roots_down") && seen.contains(&"dull"),
        "{seen:?}"
    );

    // A device that does not say leaves it; one that says other takes its place.
    let mut quiet = batch["rides"][0].clone();
    quiet["note"] = json!("Again tomorrow.");
    let untouched = json!({"rides": [quiet], "reps": []});
    trainer.batch(&untouched).await;
    assert_eq!(
        trainer.json(&path).await["blocks"][0]["faults"],
        json!(["dull", "roots_down"])
    );
    let mut back = batch["rides"][0].clone();
    back["faults"] = json!([]);
    trainer.batch(&json!({"rides": [back], "reps": []})).await;
    assert_eq!(trainer.json(&path).await["blocks"][0]["faults"], json!([]));
    assert_eq!(trainer.json(&page_path).await["faults"], json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn today_shows_what_was_put_on_its_card(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let today = trainer.json("/api/today").await;
    assert_eq!(today["string"][0]["card"], json!([]));
    let block = json!({"block_id": Uuid::now_v7(), "day": today["day"], "skill": "bend.ribs",
        "rung": "walk", "side": "left", "text": "Roll the calf.", "fault": "braced_ribs"});
    let blocks = format!("/api/horses/{}/card-blocks", server.oatcake);
    assert_eq!(
        trainer.post(&blocks, &block).await.status(),
        StatusCode::CREATED
    );
    let card = trainer.json("/api/today").await["string"][0]["card"].clone();
    assert_eq!(card[0]["text"], "Roll the calf.");
    assert_eq!(
        card[0]["name"],
        "Gives the ribs to the inside leg, at the walk"
    );
    // Tomorrow's card is not today's.
    let other = server.thimble;
    let day = jiff::Zoned::now().date().saturating_add(30.days());
    let tomorrow = json!({"block_id": Uuid::now_v7(), "day": day, "skill": "bend.ribs",
        "rung": "walk", "side": null, "text": "Later."});
    trainer
        .post(&format!("/api/horses/{other}/card-blocks"), &tomorrow)
        .await;
    let page = trainer.json(&format!("/api/horses/{other}/page")).await;
    assert_eq!(page["card"][0]["day"], json!(day));
    assert_eq!(
        trainer.json("/api/today").await["string"][0]["card"]
            .as_array()
            .unwrap()
            .len(),
        1
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn who_is_ready_is_so_until_what_it_opens_is_begun(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[4, 3, 2, 1]).await;
    let trainer = server.person("trainer@home").await;
    let ready = trainer.json("/api/board").await["horses"][0]["ready"].clone();
    assert_eq!(ready[0]["skill"], "bend.flex");
    let mut next = ride(server.oatcake, 0, 1);
    for rep in next["reps"].as_array_mut().unwrap() {
        rep["skill"] = json!("bend.forward-circle");
        rep["rung"] = json!("walk");
        rep["measure"] = json!({"kind": "circle", "circles": 1, "soft_circles": 1, "nose_ups": 0,
            "fell_in": false, "fell_out": false, "broke_gait": false});
    }
    let stored = trainer.batch(&next).await;
    assert_eq!(stored.status(), StatusCode::OK);
    let board = trainer.json("/api/board").await;
    assert_eq!(board["horses"][0]["ready"], json!([]));
}
