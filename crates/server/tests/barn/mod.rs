//! Two barns, a running server on a port of its own, and signed-in people.
#![allow(dead_code)]

use cavesson_core::judge::{Overrule, Verdict};
use cavesson_core::ladder::Level;
use cavesson_core::person::Role;
use cavesson_server::{Settings, password};
use cavesson_store::barn::{self, Barn};
use cavesson_store::horse::{self, Horse};
use cavesson_store::overrule;
use cavesson_store::person::{self, Person};
use cavesson_store::place::{self, Place};
use cavesson_store::program_day::{self, NewProgramDay};
use cavesson_store::{BarnTransaction, MIGRATOR};
use jiff::{SignedDuration, Timestamp};
use reqwest::{Client, Method, Response, StatusCode};
use serde_json::{Value, json};
use sqlx::PgPool;
use tokio::net::TcpListener;
use uuid::Uuid;

pub static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

pub const PASSWORD: &str = "a long rein";

/// A running server over two barns.
pub struct Server {
    pub address: String,
    pub pool: PgPool,
    /// The horses of the home barn.
    pub oatcake: Uuid,
    pub thimble: Uuid,
    /// The other barn's horse.
    pub stranger: Uuid,
    _stop: tokio::sync::oneshot::Sender<()>,
}

impl Server {
    pub async fn start(pool: PgPool) -> Server {
        Server::start_with(
            pool,
            Settings {
                sign_in_tries: 100,
                ..Settings::default()
            },
        )
        .await
    }

    pub async fn start_with(pool: PgPool, settings: Settings) -> Server {
        let hash = password::hash(PASSWORD.to_owned()).await.unwrap();
        let home = fill(&pool, "home", &hash, &["Oatcake", "Thimble"]).await;
        let other = fill(&pool, "other", &hash, &["Stranger"]).await;
        let listener = TcpListener::bind("127.0.0.1:0").await.unwrap();
        let address = format!("http://{}", listener.local_addr().unwrap());
        let (stop, stopped) = tokio::sync::oneshot::channel();
        let served = cavesson_server::launch(settings, pool.clone(), listener, async {
            let _ = stopped.await;
        });
        tokio::spawn(served);
        Server {
            address,
            pool,
            oatcake: home[0],
            thimble: home[1],
            stranger: other[0],
            _stop: stop,
        }
    }

    /// A second server on the same database.
    pub async fn another(&self) -> Server {
        let listener = TcpListener::bind("127.0.0.1:0").await.unwrap();
        let address = format!("http://{}", listener.local_addr().unwrap());
        let (stop, stopped) = tokio::sync::oneshot::channel();
        let settings = Settings {
            sign_in_tries: 100,
            ..Settings::default()
        };
        let served = cavesson_server::launch(settings, self.pool.clone(), listener, async {
            let _ = stopped.await;
        });
        tokio::spawn(served);
        Server {
            address,
            pool: self.pool.clone(),
            oatcake: self.oatcake,
            thimble: self.thimble,
            stranger: self.stranger,
            _stop: stop,
        }
    }

    /// Somebody who is not signed in.
    pub fn visitor(&self) -> Visitor {
        Visitor {
            client: Client::builder().cookie_store(true).build().unwrap(),
            address: self.address.clone(),
        }
    }

    /// Somebody of a barn, such as `trainer@home`, signed in.
    pub async fn person(&self, sign_in: &str) -> Visitor {
        let visitor = self.visitor();
        let answer = visitor.sign_in(sign_in, PASSWORD).await;
        assert_eq!(answer.status(), StatusCode::OK, "{sign_in}");
        visitor
    }

    /// How many reps and rides are stored, over all barns.
    pub async fn stored(&self) -> (i64, i64) {
        sqlx::query_as("select (select count(*) from rep), (select count(*) from ride)")
            .fetch_one(&self.pool)
            .await
            .unwrap()
    }
}

/// A device.
pub struct Visitor {
    client: Client,
    address: String,
}

impl Visitor {
    pub async fn sign_in(&self, sign_in: &str, password: &str) -> Response {
        self.post(
            "/api/session",
            &json!({"sign_in": sign_in, "password": password}),
        )
        .await
    }

    pub async fn get(&self, path: &str) -> Response {
        self.client
            .get(format!("{}{path}", self.address))
            .send()
            .await
            .unwrap()
    }

    pub async fn post(&self, path: &str, body: &Value) -> Response {
        self.client
            .post(format!("{}{path}", self.address))
            .json(body)
            .send()
            .await
            .unwrap()
    }

    pub async fn send(
        &self,
        method: Method,
        path: &str,
        kind: &str,
        body: Vec<u8>,
    ) -> reqwest::Result<Response> {
        self.client
            .request(method, format!("{}{path}", self.address))
            .header("content-type", kind)
            .body(body)
            .send()
            .await
    }

    pub async fn json(&self, path: &str) -> Value {
        let answer = self.get(path).await;
        assert_eq!(answer.status(), StatusCode::OK, "{path}");
        answer.json().await.unwrap()
    }
}

