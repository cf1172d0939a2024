//! What a device takes along says of a horse what the server says of it.

use crate::barn::{Server, TABLES, problem, put, ride, soft_rides};
use cavesson_core::calc::find;
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// The verdict of a level, from the pack alone.
async fn judged_by_pack(server: &Server, who: &str, skill: &str, rung: &str) -> Value {
    let person = server.person(who).await;
    let pack = person
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await;
    let input = json!({"program": pack["program"], "reps": pack["reps"],
        "context": pack["context"], "date": pack["date"]});
    let output = (find("judge").unwrap().run)(input).unwrap();
    // Read from text, as the server's answer is: that may cost the last digit.
    let output: Value = serde_json::from_str(&output.to_string()).unwrap();
    let verdicts = output["verdicts"].as_array().unwrap().clone();
    let of_level = |found: &&Value| found["level"] == json!({"skill": skill, "rung": rung});
    verdicts.iter().find(of_level).unwrap()["judgement"].clone()
}

async fn judged_by_server(server: &Server, skill: &str, rung: &str) -> Value {
    let path = format!("/api/horses/{}/levels/{skill}/{rung}", server.oatcake);
    server.person("trainer@home").await.json(&path).await["judgement"].clone()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_pack_holds_all_that_a_horse_is_judged_by(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    soft_rides(&server, horse, &[9, 7, 5, 3]).await;

    // A program of the barn's own, an overrule, a note of care, a fault, a rep taken back.
    let program_id = Uuid::now_v7();
    let content =
        json!({"name": "Ten days", "gates": [{"skill": "bend.flex", "gate": {"least_days": 4}}]});
    let made = json!({"program_id": program_id, "content": content});
    let answer = trainer.post("/api/programs", &made).await;
    assert!(
        answer.status().is_success(),
        "{}",
        answer.text().await.unwrap()
    );
    let onto = json!({"program_id": program_id});
    let answer = put(&trainer, &format!("/api/horses/{horse}/program"), onto).await;
    assert!(
        answer.status().is_success(),
        "{}",
        answer.text().await.unwrap()
    );
    let note = json!({"care_id": Uuid::now_v7(), "kind": "pain", "day": "2026-01-02", "text": "Ears back."});
    trainer
        .post(&format!("/api/horses/{horse}/care"), &note)
        .await;
    let mut batch = ride(horse, 1, 3);
    batch["reps"][0]["undone"] = json!(true);
    batch["rides"][0]["faults"] =
        json!([{"skill": "bend.flex", "rung": "stand", "fault": "head_up"}]);
    assert_eq!(trainer.batch(&batch).await.status(), StatusCode::OK);

    let here = judged_by_pack(&server, "rider@home", "bend.flex", "stand").await;
    assert_eq!(here, judged_by_server(&server, "bend.flex", "stand").await);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_pack_is_for_those_who_may_see_the_horse(pool: PgPool) {
    let server = Server::start(pool).await;
    let path = format!("/api/horses/{}/pack", server.oatcake);
    assert_eq!(problem(server.visitor().get(&path).await).await.0, 401);
    let stranger = server.person("trainer@other").await;
    assert_eq!(problem(stranger.get(&path).await).await.0, 404);
    let none = format!("/api/horses/{}/pack", Uuid::now_v7());
    let trainer = server.person("trainer@home").await;
    assert_eq!(problem(trainer.get(&none).await).await.0, 404);
}
