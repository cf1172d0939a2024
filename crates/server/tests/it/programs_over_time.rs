//! A horse that changes its program, and a program that changes under it: what was gained
//! before stays, the new gates hold from that day on, on the server, on a fresh one and on a
//! device alike.

use crate::barn::{Server, TABLES, Visitor, level, problem, put, ride, soft_rides};
use cavesson_core::calc::find;
use jiff::ToSpan;
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// A program that wants so many days on the first flexion.
fn of_days(days: u32) -> Value {
    json!({"name": format!("Of {days} days"),
        "gates": [{"skill": "bend.flex", "gate": {"least_days": days, "window_days": 90}}]})
}

async fn made(trainer: &Visitor, content: &Value) -> Uuid {
    let program_id = Uuid::now_v7();
    let body = json!({"program_id": program_id, "content": content});
    let answer = trainer.post("/api/programs", &body).await;
    assert_eq!(answer.status(), StatusCode::CREATED);
    program_id
}

async fn put_on(trainer: &Visitor, horse: Uuid, body: Value) -> StatusCode {
    let path = format!("/api/horses/{horse}/program");
    put(trainer, &path, body).await.status()
}

async fn page(server: &Server, horse: Uuid) -> Value {
    let trainer = server.person("trainer@home").await;
    trainer.json(&format!("/api/horses/{horse}/page")).await
}

async fn state(server: &Server, horse: Uuid) -> String {
    let page = page(server, horse).await;
    let state = &level(&page, "bend.flex", "stand")["state"];
    state.as_str().unwrap().to_owned()
}

/// The states that the device makes of its pack, level by level.
async fn by_pack(server: &Server, horse: Uuid) -> Vec<(Value, Value)> {
    let trainer = server.person("trainer@home").await;
    let pack = trainer.json(&format!("/api/horses/{horse}/pack")).await;
    let input = json!({"program": pack["program"], "reps": pack["reps"],
        "context": pack["context"], "date": pack["date"]});
    let output = (find("judge").unwrap().run)(input).unwrap();
    let verdicts = output["verdicts"].as_array().unwrap().iter();
    verdicts
        .map(|one| (one["level"].clone(), one["judgement"]["state"].clone()))
        .collect()
}

/// Page, fresh server and device say the same of every level.
async fn agree(server: &Server, horse: Uuid) {
    let here = page(server, horse).await;
    let fresh = page(&server.another().await, horse).await;
    assert_eq!(here["levels"], fresh["levels"]);
    for (of, state) in by_pack(server, horse).await {
        let (skill, rung) = (of["skill"].as_str().unwrap(), of["rung"].as_str().unwrap());
        assert_eq!(level(&here, skill, rung)["state"], state, "{skill} {rung}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_stricter_gate_takes_nothing_back_and_holds_from_its_day_on(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let (held, new) = (server.oatcake, server.thimble);
    let easy = made(&trainer, &of_days(3)).await;
    for horse in [held, new] {
        let body = json!({"program_id": easy, "from": "2000-01-01"});
        assert_eq!(put_on(&trainer, horse, body).await, StatusCode::NO_CONTENT);
    }
    soft_rides(&server, held, &[12, 11, 10, 9, 8]).await;
    assert_eq!(state(&server, held).await, "held");

    let change = json!({"from_version": 1, "content": of_days(20)});
    let path = format!("/api/programs/{easy}");
    let answer = put(&trainer, &path, change).await;
    assert_eq!(answer.status(), StatusCode::NO_CONTENT);
    assert_eq!(state(&server, held).await, "held");
    agree(&server, held).await;
    // Another horse with the same rides, all asked by the days of the new gate's reach: what
    // came late from before the change is read by the gate of its day.
    soft_rides(&server, new, &[12, 11, 10, 9, 8]).await;
    assert_eq!(state(&server, new).await, "held");
    agree(&server, new).await;
    // The ladder as it ships wants more than three days as well; from today on.
    let body = json!({"program_id": null});
    assert_eq!(put_on(&trainer, held, body).await, StatusCode::NO_CONTENT);
    assert_eq!(state(&server, held).await, "held");
    agree(&server, held).await;
    // Said to have been so all along, three days were never enough.
    let strict = made(&trainer, &of_days(20)).await;
    let body = json!({"program_id": strict, "from": "2000-01-01"});
    assert_eq!(put_on(&trainer, held, body).await, StatusCode::NO_CONTENT);
    assert_ne!(state(&server, held).await, "held");
    agree(&server, held).await;
}

#[sqlx::test(migrator = "TABLES")]
async fn a_late_ask_from_before_the_change_folds_anew(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    soft_rides(&server, horse, &[12, 11]).await;
    let easy = made(&trainer, &of_days(3)).await;
    let strict = made(&trainer, &of_days(20)).await;
    let day = |ago: i64| jiff::Zoned::now().date().saturating_sub(ago.days());
    for (program, ago) in [(easy, 40), (strict, 9)] {
        let body = json!({"program_id": program, "from": day(ago)});
        assert_eq!(put_on(&trainer, horse, body).await, StatusCode::NO_CONTENT);
    }
    let before = state(&server, horse).await;
    assert_ne!(before, "held", "{before}");
    agree(&server, horse).await;
    // Two rides from before the change come late: the easy gate saw enough of them.
    for days_ago in [14, 13] {
        let late = ride(horse, days_ago, 12);
        assert_eq!(trainer.batch(&late).await.status(), StatusCode::OK);
    }
    assert_eq!(state(&server, horse).await, "held");
    agree(&server, horse).await;
}

#[sqlx::test(migrator = "TABLES")]
async fn a_program_begins_today_or_before(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/program", server.oatcake);
    for from in ["2999-01-01", "1800-01-01"] {
        let answer = put(&trainer, &path, json!({"program_id": null, "from": from})).await;
        let (status, problem) = problem(answer).await;
        assert_eq!(status, 422);
        assert_eq!(problem["errors"][0]["field"], "/from");
    }
}
