//! Four riders send to one horse while four readers look at it. Afterwards every
//! figure of the running server is held against a server that starts afresh.

use std::sync::Arc;
use std::sync::atomic::{AtomicUsize, Ordering};
use std::time::{Duration, Instant};

use anyhow::Context;
use cavesson_client::{Client, recorded};
use cavesson_core::ladder::Ladder;
use cavesson_core::rep::Rep;
use cavesson_core::sim_horse::{PlannedBlock, PlannedRide, Traits, simulate};
use cavesson_server::Settings;
use jiff::{SignedDuration, Timestamp};
use serde_json::Value;
use sqlx::PgPool;
use tokio::net::TcpListener;
use uuid::Uuid;

use crate::demo::people::{PASSWORD, SALTGRASS};
use crate::serve;

const HORSE: &str = "Oatcake";
const RIDERS: [&str; 4] = ["wren", "tobin", "pia", "tobin"];
const READERS: usize = 4;

/// Runs the race for that long.
pub async fn run(database_url: &str, lasts: Duration) -> anyhow::Result<()> {
    let pool = serve::open(database_url).await?;
    let address = start(&pool).await?;
    let ends = Instant::now() + lasts;
    let (sent, read) = (Arc::new(AtomicUsize::new(0)), Arc::new(AtomicUsize::new(0)));
    let horse = horse(&sign_in(&address, "wren").await?).await?;
    let mut tasks = Vec::new();
    for (number, who) in (0_u64..).zip(RIDERS) {
        let (rider, sent) = (sign_in(&address, who).await?, sent.clone());
        tasks.push(tokio::spawn(ride(rider, horse, number, ends, sent)));
    }
    for number in 0..READERS {
        let (reader, read) = (sign_in(&address, "wren").await?, read.clone());
        tasks.push(tokio::spawn(look(reader, horse, number, ends, read)));
    }
    for task in tasks {
        task.await??;
    }
    let running = said(&sign_in(&address, "wren").await?, horse).await?;
    let fresh = start(&pool).await?;
    let fresh = said(&sign_in(&fresh, "wren").await?, horse).await?;
    let apart = differences("", &running, &fresh);
    let sent = sent.load(Ordering::Relaxed);
    println!(
        "{sent} asks sent and {} pages read in {} s; figures that differ from a fresh server: {}",
        read.load(Ordering::Relaxed),
        lasts.as_secs(),
        apart.len()
    );
    for place in apart.iter().take(20) {
        println!("  {place}");
    }
    anyhow::ensure!(
        apart.is_empty(),
        "a running server says otherwise than a fresh one"
    );
    anyhow::ensure!(sent > 0, "nothing was sent");
    Ok(())
}

/// A server on a port of its own; it ends with the program.
async fn start(pool: &PgPool) -> anyhow::Result<String> {
    let listener = TcpListener::bind("127.0.0.1:0").await?;
    let address = format!("http://{}", listener.local_addr()?);
    let settings = Settings {
        sign_in_tries: 1_000,
        ..Settings::default()
    };
    tokio::spawn(cavesson_server::launch(
        settings,
        pool.clone(),
        listener,
        std::future::pending(),
    ));
    Ok(address)
}

async fn sign_in(address: &str, who: &str) -> anyhow::Result<Client> {
    let sign_in = format!("{who}@{}", SALTGRASS.handle);
    Ok(Client::sign_in(address, &sign_in, PASSWORD).await?)
}

async fn horse(client: &Client) -> anyhow::Result<Uuid> {
    let horses = client.horses().await?;
    let found = horses.into_iter().find(|horse| horse.name == HORSE);
    Ok(found
        .context("the demo's data; run `cavesson demo` first")?
        .horse_id)
}

/// Sends one ride after the other; every third ask is taken back again.
async fn ride(
    rider: Client,
    horse_id: Uuid,
    number: u64,
    ends: Instant,
    sent: Arc<AtomicUsize>,
) -> anyhow::Result<()> {
    let mut seed = number * 1_000_000;
    while Instant::now() < ends {
        seed += 1;
        let now = Timestamp::now();
        let started_at = now - SignedDuration::from_mins(30);
        let reps = asks(seed, started_at)?;
        let (ride, reps) = recorded::ride(Uuid::now_v7(), horse_id, started_at, Some(now), &reps);
        let mut batch = rider.batch(now);
        batch.rides.push(ride);
        batch.reps = reps;
        let stored = rider.send(&batch).await?;
        sent.fetch_add(stored.reps, Ordering::Relaxed);
        for rep in batch.reps.iter_mut().step_by(3) {
            rep.undone = true;
            rep.changes = 1;
        }
        rider.send(&batch).await?;
    }
    Ok(())
}

fn asks(seed: u64, started_at: Timestamp) -> anyhow::Result<Vec<Rep>> {
    let level = Ladder::shipped()
        .levels
        .iter()
        .find(|level| level.level.skill.0 == "bend.flex" && level.asked_sides().len() == 2);
    let plan = PlannedRide {
        day: started_at.to_zoned(jiff::tz::TimeZone::UTC).date(),
        first_ask_at: started_at + SignedDuration::from_mins(2),
        blocks: vec![PlannedBlock {
            level: 0,
            left: 3,
            right: 3,
        }],
    };
    let level = level.context("the ladder has it")?;
    let ridden = simulate(&Traits::PLAIN, level, &[plan], seed);
    Ok(ridden
        .into_iter()
        .flat_map(|ride| ride.reps)
        .map(|rep| Rep {
            rep_id: Uuid::now_v7(),
            ..rep
        })
        .collect())
}

fn paths(horse_id: Uuid) -> [String; 4] {
    [
        format!("/api/horses/{horse_id}/page"),
        format!("/api/horses/{horse_id}/levels/bend.flex/stand"),
        format!("/api/horses/{horse_id}/levels/bend.flex/stand/strips"),
        "/api/board".to_owned(),
    ]
}

async fn look(
    reader: Client,
    horse_id: Uuid,
    number: usize,
    ends: Instant,
    read: Arc<AtomicUsize>,
) -> anyhow::Result<()> {
    let paths = paths(horse_id);
    while Instant::now() < ends {
        reader.get::<Value>(&paths[number % paths.len()]).await?;
        read.fetch_add(1, Ordering::Relaxed);
    }
    Ok(())
}

async fn said(client: &Client, horse_id: Uuid) -> anyhow::Result<Value> {
    let mut all = Vec::new();
    for path in paths(horse_id) {
        all.push(client.get::<Value>(&path).await?);
    }
    Ok(Value::Array(all))
}

/// The places at which two answers differ.
fn differences(at: &str, one: &Value, other: &Value) -> Vec<String> {
    match (one, other) {
        (Value::Object(a), Value::Object(b)) if a.keys().eq(b.keys()) => a
            .iter()
            .flat_map(|(key, value)| differences(&format!("{at}/{key}"), value, &b[key]))
            .collect(),
        (Value::Array(a), Value::Array(b)) if a.len() == b.len() => a
            .iter()
            .zip(b)
            .enumerate()
            .flat_map(|(index, (a, b))| differences(&format!("{at}/{index}"), a, b))
            .collect(),
        _ if one == other => Vec::new(),
        _ => vec![at.to_owned()],
    }
}
