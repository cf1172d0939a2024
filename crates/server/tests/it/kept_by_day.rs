//! What the judge said is kept on the day it changed: with what is known, and with
//! the date alone. Sessions, days and zones go by the barn's clock.

use crate::barn::{Server, SetClock, TABLES, level, problem, ride, until};
use jiff::{SignedDuration, Timestamp};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn kept(pool: &PgPool) -> Vec<(String, String)> {
    sqlx::query_as(
        "select day::text, verdict from kept_verdict where skill = 'bend.flex' order by day, known_version",
    )
    .fetch_all(pool)
    .await
    .unwrap()
}

/// A soft ride of five asks a side, at noon in Denver of that day in May 2026.
fn soft_ride(horse: Uuid, day: i8) -> Value {
    let noon: Timestamp = format!("2026-05-{day:02}T18:00:00Z").parse().unwrap();
    let mut batch = ride(horse, 0, 5);
    batch["sent_at"] = json!(noon + SignedDuration::from_mins(40));
    batch["rides"][0]["started_at"] = json!(noon);
    for (index, rep) in batch["reps"].as_array_mut().unwrap().iter_mut().enumerate() {
        rep["asked_at"] = json!(noon + SignedDuration::from_secs(20 * index as i64));
    }
    batch
}

#[sqlx::test(migrator = "TABLES")]
async fn a_verdict_that_changes_by_date_alone_is_kept_on_its_day(pool: PgPool) {
    let clock = SetClock::at("2026-05-04T18:40:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    for day in [4, 5, 7, 8] {
        clock.put(&format!("2026-05-{day:02}T18:40:00Z"));
        assert_eq!(
            trainer
                .batch(&soft_ride(server.oatcake, day))
                .await
                .status(),
            StatusCode::OK
        );
    }
    assert_eq!(
        kept(&server.pool).await.last().unwrap(),
        &("2026-05-07".to_owned(), "advance".to_owned())
    );
    // Nobody rides and nobody looks for five weeks; the level turns rusty on a day of its own.
    clock.put("2026-06-12T18:00:00Z");
    let later = server.another_with(clock.settings()).await;
    let all = until(
        || kept(&server.pool),
        |all| all.last().is_some_and(|last| last.1 == "refresh"),
    )
    .await;
    let (day, _) = all.last().unwrap();
    assert_eq!(day, "2026-05-30", "three weeks after it was shown last");
    let trainer = later.person("trainer@home").await;
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(level(&page, "bend.flex", "stand")["verdict"], "refresh");
    let until: String =
        sqlx::query_scalar("select judged_until::text from horse where name = 'Oatcake'")
            .fetch_one(&server.pool)
            .await
            .unwrap();
    assert_eq!(until, "2026-06-12");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_session_slides_and_ends_at_last(pool: PgPool) {
    let clock = SetClock::at("2026-01-01T18:00:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let (used, unused) = (
        server.person("trainer@home").await,
        server.person("rider@home").await,
    );
    // Used every three weeks it goes on, far beyond a month from the sign-in.
    for day in [
        "2026-01-22",
        "2026-02-12",
        "2026-03-05",
        "2026-03-26",
        "2026-04-16",
        "2026-05-07",
        "2026-05-28",
        "2026-06-18",
    ] {
        clock.put(&format!("{day}T18:00:00Z"));
        let answer = used.get("/api/session").await;
        assert_eq!(answer.status(), StatusCode::OK, "{day}");
        assert!(
            answer.headers().contains_key("set-cookie"),
            "{day}: the device is told, too"
        );
    }
    assert_eq!(problem(unused.get("/api/session").await).await.0, 401);
    // Half a year after the sign-in it ends, however much it is used.
    clock.put("2026-06-29T18:00:00Z");
    assert_eq!(used.get("/api/session").await.status(), StatusCode::OK);
    clock.put("2026-06-30T18:00:01Z");
    assert_eq!(problem(used.get("/api/session").await).await.0, 401);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_session_that_was_ended_stays_ended(pool: PgPool) {
    let clock = SetClock::at("2026-01-01T18:00:00Z");
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    // Due to be kept longer, and ended while that request is under way.
    clock.put("2026-01-20T18:00:00Z");
    let mut lock = server.pool.begin().await.unwrap();
    sqlx::query("delete from session")
        .execute(&mut *lock)
        .await
        .unwrap();
    let kept_longer = tokio::spawn(async move { trainer.get("/api/session").await.status() });
    let waits = || async {
        sqlx::query_scalar::<_, i64>("select count(*) from pg_locks where not granted")
            .fetch_one(&server.pool)
            .await
            .unwrap()
    };
    until(waits, |waiting| *waiting > 0).await;
    lock.commit().await.unwrap();
    kept_longer.await.unwrap();
    let sessions: i64 = sqlx::query_scalar("select count(*) from session")
        .fetch_one(&server.pool)
        .await
        .unwrap();
    assert_eq!(sessions, 0);
}

#[sqlx::test(migrator = "TABLES")]
async fn an_unknown_time_zone_is_said_and_not_guessed(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    sqlx::query("update barn set time_zone = 'America/Saltgrass' where handle = 'home'")
        .execute(&server.pool)
        .await
        .unwrap();
    let (status, body) = problem(trainer.get("/api/today").await).await;
    assert_eq!(
        (status, &body["type"]),
        (500, &json!("/problems/time-zone"))
    );
    let detail = body["detail"].as_str().unwrap();
    assert!(
        detail.contains("America/Saltgrass") && detail.contains("America/Denver"),
        "{detail}"
    );
}
