//! The judge over HTTP: the horse page, the board, programs, overrules, care,
//! card blocks, live changes.

mod barn;

use barn::{Server, TABLES, Visitor, problem, ride};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// Soft rides of five asks a side, so many days ago.
async fn soft_rides(server: &Server, horse: Uuid, days_ago: &[i64]) {
    let trainer = server.person("trainer@home").await;
    for days in days_ago {
        let answer = trainer.post("/api/batches", &ride(horse, *days, 5)).await;
        assert_eq!(answer.status(), StatusCode::OK);
    }
}

async fn put(visitor: &Visitor, path: &str, body: Value) -> reqwest::Response {
    visitor
        .send(
            Method::PUT,
            path,
            "application/json",
            body.to_string().into_bytes(),
        )
        .await
        .unwrap()
}

async fn delete(visitor: &Visitor, path: &str) -> StatusCode {
    visitor
        .send(Method::DELETE, path, "application/json", Vec::new())
        .await
        .unwrap()
        .status()
}

fn level<'a>(page: &'a Value, skill: &str, rung: &str) -> &'a Value {
    page["levels"]
        .as_array()
        .unwrap()
        .iter()
        .find(|level| level["level"]["skill"] == skill && level["level"]["rung"] == rung)
        .unwrap()
}

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
async fn a_program_is_changed_version_by_version_and_the_preview_says_what_it_does(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[9, 7, 5, 3]).await;
    let trainer = server.person("trainer@home").await;
    let program_id = Uuid::now_v7();
    let strict = json!({"name": "Slow and sure", "gates": [{"skill": "bend.flex", "gate": {"least_days": 6}}]});
    let preview = trainer
        .post(
            "/api/programs/preview",
            &json!({"content": strict, "horses": [server.oatcake]}),
        )
        .await;
    let preview: Value = preview.json().await.unwrap();
    let flex = preview["changes"]
        .as_array()
        .unwrap()
        .iter()
        .find(|c| c["level"]["skill"] == "bend.flex")
        .unwrap();
    assert_eq!(
        (&flex["verdict_now"], &flex["verdict_then"]),
        (&json!("advance"), &json!("confirm"))
    );
    assert_eq!(flex["horse"], "Oatcake");

    let plain = json!({"name": "Slow and sure"});
    let made = trainer
        .post(
            "/api/programs",
            &json!({"program_id": program_id, "content": plain}),
        )
        .await;
    assert_eq!(made.status(), StatusCode::CREATED);
    let on = put(
        &trainer,
        &format!("/api/horses/{}/program", server.oatcake),
        json!({"program_id": program_id}),
    )
    .await;
    assert_eq!(on.status(), StatusCode::NO_CONTENT);
    let path = format!("/api/programs/{program_id}");
    let gate = format!("/api/horses/{}/levels/bend.flex/stand", server.oatcake);
    assert_eq!(trainer.json(&gate).await["program_version"], 1);
    let changed = put(
        &trainer,
        &path,
        json!({"from_version": 1, "content": strict}),
    )
    .await;
    assert_eq!(changed.status(), StatusCode::NO_CONTENT);
    let judged = trainer.json(&gate).await;
    assert_eq!(
        (&judged["program_version"], &judged["judgement"]["verdict"]),
        (&json!(2), &json!("confirm"))
    );
    assert_eq!(judged["gate"]["least_days"], 6);

    // Somebody else changed it meanwhile.
    let (status, body) = problem(
        put(
            &trainer,
            &path,
            json!({"from_version": 1, "content": plain}),
        )
        .await,
    )
    .await;
    assert_eq!(
        (status, body["errors"][0]["field"].as_str()),
        (409, Some("/from_version"))
    );
    // Undo is a new version with the old content.
    put(
        &trainer,
        &path,
        json!({"from_version": 2, "content": plain}),
    )
    .await;
    assert_eq!(trainer.json(&gate).await["judgement"]["verdict"], "advance");
    let program = trainer.json(&path).await;
    let versions: Vec<i64> = program["versions"]
        .as_array()
        .unwrap()
        .iter()
        .map(|v| v["version"].as_i64().unwrap())
        .collect();
    assert_eq!(versions, [3, 2, 1]);

    // Kept verdicts keep the versions they were made with.
    let kept: Vec<(String, Option<i32>)> = sqlx::query_as(
        "select verdict, program_version from kept_verdict where skill = 'bend.flex' order by known_version",
    )
    .fetch_all(&server.pool)
    .await
    .unwrap();
    let kept: Vec<(&str, Option<i32>)> = kept.iter().map(|(v, p)| (v.as_str(), *p)).collect();
    assert_eq!(
        kept,
        [
            ("stay", None),
            ("advance", None),
            ("confirm", Some(2)),
            ("advance", Some(3))
        ]
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn only_trainers_decide_and_bad_programs_are_named(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let new = |content: Value| json!({"program_id": Uuid::now_v7(), "content": content});
    for sign_in in ["rider@home", "helper@home", "owner@home"] {
        let answer = server
            .person(sign_in)
            .await
            .post("/api/programs", &new(json!({"name": "Mine"})))
            .await;
        assert_eq!(problem(answer).await.0, 403, "{sign_in}");
    }
    for (content, field) in [
        (json!({"name": " "}), "/content/name"),
        (
            json!({"name": "A", "gates": [{"skill": "bend.flex", "gate": {"soft_share": 7}}]}),
            "/content/gates/0/gate/soft_share",
        ),
        (
            json!({"name": "A", "schools": {"bridle": "rope"}}),
            "/content/schools",
        ),
    ] {
        let (status, body) = problem(trainer.post("/api/programs", &new(content)).await).await;
        assert_eq!(
            (status, body["errors"][0]["field"].as_str()),
            (422, Some(field)),
            "{body}"
        );
    }
    assert_eq!(trainer.json("/api/programs").await, json!([]));
    let horse = format!("/api/horses/{}/program", server.oatcake);
    assert_eq!(
        problem(put(&trainer, &horse, json!({"program_id": Uuid::now_v7()})).await)
            .await
            .0,
        404
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn an_overrule_counts_is_listed_with_its_outcome_and_can_be_taken_back(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[9]).await;
    let trainer = server.person("trainer@home").await;
    let id = Uuid::now_v7();
    let path = format!("/api/horses/{}/overrules", server.oatcake);
    let body = json!({"overrule_id": id, "skill": "bend.flex", "rung": "stand", "counts_as": "advance", "reason": "Ridden by its breeder for a year."});
    assert_eq!(
        trainer.post(&path, &body).await.status(),
        StatusCode::CREATED
    );
    assert_eq!(
        trainer.post(&path, &body).await.status(),
        StatusCode::CREATED,
        "the same again is the same"
    );
    let page = format!("/api/horses/{}/page", server.oatcake);
    assert_eq!(
        level(&trainer.json(&page).await, "bend.flex", "stand")["state"],
        "overruled"
    );
    assert_eq!(
        level(&trainer.json(&page).await, "bend.forward-circle", "walk")["state"],
        "open"
    );
    let outcomes = trainer.json("/api/outcomes").await;
    let told = &outcomes["overrules"][0];
    assert_eq!(told["made_by"], "The trainer");
    assert_eq!(
        told["overrule"]["reason"],
        "Ridden by its breeder for a year."
    );
    assert_eq!(told["outcome"], "too_early");
    assert_eq!(
        delete(&trainer, &format!("/api/overrules/{id}")).await,
        StatusCode::NO_CONTENT
    );
    assert_eq!(
        level(&trainer.json(&page).await, "bend.forward-circle", "walk")["state"],
        "closed"
    );
    assert_eq!(
        trainer.json("/api/outcomes").await["overrules"][0]["withdrawn"],
        true
    );
    assert_eq!(
        delete(&trainer, &format!("/api/overrules/{id}")).await,
        StatusCode::NOT_FOUND
    );

    for (change, field) in [
        (json!({"reason": "  "}), "/reason"),
        (json!({"counts_as": "stay"}), "/counts_as"),
        (json!({"rung": "lope"}), "/rung"),
    ] {
        let mut bad = body.clone();
        bad["overrule_id"] = json!(Uuid::now_v7());
        bad.as_object_mut()
            .unwrap()
            .extend(change.as_object().unwrap().clone());
        let (status, body) = problem(trainer.post(&path, &bad).await).await;
        assert_eq!(
            (status, body["errors"][0]["field"].as_str()),
            (422, Some(field)),
            "{body}"
        );
    }
    let rider = server.person("rider@home").await;
    assert_eq!(problem(rider.post(&path, &body).await).await.0, 403);
    let stranger = server.person("trainer@other").await;
    assert_eq!(problem(stranger.post(&path, &body).await).await.0, 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_that_came_with_it_stands_on_all_of_it_at_once(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/overrules", server.thimble);
    let body = json!({"overrule_id": Uuid::now_v7(), "skill": "stop.seat", "rung": "walk", "counts_as": "advance",
        "reason": "Came with it.", "with_all_under_it": true});
    assert_eq!(
        trainer.post(&path, &body).await.status(),
        StatusCode::CREATED
    );
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.thimble))
        .await;
    for (skill, rung) in [
        ("stop.seat", "walk"),
        ("frame.back", "stand"),
        ("frame.poll", "walk"),
        ("bend.flex", "stand"),
        ("start.bend-ground", "stand"),
    ] {
        assert_eq!(level(&page, skill, rung)["state"], "overruled", "{skill}");
    }
    assert_eq!(
        level(&page, "stop.seat", "jog")["state"],
        "closed",
        "the poll at the jog is not under it"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn care_comes_first_until_it_is_cleared(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[9, 7, 5, 3]).await;
    let rider = server.person("rider@home").await;
    let care_id = Uuid::now_v7();
    let path = format!("/api/horses/{}/care", server.oatcake);
    let today = rider.json("/api/today").await["day"].clone();
    let note = json!({"care_id": care_id, "kind": "unlevel", "day": today, "says": "Short on the left behind."});
    assert_eq!(rider.post(&path, &note).await.status(), StatusCode::CREATED);
    let page = format!("/api/horses/{}/page", server.oatcake);
    let flagged = rider.json(&page).await;
    assert_eq!(
        level(&flagged, "bend.flex", "stand")["verdict"],
        "check_first"
    );
    assert_eq!(flagged["next"]["verdict"], "check_first");
    assert!(
        flagged["cautions"][0]
            .as_str()
            .unwrap()
            .contains("a vet or farrier")
    );
    let cleared = put(
        &rider,
        &format!("/api/care/{care_id}"),
        json!({"cleared": true}),
    )
    .await;
    assert_eq!(cleared.status(), StatusCode::NO_CONTENT);
    assert_eq!(
        level(&rider.json(&page).await, "bend.flex", "stand")["verdict"],
        "advance"
    );

    let mut bad = note.clone();
    bad["care_id"] = json!(Uuid::now_v7());
    bad["day"] = json!("2999-01-01");
    assert_eq!(
        problem(rider.post(&path, &bad).await).await.1["errors"][0]["field"],
        "/day"
    );
    bad["day"] = today;
    bad["says"] = json!("x".repeat(601));
    assert_eq!(
        problem(rider.post(&path, &bad).await).await.1["errors"][0]["field"],
        "/says"
    );
    assert_eq!(
        problem(server.person("owner@home").await.post(&path, &note).await)
            .await
            .0,
        403
    );
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
    assert_eq!(
        trainer.post("/api/batches", &batch).await.status(),
        StatusCode::OK
    );
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
        "rung": remedy["level"]["rung"], "side": remedy["side"], "says": remedy["says"], "fault": remedy["fault"]});
    let blocks = format!("/api/horses/{}/card-blocks", server.oatcake);
    assert_eq!(
        trainer.post(&blocks, &block).await.status(),
        StatusCode::CREATED
    );
    let card = &trainer.json(&path).await["card"];
    assert_eq!(card[0]["says"], remedy["says"]);
    let block_path = format!("/api/card-blocks/{}", block["block_id"].as_str().unwrap());
    assert_eq!(delete(&trainer, &block_path).await, StatusCode::NO_CONTENT);
    assert_eq!(trainer.json(&path).await["card"], json!([]));
    for (change, field) in [
        (json!({"day": "2021-01-01"}), "/day"),
        (json!({"says": ""}), "/says"),
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
    let stored: Value = trainer
        .post("/api/batches", &batch)
        .await
        .json()
        .await
        .unwrap();
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
        problem(trainer.post("/api/batches", &batch).await).await.1["errors"][0]["field"],
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
            let status = device.post("/api/batches", &batch).await.status();
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
    assert_eq!(
        trainer.post("/api/batches", &undone).await.status(),
        StatusCode::OK
    );
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
                rider
                    .post("/api/batches", &ride(server.oatcake, 1, 1))
                    .await
                    .status(),
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
