//! How long Today and a day take for a barn of 40 horses and 8 riders, from a real server
//! over PostgreSQL. Run by bin/bench; prints the table of docs/performance.md.
#![allow(missing_docs)]

#[path = "../tests/it/barn/mod.rs"]
mod barn;
mod timing;

use barn::{PASSWORD, Server, Visitor};
use cavesson_client::recorded;
use cavesson_core::bench::barn::season;
use cavesson_core::day::days_between;
use cavesson_core::ladder::Ladder;
use jiff::tz::TimeZone;
use jiff::{SignedDuration, Timestamp, ToSpan};
use serde_json::{Value, json};
use sqlx::PgPool;
use timing::{say, timed};
use uuid::Uuid;

const HORSES: usize = 40;
const RIDERS: usize = 8;
/// Rides of each horse before, about 83 reps each.
const RIDES: usize = 60;
const REQUESTS: usize = 300;

#[tokio::main(flavor = "multi_thread", worker_threads = 2)]
async fn main() {
    if !std::env::args().any(|argument| argument == "--bench") {
        return;
    }
    let address = std::env::var("DATABASE_URL").expect("DATABASE_URL: an empty PostgreSQL");
    let pool = PgPool::connect(&address).await.expect("PostgreSQL answers");
    barn::TABLES.run(&pool).await.expect("the tables");
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horses = fill(&server, &trainer).await;
    println!(
        "| {HORSES} horses, {RIDERS} riders, {} reps | requests | median | p95 |",
        HORSES * RIDES * 83
    );
    println!("|---|---:|---:|---:|");
    let day = trainer.json("/api/today").await["day"]
        .as_str()
        .expect("a day")
        .to_owned();
    for (what, path) in [
        ("Today", "/api/today".to_owned()),
        ("the day with its rules", format!("/api/days/{day}")),
        ("care that is due", "/api/care/due".to_owned()),
        (
            "load of one horse",
            format!("/api/horses/{}/load", horses[0]),
        ),
    ] {
        let mut took = Vec::new();
        for _ in 0..REQUESTS {
            took.push(timed(&trainer, &path).await);
        }
        say(what, took);
    }
    let mut after = Vec::new();
    for index in 0..60 {
        let batch = barn::ride(horses[index % HORSES], 0, 1);
        assert!(trainer.batch(&batch).await.status().is_success());
        after.push(timed(&trainer, "/api/today").await);
    }
    say("Today, after an ask on one of them", after);
}

async fn made(trainer: &Visitor, path: &str, sheet: Value, id: &str) -> Uuid {
    let answer = trainer.post(path, &sheet).await;
    assert!(answer.status().is_success(), "{path}");
    barn::id(&answer.json::<Value>().await.expect("an answer")[id])
}

/// Horses with two months of rides, riders with hours, a ride of each horse today.
async fn fill(server: &Server, trainer: &Visitor) -> Vec<Uuid> {
    let mut riders = Vec::new();
    for rider in 0..RIDERS {
        let sheet = json!({"name": format!("Rider {rider}"), "sign_in": format!("rider{rider}"), "role": "rider",
            "clearance": {"only_horses": null, "rigs": ["halter", "snaffle", "bosal", "shank", "two_rein"], "cattle": true, "first_rides": true}});
        riders.push(made(trainer, "/api/people", sheet, "person_id").await);
    }
    let sheet = json!({"name": "Arena", "kind": "arena", "horses_at_once": 40});
    let arena = made(trainer, "/api/places", sheet, "id").await;
    let mut horses = Vec::new();
    for horse in 0..HORSES {
        let sheet = json!({"name": format!("Horse {horse}"), "sex": "mare", "foaled": 2018, "color": "bay"});
        horses.push(made(trainer, "/api/horses", sheet, "horse_id").await);
    }
    for (index, horse) in horses.iter().enumerate() {
        rides(server, *horse, index as u64).await;
        let care = json!({"care_id": Uuid::now_v7(), "kind": "feet", "day": "2026-03-01"});
        trainer
            .post(&format!("/api/horses/{horse}/care"), &care)
            .await;
    }
    let day = trainer.json("/api/today").await["day"]
        .as_str()
        .expect("a day")
        .to_owned();
    for (index, horse) in horses.iter().enumerate() {
        let booking = json!({
            "booking_id": Uuid::now_v7(), "kind": "ride", "horse_id": horse,
            "person_id": riders[index % RIDERS], "place_id": arena,
            "from_min": 420 + 60 * (index / RIDERS), "minutes": 45,
        });
        let answer = trainer
            .post(&format!("/api/days/{day}/bookings"), &booking)
            .await;
        let status = answer.status();
        assert!(
            status.is_success(),
            "{}",
            answer.text().await.unwrap_or_default()
        );
    }
    sqlx::query("vacuum analyze")
        .execute(&server.pool)
        .await
        .expect("analyzed");
    horses
}

async fn rides(server: &Server, horse: Uuid, seed: u64) {
    let mut reps = season(Ladder::shipped(), seed, RIDES);
    let yesterday = Timestamp::now().to_zoned(TimeZone::UTC).date() - 1.day();
    let later = days_between(reps.last().expect("reps").day, yesterday);
    let trainer = cavesson_client::Client::sign_in(&server.address, "trainer@home", PASSWORD)
        .await
        .expect("the trainer");
    for rep in &mut reps {
        rep.day += later.days();
        rep.asked_at += SignedDuration::from_hours(24 * later);
    }
    let mut batch = trainer.batch(Timestamp::now());
    for of_ride in reps.chunk_by(|a, b| a.ride_id == b.ride_id) {
        // Seasons of two horses share their ids.
        let ride_id = Uuid::now_v7();
        let mut own = of_ride.to_vec();
        for rep in &mut own {
            (rep.rep_id, rep.ride_id) = (Uuid::now_v7(), ride_id);
        }
        let (ride, reps) = recorded::ride(ride_id, horse, own[0].asked_at, None, &own);
        batch.rides.push(ride);
        batch.reps.extend(reps);
        if batch.reps.len() > 4_000 {
            trainer.send(&batch).await.expect("stored");
            batch = trainer.batch(Timestamp::now());
        }
    }
    trainer.send(&batch).await.expect("stored");
}
