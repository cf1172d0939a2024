//! What owners see: a link shows one horse and nothing else, ends, and can be taken back;
//! reports are written, edited, sent, taken back; notes are shown when they were chosen.

use crate::barn::{Server, SetClock, TABLES, Visitor, delete, id, problem, put, rep};
use jiff::{SignedDuration, Timestamp};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

const FRIDAY: &str = "2026-05-29T15:00:00Z";

/// A ride that began then, with so many soft asks on each side, and a closing line.
async fn ridden(by: &Visitor, horse: Uuid, began: &str, a_side: i64, note: &str) {
    let began: Timestamp = began.parse().unwrap();
    let ride_id = Uuid::now_v7();
    let after = |seconds: i64| began + SignedDuration::from_secs(seconds);
    let reps: Vec<Value> = (0..2 * a_side)
        .map(|at| {
            rep(
                ride_id,
                if at % 2 == 0 { "left" } else { "right" },
                after(15 * at),
            )
        })
        .collect();
    let batch = json!({
        "sent_at": FRIDAY,
        "rides": [{
            "ride_id": ride_id, "horse_id": horse, "started_at": began,
            "finished_at": after(40 * 60), "note": note,
        }],
        "reps": reps,
    });
    let answer = by.batch(&batch).await;
    assert_eq!(answer.status(), 200, "{}", answer.text().await.unwrap());
}

async fn barn_of_may(pool: PgPool) -> (SetClock, Server, Visitor) {
    let clock = SetClock::at(FRIDAY);
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let rider = server.person("rider@home").await;
    let (oatcake, thimble) = (server.oatcake, server.thimble);
    ridden(&trainer, oatcake, "2026-04-20T15:00:00Z", 3, "").await;
    ridden(
        &rider,
        oatcake,
        "2026-05-05T15:00:00Z",
        4,
        "Quiet at the gate.",
    )
    .await;
    ridden(
        &trainer,
        oatcake,
        "2026-05-12T15:00:00Z",
        5,
        "Cross with Thimble.",
    )
    .await;
    ridden(&rider, thimble, "2026-05-12T17:00:00Z", 9, "").await;
    (clock, server, trainer)
}

async fn link(trainer: &Visitor, horse: Uuid, days: u16) -> (String, Uuid) {
    let path = format!("/api/horses/{horse}/links");
    let answer = trainer
        .post(&path, &json!({"for_whom": "Mom", "days": days}))
        .await;
    assert_eq!(answer.status(), 201);
    let made: Value = answer.json().await.unwrap();
    (
        made["word"].as_str().unwrap().to_owned(),
        id(&made["link_id"]),
    )
}

async fn opened(server: &Server, word: &str) -> (u16, String) {
    let answer = server
        .visitor()
        .post("/api/horse-links/open", &json!({"word": word}))
        .await;
    (answer.status().as_u16(), answer.text().await.unwrap())
}

