//! How long the horse page takes for a horse with 50,000 reps, from a real
//! server over PostgreSQL. Run by bin/bench; prints the table of
//! docs/performance.md.
//!
//! | case | is |
//! |---|---|
//! | first | the first request after the server has started: every rep is read |
//! | send | another device sends an ask: stored, and the horse judged anew |
//! | changed | the first request after that |
//! | unchanged | nothing new since the last request |
//! | other date | the horse as it stood on another day: judged anew |
#![allow(missing_docs)]

#[path = "../tests/it/barn/mod.rs"]
mod barn;
mod timing;

use std::time::{Duration, Instant};

use barn::{PASSWORD, Server, Visitor};
use cavesson_client::recorded;
use cavesson_core::bench::barn::season;
use cavesson_core::day::days_between;
use cavesson_core::ladder::Ladder;
use jiff::tz::TimeZone;
use jiff::{SignedDuration, Timestamp, ToSpan};
use serde_json::json;
use sqlx::PgPool;
use timing::{say, timed};
use uuid::Uuid;

const REPS: usize = 50_000;
/// About 83 reps a ride.
const RIDES: usize = 640;
const FIRST: usize = 12;
const CHANGED: usize = 100;
const UNCHANGED: usize = 200;
const OTHER_DATES: i64 = 40;

#[tokio::main(flavor = "multi_thread", worker_threads = 2)]
async fn main() {
    // `cargo test --benches` runs it too, without this.
    if !std::env::args().any(|argument| argument == "--bench") {
        return;
    }
    let address = std::env::var("DATABASE_URL").expect("DATABASE_URL: an empty PostgreSQL");
    let pool = PgPool::connect(&address).await.expect("PostgreSQL answers");
    barn::TABLES.run(&pool).await.expect("the tables");
    let server = Server::start(pool).await;
    fill(&server).await;
    let page = format!("/api/horses/{}/page", server.oatcake);

    let mut first = Vec::new();
    for _ in 0..FIRST {
        let fresh = server.another().await;
        let trainer = fresh.person("trainer@home").await;
        first.push(timed(&trainer, &page).await);
    }
    let trainer = server.person("trainer@home").await;
    timed(&trainer, &page).await;
    let (mut sent, mut changed) = (Vec::new(), Vec::new());
    for _ in 0..CHANGED {
        sent.push(send_one(&trainer, server.oatcake).await);
        changed.push(timed(&trainer, &page).await);
    }
    let mut unchanged = Vec::new();
    for _ in 0..UNCHANGED {
        unchanged.push(timed(&trainer, &page).await);
    }
    let mut other_date = Vec::new();
    for days in 1..=OTHER_DATES {
        let on = Timestamp::now().to_zoned(TimeZone::UTC).date() - days.days();
        other_date.push(timed(&trainer, &format!("{page}?on={on}")).await);
    }
    println!("| horse page, {REPS} reps | requests | median | p95 |");
    println!("|---|---:|---:|---:|");
    say("first after the server's start", first);
    say("after another device's ask", changed);
    say("nothing new", unchanged);
    say("on another date", other_date);
    say("(that ask itself, stored and judged)", sent);
}

/// One horse of 50,000 reps, the last of them yesterday.
async fn fill(server: &Server) {
    let mut reps = season(Ladder::shipped(), 7, RIDES);
    assert!(reps.len() >= REPS, "{} reps", reps.len());
    reps.truncate(REPS);
    let yesterday = Timestamp::now().to_zoned(TimeZone::UTC).date() - 1.day();
    let later = days_between(reps.last().expect("reps").day, yesterday);
    for rep in &mut reps {
        rep.day += later.days();
        rep.asked_at += SignedDuration::from_hours(24 * later);
    }
    let trainer = cavesson_client::Client::sign_in(&server.address, "trainer@home", PASSWORD)
        .await
        .expect("the trainer");
    let mut batch = trainer.batch(Timestamp::now());
    for of_ride in reps.chunk_by(|a, b| a.ride_id == b.ride_id) {
        let (ride_id, start) = (of_ride[0].ride_id, of_ride[0].asked_at);
        let (ride, reps) = recorded::ride(ride_id, server.oatcake, start, None, of_ride);
        batch.rides.push(ride);
        batch.reps.extend(reps);
        if batch.reps.len() > 4_000 {
            trainer.send(&batch).await.expect("stored");
            batch = trainer.batch(Timestamp::now());
        }
    }
    trainer.send(&batch).await.expect("stored");
    sqlx::query("vacuum analyze")
        .execute(&server.pool)
        .await
        .expect("analyzed");
}

/// One more ask, as a device sends it.
async fn send_one(device: &Visitor, horse_id: Uuid) -> Duration {
    let ride_id = Uuid::now_v7();
    let at = Timestamp::now();
    let batch = json!({
        "rides": [{"ride_id": ride_id, "horse_id": horse_id, "started_at": at, "finished_at": null}],
        "reps": [{
            "rep_id": Uuid::now_v7(), "ride_id": ride_id, "skill": "bend.flex", "rung": "stand",
            "side": "left", "asked_at": at,
            "measure": {"kind": "give", "hand": "fingertip", "time_s": 0.8, "answer": "gave"},
        }],
    });
    let began = Instant::now();
    let answer = device.batch(&batch).await;
    let took = began.elapsed();
    assert!(
        answer.status().is_success(),
        "{}",
        answer.text().await.unwrap_or_default()
    );
    took
}