/// The status and problem of an answer that is one.
pub async fn problem(answer: Response) -> (u16, Value) {
    let status = answer.status().as_u16();
    assert_eq!(answer.headers()["content-type"], "application/problem+json");
    let body: Value = answer.json().await.unwrap();
    assert_eq!(body["status"], status);
    assert!(
        body["detail"]
            .as_str()
            .is_some_and(|detail| detail.len() > 8),
        "{body}"
    );
    (status, body)
}

async fn fill(pool: &PgPool, handle: &str, hash: &str, horses: &[&str]) -> Vec<Uuid> {
    let stored = Barn {
        barn_id: Uuid::now_v7(),
        handle: handle.to_owned(),
        name: format!("The {handle} barn"),
        time_zone: "America/Denver".to_owned(),
    };
    barn::add(pool, &stored).await.unwrap();
    let mut transaction = BarnTransaction::begin(pool, stored.barn_id).await.unwrap();
    let mut ids = Vec::new();
    for role in Role::ALL {
        let person = Person {
            person_id: Uuid::now_v7(),
            sign_in: role.word().to_owned(),
            name: format!("The {}", role.word()),
            role,
        };
        person::add(&mut transaction, &person, hash).await.unwrap();
        ids.push(person.person_id);
    }
    let pen = Place {
        place_id: Uuid::now_v7(),
        name: "Round pen".into(),
        kind: "round_pen".into(),
    };
    place::add(&mut transaction, &pen).await.unwrap();
    let mut horse_ids = Vec::new();
    for (index, name) in horses.iter().enumerate() {
        let horse = Horse {
            horse_id: Uuid::now_v7(),
            name: (*name).to_owned(),
            sex: "mare".into(),
            foaled: 2020,
            color: "bay".into(),
            // The first horse belongs to the owner.
            owner_id: (index == 0).then_some(ids[3]),
            program_id: None,
        };
        horse::add(&mut transaction, &horse).await.unwrap();
        let came_with_it = Overrule {
            overrule_id: Uuid::now_v7(),
            level: Level::new("start.bend-ground", "stand"),
            day: jiff::civil::date(2026, 1, 1),
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "came with it".into(),
        };
        overrule::add(&mut transaction, horse.horse_id, &came_with_it, ids[0])
            .await
            .unwrap();
        horse_ids.push(horse.horse_id);
    }
    for weekday in 1..=7 {
        let day = NewProgramDay {
            horse_id: horse_ids[0],
            weekday,
            starts_at: jiff::civil::time(7, 30, 0, 0),
            rider_id: ids[0],
            place_id: pen.place_id,
            level: Level::new("bend.flex", "stand"),
        };
        program_day::put(&mut transaction, &day).await.unwrap();
    }
    transaction.commit().await.unwrap();
    horse_ids
}

/// A ride of `horse` that began `days_ago`, with this many soft asks a side.
pub fn ride(horse: Uuid, days_ago: i64, soft_a_side: usize) -> Value {
    let started = Timestamp::now()
        - SignedDuration::from_hours(24 * days_ago)
        - SignedDuration::from_mins(30);
    let ride_id = Uuid::now_v7();
    let reps: Vec<Value> = (0..2 * soft_a_side)
        .map(|index| {
            let side = if index % 2 == 0 { "left" } else { "right" };
            rep(
                ride_id,
                side,
                started + SignedDuration::from_secs(15 * index as i64),
            )
        })
        .collect();
    json!({
        "rides": [{"ride_id": ride_id, "horse_id": horse, "started_at": started, "finished_at": null}],
        "reps": reps
    })
}

pub fn rep(ride_id: Uuid, side: &str, asked_at: Timestamp) -> Value {
    json!({
        "rep_id": Uuid::now_v7(), "ride_id": ride_id, "skill": "bend.flex", "rung": "stand",
        "side": side, "asked_at": asked_at,
        "measure": {"kind": "give", "hand": "fingertip", "time_s": 1.2, "answer": "gave"}
    })
}

/// Soft rides of five asks a side, so many days ago.
pub async fn soft_rides(server: &Server, horse: Uuid, days_ago: &[i64]) {
    let trainer = server.person("trainer@home").await;
    for days in days_ago {
        let answer = trainer.post("/api/batches", &ride(horse, *days, 5)).await;
        assert_eq!(answer.status(), StatusCode::OK);
    }
}

pub async fn put(visitor: &Visitor, path: &str, body: Value) -> Response {
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

pub async fn delete(visitor: &Visitor, path: &str) -> StatusCode {
    visitor
        .send(Method::DELETE, path, "application/json", Vec::new())
        .await
        .unwrap()
        .status()
}

pub fn level<'a>(page: &'a Value, skill: &str, rung: &str) -> &'a Value {
    page["levels"]
        .as_array()
        .unwrap()
        .iter()
        .find(|level| level["level"]["skill"] == skill && level["level"]["rung"] == rung)
        .unwrap()
}