#[sqlx::test(migrator = "TABLES")]
async fn a_link_shows_its_horse_and_nothing_of_others(pool: PgPool) {
    let (_clock, server, trainer) = barn_of_may(pool).await;
    let (word, link_id) = link(&trainer, server.oatcake, 30).await;
    let (status, text) = opened(&server, &word).await;
    assert_eq!(status, 200, "{text}");
    let seen: Value = serde_json::from_str(&text).unwrap();
    assert_eq!(seen["horse"]["name"], "Oatcake");
    assert_eq!(seen["barn"], "The home barn");
    let month = &seen["told"]["month"];
    assert_eq!(
        month["ridden"],
        json!({"rides": 2, "days": 2, "minutes": 80, "untimed": 0, "load": month["ridden"]["load"]})
    );
    assert_eq!(month["ridden_before"]["rides"], 1);
    assert_eq!(month["worked"][0]["asks"], json!({"soft": 18, "asked": 18}));
    assert_eq!(month["sides"]["left"], json!({"soft": 9, "asked": 9}));
    assert!(
        seen["sections"][0]["text"].as_str().unwrap().starts_with(
            "Oatcake was ridden twice in May until the 29th, 1 hour 20 minutes in all. In April: 1 ride, 40 minutes."
        ),
        "{}", seen["sections"]
    );
    for hidden in [
        "Thimble",
        "Stranger",
        "The trainer",
        "The rider",
        "The owner",
        "Quiet at",
        "rider_id",
        "word",
    ] {
        assert!(!text.contains(hidden), "{hidden} in {text}");
    }
    // Only a hash of the word is kept.
    let kept: Vec<u8> = sqlx::query_scalar("select word_hash from horse_link")
        .fetch_one(&server.pool)
        .await
        .unwrap();
    assert!(kept.len() == 32 && kept != word.as_bytes());
    let list = format!("/api/horses/{}/links", server.oatcake);
    let links = trainer.json(&list).await;
    assert_eq!(
        (&links[0]["for_whom"], &links[0]["expired"]),
        (&json!("Mom"), &json!(false))
    );
    assert!(links[0]["opened_at"].is_string());
    // The pages of the barn stay shut.
    assert_eq!(server.visitor().get("/api/horses").await.status(), 401);

    assert_eq!(
        delete(&trainer, &format!("/api/horse-links/{link_id}")).await,
        204
    );
    assert_eq!(opened(&server, &word).await.0, 404);
    assert_eq!(opened(&server, "nothing").await.0, 404);
    assert_eq!(trainer.json(&list).await, json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn a_link_runs_out_and_is_made_within_bounds(pool: PgPool) {
    let (clock, server, trainer) = barn_of_may(pool).await;
    let (word, _) = link(&trainer, server.oatcake, 7).await;
    clock.put("2026-06-05T14:59:00Z");
    assert_eq!(opened(&server, &word).await.0, 200);
    clock.put("2026-06-05T15:01:00Z");
    assert_eq!(opened(&server, &word).await.0, 404);
    let path = format!("/api/horses/{}/links", server.oatcake);
    assert_eq!(trainer.json(&path).await[0]["expired"], true);
    for (field, body) in [
        ("/days", json!({"for_whom": "Mom", "days": 0})),
        ("/days", json!({"for_whom": "Mom", "days": 401})),
        ("/for_whom", json!({"for_whom": " ", "days": 30})),
    ] {
        let (status, said) = problem(trainer.post(&path, &body).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let other = format!("/api/horses/{}/links", server.stranger);
    let new = json!({"for_whom": "Mom", "days": 30});
    assert_eq!(trainer.post(&other, &new).await.status(), 404);
}

async fn written(trainer: &Visitor, horse: Uuid, month: &str) -> Value {
    let path = format!("/api/horses/{horse}/reports?month={month}");
    let answer = trainer.post(&path, &json!({})).await;
    assert_eq!(answer.status(), 201, "{}", answer.text().await.unwrap());
    answer.json().await.unwrap()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_report_is_written_edited_sent_and_taken_back(pool: PgPool) {
    let (clock, server, trainer) = barn_of_may(pool).await;
    let owner = server.person("owner@home").await;
    let report = written(&trainer, server.oatcake, "2026-05").await;
    let path = format!("/api/reports/{}", report["report_id"].as_str().unwrap());
    let of_horse = format!("/api/horses/{}/reports", server.oatcake);
    assert_eq!(report["month"], "May 2026");
    // A draft is the trainer's alone.
    assert_eq!(owner.get(&path).await.status(), 404);
    assert_eq!(owner.json(&of_horse).await, json!([]));
    let rider = server.person("rider@home").await;
    assert_eq!(rider.get(&path).await.status(), 404);

    let words = json!({"sections": [
        {"part": "trainer", "text": "A good month.\nShe is ready for company."},
        report["sections"][0].clone(),
    ]});
    assert_eq!(put(&trainer, &path, words.clone()).await.status(), 204);
    for (field, sections) in [
        (
            "/sections/1/part",
            json!([{"part": "rides", "text": "a"}, {"part": "rides", "text": "b"}]),
        ),
        ("/sections/0/text", json!([{"part": "rides", "text": " "}])),
        (
            "/sections/0/text",
            json!([{"part": "rides", "text": "x".repeat(4001)}]),
        ),
    ] {
        let (status, said) =
            problem(put(&trainer, &path, json!({"sections": sections})).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    assert_eq!(
        trainer
            .post(&format!("{path}/send"), &json!({}))
            .await
            .status(),
        204
    );

    // What was sent stays as it was written, whatever comes after.
    ridden(&trainer, server.oatcake, "2026-05-29T14:00:00Z", 6, "").await;
    clock.put("2026-06-03T15:00:00Z");
    let seen = owner.json(&path).await;
    assert_eq!(seen["sections"], words["sections"]);
    assert_eq!(seen["told"]["told"]["month"]["ridden"]["rides"], 2);
    assert_eq!(owner.json(&of_horse).await[0]["month"], "May 2026");
    let later = written(&trainer, server.oatcake, "2026-05").await;
    assert_eq!(later["told"]["told"]["month"]["ridden"]["rides"], 3);

    // By a link to its horse, and by no other.
    let by_link = async |word: &str| {
        let asked = json!({"word": word, "report_id": report["report_id"]});
        server
            .visitor()
            .post("/api/horse-links/report", &asked)
            .await
            .status()
            .as_u16()
    };
    let (own, _) = link(&trainer, server.oatcake, 30).await;
    let (others, _) = link(&trainer, server.thimble, 30).await;
    assert_eq!(by_link(&own).await, 200);
    assert_eq!(by_link(&others).await, 404);
    assert_eq!(by_link("nothing").await, 404);

    assert_eq!(
        trainer
            .post(&format!("{path}/draft"), &json!({}))
            .await
            .status(),
        204
    );
    assert_eq!(
        (
            owner.get(&path).await.status().as_u16(),
            by_link(&own).await
        ),
        (404, 404)
    );
    assert_eq!(
        trainer
            .post(&format!("{path}/send"), &json!({}))
            .await
            .status(),
        204
    );
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(
        (
            trainer.get(&path).await.status().as_u16(),
            by_link(&own).await
        ),
        (404, 404)
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_month_has_to_have_begun(pool: PgPool) {
    let (_clock, server, trainer) = barn_of_may(pool).await;
    for month in ["2026-06", "2026-13", "May", "2026-5"] {
        let path = format!("/api/horses/{}/reports?month={month}", server.oatcake);
        let (status, said) = problem(trainer.post(&path, &json!({})).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!("/month")),
            "{month}"
        );
    }
    let april = written(&trainer, server.oatcake, "2026-04").await;
    let month = &april["told"]["told"]["month"];
    assert_eq!(
        (&month["from"], &month["to"]),
        (&json!("2026-04-01"), &json!("2026-04-30"))
    );
    assert_eq!(month["ridden"]["rides"], 1);
}

#[sqlx::test(migrator = "TABLES")]
async fn notes_are_shown_when_they_were_chosen(pool: PgPool) {
    let (_clock, server, trainer) = barn_of_may(pool).await;
    let owner = server.person("owner@home").await;
    let notes = format!("/api/horses/{}/owner-notes", server.oatcake);
    let written = trainer.json(&format!("{notes}/written")).await;
    assert_eq!(
        written,
        json!([
            {"day": "2026-05-12", "text": "Cross with Thimble."},
            {"day": "2026-05-05", "text": "Quiet at the gate."},
        ])
    );
    let view = format!("/api/horses/{}/owners-view", server.oatcake);
    assert_eq!(owner.json(&view).await["notes"], json!([]));
    let note =
        json!({"note_id": Uuid::now_v7(), "day": "2026-05-05", "text": " Quiet at the gate. "});
    for _ in 0..2 {
        assert_eq!(trainer.post(&notes, &note).await.status(), 201);
    }
    let seen = owner.json(&view).await;
    assert_eq!(
        seen["notes"],
        json!([{"note_id": note["note_id"], "day": "2026-05-05", "text": "Quiet at the gate."}])
    );
    let path = format!("/api/owner-notes/{}", note["note_id"].as_str().unwrap());
    assert_eq!(delete(&trainer, &path).await, 204);
    assert_eq!(owner.json(&view).await["notes"], json!([]));
    assert_eq!(
        trainer
            .post(&format!("{path}/bring-back"), &json!({}))
            .await
            .status(),
        204
    );
    assert_eq!(
        owner.json(&view).await["notes"].as_array().unwrap().len(),
        1
    );
    for (field, day, text) in [
        ("/day", "2026-05-30", "Later."),
        ("/text", "2026-05-05", ""),
    ] {
        let new = json!({"note_id": Uuid::now_v7(), "day": day, "text": text});
        let (status, said) = problem(trainer.post(&notes, &new).await).await;
        assert_eq!((status, &said["errors"][0]["field"]), (422, &json!(field)));
    }
    // Another owner's horse.
    let others = format!("/api/horses/{}/owners-view", server.thimble);
    assert_eq!(owner.get(&others).await.status(), 404);
}

/// The owner's figures are those of the horse page.
#[sqlx::test(migrator = "TABLES")]
async fn what_an_owner_sees_is_what_the_horse_page_says(pool: PgPool) {
    let (_clock, server, trainer) = barn_of_may(pool).await;
    let view = trainer
        .json(&format!("/api/horses/{}/owners-view", server.oatcake))
        .await;
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    let (told, levels) = (&view["told"], page["levels"].as_array().unwrap());
    let states = |levels: &Value| -> Vec<Value> {
        let all = levels.as_array().unwrap().iter();
        all.map(|one| one["state"].clone()).collect()
    };
    assert_eq!(states(&told["ladder"]), states(&page["levels"]));
    let held = levels
        .iter()
        .filter(|one| !one["held_since"].is_null() && one["state"] != "eased");
    assert_eq!(told["month"]["moved"]["held"], held.count());
    assert_eq!(told["month"]["ahead"]["next"]["says"], page["next"]["text"]);
    assert_eq!(
        told["month"]["ahead"]["next"]["forecast"],
        page["next"]["forecast"]
    );
    let next = &levels[told["next"].as_u64().unwrap() as usize]["level"];
    assert_eq!(next["name"], page["next"]["level"]["name"]);
    assert_eq!(told["then_and_now"]["then"]["day"], "2026-04-20");
    assert_eq!(told["then_and_now"]["now"]["day"], "2026-05-12");
}
