//! What is kept in memory equals what a fresh server would read, whoever writes
//! and reads at the same time; and no request leaves anything behind.

use std::sync::Arc;
use std::sync::atomic::{AtomicBool, Ordering};
use std::time::Duration;

use crate::barn::{self, PASSWORD, Server, TABLES, problem, ride, soft_rides, until};
use jiff::Timestamp;
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use sqlx::postgres::PgPoolOptions;
use tokio::io::{AsyncReadExt, AsyncWriteExt};
use tokio::net::TcpStream;
use uuid::Uuid;

/// Everything that is said of a horse.
async fn said(server: &Server) -> Value {
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    json!([
        trainer.json(&format!("/api/horses/{horse}/page")).await,
        trainer
            .json(&format!("/api/horses/{horse}/levels/bend.flex/stand"))
            .await,
        trainer
            .json(&format!(
                "/api/horses/{horse}/levels/bend.flex/stand/strips"
            ))
            .await,
        trainer.json("/api/board").await,
        trainer.json("/api/today").await,
    ])
}

#[sqlx::test(migrator = "TABLES")]
async fn readers_and_writers_at_once_count_every_ask_once(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[6, 4, 2]).await;
    let horse = server.oatcake;
    let mut tasks = Vec::new();
    for who in ["trainer", "rider", "helper", "rider"] {
        let rider = server.person(&format!("{who}@home")).await;
        tasks.push(tokio::spawn(async move {
            for round in 0..12 {
                let mut batch = ride(horse, 0, 2);
                assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
                // One in three is taken back again.
                if round % 3 == 0 {
                    batch["reps"][0]["undone"] = json!(true);
                    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
                }
            }
        }));
    }
    let pages = [
        format!("/api/horses/{horse}/page"),
        format!("/api/horses/{horse}/levels/bend.flex/stand"),
        "/api/board".to_owned(),
        "/api/today".to_owned(),
    ];
    for path in pages {
        let reader = server.person("trainer@home").await;
        tasks.push(tokio::spawn(async move {
            for _ in 0..40 {
                assert_eq!(reader.get(&path).await.status(), StatusCode::OK);
            }
        }));
    }
    for task in tasks {
        task.await.unwrap();
    }
    let fresh = server.another().await;
    let (running, fresh) = (said(&server).await, said(&fresh).await);
    assert!(
        running == fresh,
        "a running server says otherwise than a fresh one"
    );
    let stored: i64 = sqlx::query_scalar("select count(*) from rep where undone_at is null")
        .fetch_one(&server.pool)
        .await
        .unwrap();
    let strips = running[2]["strips"].as_array().unwrap();
    let asked: usize = strips
        .iter()
        .map(|strip| strip["reps"].as_array().unwrap().len())
        .sum();
    let stored = usize::try_from(stored).unwrap();
    assert_eq!(asked, stored);
}

#[sqlx::test(migrator = "TABLES")]
async fn the_same_program_id_in_two_barns_is_two_programs(pool: PgPool) {
    let server = Server::start(pool).await;
    let program_id = Uuid::now_v7();
    for (barn, horse, days) in [("home", server.oatcake, 4), ("other", server.stranger, 9)] {
        let trainer = server.person(&format!("trainer@{barn}")).await;
        let gates = json!([{"skill": "bend.flex", "gate": {"least_days": days}}]);
        let program = json!({"program_id": program_id, "content": {"name": barn, "gates": gates}});
        assert_eq!(
            trainer.post("/api/programs", &program).await.status(),
            StatusCode::CREATED
        );
        let path = format!("/api/horses/{horse}/program");
        barn::put(&trainer, &path, json!({"program_id": program_id})).await;
        let gate = trainer
            .json(&format!("/api/horses/{horse}/levels/bend.flex/stand"))
            .await;
        assert_eq!(gate["gate"]["least_days"], days, "{barn}");
    }
}

