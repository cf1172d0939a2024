//! What people decide over HTTP: programs, overrules, care.

use crate::barn::{Server, TABLES, delete, level, problem, put, ride, soft_rides};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

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
    let note = json!({"care_id": care_id, "kind": "unlevel", "day": today, "text": "Short on the left behind."});
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
    bad["text"] = json!("x".repeat(601));
    assert_eq!(
        problem(rider.post(&path, &bad).await).await.1["errors"][0]["field"],
        "/text"
    );
    assert_eq!(
        problem(server.person("owner@home").await.post(&path, &note).await)
            .await
            .0,
        403
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn what_care_and_overrules_change_is_kept_as_what_the_judge_said(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[9, 7, 5, 3]).await;
    let rider = server.person("rider@home").await;
    let today = rider.json("/api/today").await["day"].clone();
    let note = json!({"care_id": Uuid::now_v7(), "kind": "pain", "day": today});
    let path = format!("/api/horses/{}/care", server.oatcake);
    assert_eq!(rider.post(&path, &note).await.status(), StatusCode::CREATED);
    let kept: Vec<String> = sqlx::query_scalar(
        "select verdict from kept_verdict where skill = 'bend.flex' order by known_version",
    )
    .fetch_all(&server.pool)
    .await
    .unwrap();
    assert_eq!(kept, ["stay", "advance", "check_first"]);
}

#[sqlx::test(migrator = "TABLES")]
async fn an_id_that_is_known_with_other_content_is_a_conflict(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let today = trainer.json("/api/today").await["day"].clone();
    let id = Uuid::now_v7();
    let horse = format!("/api/horses/{}", server.oatcake);
    let sent = [
        (
            "overrules",
            "/overrule_id",
            json!({"overrule_id": id, "skill": "bend.flex", "rung": "stand", "counts_as": "advance", "reason": "Seen it."}),
            "reason",
        ),
        (
            "care",
            "/care_id",
            json!({"care_id": id, "kind": "pain", "day": today, "text": "Sore."}),
            "text",
        ),
        (
            "card-blocks",
            "/block_id",
            json!({"block_id": id, "day": today, "skill": "bend.flex", "rung": "stand", "text": "Lightly."}),
            "text",
        ),
    ];
    for (address, field, body, changed) in sent {
        let path = format!("{horse}/{address}");
        assert_eq!(
            trainer.post(&path, &body).await.status(),
            StatusCode::CREATED,
            "{address}"
        );
        assert_eq!(
            trainer.post(&path, &body).await.status(),
            StatusCode::CREATED,
            "{address} again"
        );
        let mut other = body.clone();
        other[changed] = json!("Something else.");
        let (status, told) = problem(trainer.post(&path, &other).await).await;
        assert_eq!(
            (status, told["errors"][0]["field"].as_str()),
            (409, Some(field)),
            "{told}"
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_horse_on_the_hackamore_path_records_its_bosal(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let program_id = Uuid::now_v7();
    let content = json!({"name": "Bosal", "schools": {"bridle": "hackamore"}});
    trainer
        .post(
            "/api/programs",
            &json!({"program_id": program_id, "content": content}),
        )
        .await;
    let on = format!("/api/horses/{}/program", server.oatcake);
    put(&trainer, &on, json!({"program_id": program_id})).await;
    let mut batch = ride(server.oatcake, 1, 2);
    for rep in batch["reps"].as_array_mut().unwrap() {
        rep["skill"] = json!("bridle.bosal-half");
        rep["rung"] = json!("walk");
    }
    let answer = trainer.batch(&batch).await;
    assert_eq!(answer.status(), StatusCode::OK);
    let stored: Value = answer.json().await.unwrap();
    assert_eq!(stored["soft"], json!([true, true, true, true]));
    let gate = format!(
        "/api/horses/{}/levels/bridle.bosal-half/walk",
        server.oatcake
    );
    assert_eq!(
        trainer.json(&gate).await["judgement"]["gate"]["sides"][0]["asked"],
        2
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_rep_from_before_there_were_versions_can_be_taken_back(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let mut batch = ride(server.oatcake, 1, 2);
    trainer.batch(&batch).await;
    // As rows that were stored before the versions came.
    for table in ["horse", "rep"] {
        let all_old = format!("update {table} set known_version = 0");
        sqlx::query(sqlx::AssertSqlSafe(all_old))
            .execute(&server.pool)
            .await
            .unwrap();
    }
    // The server read version 1 before; one that starts now reads version 0 first.
    let again = server.another().await;
    let trainer = again.person("trainer@home").await;
    let gate = format!("/api/horses/{}/levels/bend.flex/stand", server.oatcake);
    assert_eq!(
        trainer.json(&gate).await["judgement"]["gate"]["sides"][0]["asked"],
        2
    );
    batch["reps"][0]["undone"] = json!(true);
    assert_eq!(trainer.batch(&batch).await.status(), StatusCode::OK);
    assert_eq!(
        trainer.json(&gate).await["judgement"]["gate"]["sides"][0]["asked"],
        1
    );
}