/// Sends a request and hangs up after a while, whatever the server is doing.
async fn hang_up(address: &str, request: &str, after: Duration) {
    let address = address.trim_start_matches("http://");
    let mut socket = TcpStream::connect(address).await.unwrap();
    socket.write_all(request.as_bytes()).await.unwrap();
    let mut answer = [0; 64];
    // Whether an answer came in time does not matter here.
    let _ = tokio::time::timeout(after, socket.read(&mut answer)).await;
}

async fn idle_in_transaction(pool: &PgPool) -> i64 {
    sqlx::query_scalar(
        "select count(*) from pg_stat_activity
         where datname = current_database() and state like 'idle in transaction%'",
    )
    .fetch_one(pool)
    .await
    .unwrap()
}

#[sqlx::test(migrator = "TABLES")]
async fn who_hangs_up_leaves_no_transaction_behind(pool: PgPool) {
    let server = Server::start(pool).await;
    let answer = server.visitor().sign_in("trainer@home", PASSWORD).await;
    let cookie = answer.headers()["set-cookie"].to_str().unwrap().to_owned();
    let cookie = cookie.split(';').next().unwrap().to_owned();
    let sign_in = json!({"sign_in": "rider@home", "password": PASSWORD}).to_string();
    for round in 0..240_u64 {
        let (line, body) = match round % 3 {
            0 => ("GET /api/today", String::new()),
            1 => ("GET /api/board", String::new()),
            _ => ("POST /api/session", sign_in.clone()),
        };
        let request = format!(
            "{line} HTTP/1.1\r\nhost: barn\r\ncookie: {cookie}\r\ncontent-type: application/json\r\n\
             content-length: {}\r\n\r\n{body}",
            body.len()
        );
        hang_up(
            &server.address,
            &request,
            Duration::from_micros(round * 53 % 6_000),
        )
        .await;
    }
    until(|| idle_in_transaction(&server.pool), |idle| *idle == 0).await;
    // What is answered now is so: nothing runs inside somebody else's transaction.
    let rider = server.person("rider@home").await;
    rider.batch(&ride(server.oatcake, 0, 1)).await;
    assert_eq!(
        barn::delete(&rider, "/api/session").await,
        StatusCode::NO_CONTENT
    );
    let fresh = server.another().await;
    assert_eq!(fresh.stored().await, (2, 1));
    assert_eq!(problem(rider.get("/api/session").await).await.0, 401);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_slow_body_and_a_password_hold_no_connection(pool: PgPool) {
    // Two connections for the whole server.
    let options = pool.connect_options().as_ref().clone();
    let small = PgPoolOptions::new()
        .max_connections(2)
        .connect_with(options)
        .await
        .unwrap();
    let server = Server::start(small).await;
    let answer = server.visitor().sign_in("trainer@home", PASSWORD).await;
    let cookie = answer.headers()["set-cookie"].to_str().unwrap().to_owned();
    let cookie = cookie.split(';').next().unwrap().to_owned();
    let address = server.address.trim_start_matches("http://").to_owned();
    let mut slow = Vec::new();
    for _ in 0..6 {
        let mut socket = TcpStream::connect(&address).await.unwrap();
        let head = format!(
            "POST /api/batches HTTP/1.1\r\nhost: barn\r\ncookie: {cookie}\r\n\
             content-type: application/json\r\ncontent-length: 5000\r\n\r\n{{\"rides\": ["
        );
        socket.write_all(head.as_bytes()).await.unwrap();
        slow.push(socket);
    }
    let trainer = server.person("trainer@home").await;
    let answer = tokio::time::timeout(Duration::from_secs(10), trainer.get("/api/today")).await;
    assert_eq!(
        answer.expect("a connection is free").status(),
        StatusCode::OK
    );
    drop(slow);
}

#[sqlx::test(migrator = "TABLES")]
async fn how_long_a_sign_in_takes_does_not_tell_which_barns_there_are(pool: PgPool) {
    let server = Server::start(pool).await;
    let visitor = server.visitor();
    let (mut known, mut unknown) = (Vec::new(), Vec::new());
    for round in 0..22 {
        let (who, times) = match round % 2 {
            0 => ("trainer@home", &mut known),
            _ => ("trainer@nowhere", &mut unknown),
        };
        let began = std::time::Instant::now();
        assert_eq!(visitor.sign_in(who, "not it").await.status(), 401);
        times.push(began.elapsed());
    }
    known.sort();
    unknown.sort();
    // In turn, and by their medians: the machine's load falls on both.
    let ratio = known[known.len() / 2].as_secs_f64() / unknown[unknown.len() / 2].as_secs_f64();
    assert!((0.6..1.6).contains(&ratio), "known to unknown {ratio:.2}");
}

#[sqlx::test(migrator = "TABLES")]
async fn two_who_decide_about_one_horse_wait_for_each_other(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[6, 4, 2]).await;
    let horse = server.oatcake;
    let mut tasks = Vec::new();
    for worker in 0..4 {
        let trainer = server.person("trainer@home").await;
        tasks.push(tokio::spawn(async move {
            for round in 0..6 {
                let status = match (worker + round) % 4 {
                    0 => trainer.batch(&ride(horse, 0, 1)).await.status(),
                    1 => care_and_clear(&trainer, horse).await,
                    2 => overrule_and_withdraw(&trainer, horse).await,
                    _ => {
                        let path = format!("/api/horses/{horse}/program");
                        barn::put(&trainer, &path, json!({"program_id": null}))
                            .await
                            .status()
                    }
                };
                assert!(
                    status.is_success(),
                    "worker {worker}, round {round}: {status}"
                );
            }
        }));
    }
    for task in tasks {
        task.await.unwrap();
    }
    let fresh = server.another().await;
    assert!(said(&server).await == said(&fresh).await);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_decision_is_taken_while_others_keep_storing(pool: PgPool) {
    let server = Server::start(pool).await;
    soft_rides(&server, server.oatcake, &[6, 4, 2]).await;
    let horse = server.oatcake;
    let decided = Arc::new(AtomicBool::new(false));
    let mut riders = Vec::new();
    for _ in 0..3 {
        let rider = server.person("rider@home").await;
        let decided = decided.clone();
        riders.push(tokio::spawn(async move {
            while !decided.load(Ordering::Relaxed) {
                assert_eq!(
                    rider.batch(&ride(horse, 0, 1)).await.status(),
                    StatusCode::OK
                );
            }
        }));
    }
    let trainer = server.person("trainer@home").await;
    for _ in 0..6 {
        let status = overrule_and_withdraw(&trainer, horse).await;
        assert_eq!(status, StatusCode::NO_CONTENT);
    }
    decided.store(true, Ordering::Relaxed);
    for rider in riders {
        rider.await.unwrap();
    }
}

async fn care_and_clear(trainer: &barn::Visitor, horse: Uuid) -> StatusCode {
    let care_id = Uuid::now_v7();
    let day = Timestamp::now()
        .to_zoned(jiff::tz::TimeZone::get("America/Denver").unwrap())
        .date();
    let note = json!({"care_id": care_id, "kind": "pain", "day": day, "text": "Ears back."});
    let noted = trainer
        .post(&format!("/api/horses/{horse}/care"), &note)
        .await;
    assert!(noted.status().is_success());
    barn::put(
        trainer,
        &format!("/api/care/{care_id}"),
        json!({"cleared": true}),
    )
    .await
    .status()
}

async fn overrule_and_withdraw(trainer: &barn::Visitor, horse: Uuid) -> StatusCode {
    let overrule_id = Uuid::now_v7();
    let decision = json!({"overrule_id": overrule_id, "skill": "bend.counter-arc", "rung": "walk",
        "counts_as": "check_first", "reason": "Look at him first."});
    let path = format!("/api/horses/{horse}/overrules");
    let decided = trainer.post(&path, &decision).await;
    assert!(
        decided.status().is_success(),
        "{}",
        decided.text().await.unwrap_or_default()
    );
    barn::delete(trainer, &format!("/api/overrules/{overrule_id}")).await
}
