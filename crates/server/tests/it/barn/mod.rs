//! Two barns, a running server on a port of its own, and signed-in people.
#![allow(dead_code)]

use std::hash::{Hash, Hasher};
use std::sync::Arc;
use std::sync::atomic::{AtomicI64, Ordering};

use cavesson_core::horse::{HorseSheet, Sex};
use cavesson_core::judge::{Overrule, Verdict};
use cavesson_core::ladder::Level;
use cavesson_core::person::{Clearance, Role};
use cavesson_core::yard::{PlaceKind, PlaceSheet};
use cavesson_server::http::password;
use cavesson_server::{Clock, Settings};
use cavesson_store::barn::barns::{self, Barn};
use cavesson_store::barn::person::{self, Person};
use cavesson_store::barn::place;
use cavesson_store::day::program_day::{self, NewProgramDay};
use cavesson_store::horse::{horses, overrule};
use cavesson_store::{BarnTransaction, MIGRATOR};
use jiff::{SignedDuration, Timestamp};
use reqwest::{Client, Method, Response, StatusCode};
use serde_json::{Value, json};
use sqlx::PgPool;
use tokio::net::TcpListener;
use uuid::Uuid;

pub static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

pub const PASSWORD: &str = "a long rein";

/// A clock that a test moves.
#[derive(Clone)]
pub struct SetClock(Arc<AtomicI64>);

impl SetClock {
    pub fn at(time: &str) -> SetClock {
        let at: Timestamp = time.parse().unwrap();
        SetClock(Arc::new(AtomicI64::new(at.as_second())))
    }

    pub fn put(&self, time: &str) {
        let at: Timestamp = time.parse().unwrap();
        self.0.store(at.as_second(), Ordering::SeqCst);
    }

    pub fn settings(&self) -> Settings {
        let seconds = self.0.clone();
        Settings {
            sign_in_tries: 100,
            clock: Clock::new(move || {
                Timestamp::from_second(seconds.load(Ordering::SeqCst)).unwrap()
            }),
            ..Settings::default()
        }
    }
}

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
        let hash = password::hash(PASSWORD);
        let home = fill(&pool, "home", &hash, &["Oatcake", "Thimble"]).await;
        let other = fill(&pool, "other", &hash, &["Stranger"]).await;
        let horses = [home[0], home[1], other[0]];
        Server::over(pool, settings, horses).await
    }

    /// A server over a database that is filled.
    async fn over(pool: PgPool, settings: Settings, horses: [Uuid; 3]) -> Server {
        let [oatcake, thimble, stranger] = horses;
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
            oatcake,
            thimble,
            stranger,
            _stop: stop,
        }
    }

    /// A second server on the same database.
    pub async fn another(&self) -> Server {
        self.another_with(Settings {
            sign_in_tries: 100,
            ..Settings::default()
        })
        .await
    }

    pub async fn another_with(&self, settings: Settings) -> Server {
        let horses = [self.oatcake, self.thimble, self.stranger];
        Server::over(self.pool.clone(), settings, horses).await
    }

    /// Somebody who is not signed in.
    pub fn visitor(&self) -> Visitor {
        Visitor {
            client: Client::builder().cookie_store(true).build().unwrap(),
            address: self.address.clone(),
            person_id: Uuid::nil(),
        }
    }

    /// Somebody of a barn, such as `trainer@home`, signed in.
    pub async fn person(&self, sign_in: &str) -> Visitor {
        let mut visitor = self.visitor();
        let answer = visitor.sign_in(sign_in, PASSWORD).await;
        assert_eq!(answer.status(), StatusCode::OK, "{sign_in}");
        let who: Value = answer.json().await.unwrap();
        visitor.person_id = id(&who["person_id"]);
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
    pub address: String,
    pub person_id: Uuid,
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

    pub async fn post_with(&self, path: &str, body: &Value, headers: &[(&str, &str)]) -> Response {
        let mut request = self
            .client
            .post(format!("{}{path}", self.address))
            .json(body);
        for (name, value) in headers {
            request = request.header(*name, *value);
        }
        request.send().await.unwrap()
    }

    /// Sends a batch as this person's device would: see [`as_sent`].
    pub async fn batch(&self, batch: &Value) -> Response {
        self.post("/api/batches", &as_sent(batch, self.person_id))
            .await
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

/// The status and body of an answer; null where it has none.
pub async fn answered(answer: Response) -> (u16, Value) {
    let status = answer.status().as_u16();
    let text = answer.text().await.unwrap();
    (status, serde_json::from_str(&text).unwrap_or(Value::Null))
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
        units: "us".into(),
        quiet_outings_pct: 25,
    };
    barns::add(pool, &stored).await.unwrap();
    let mut transaction = BarnTransaction::begin(pool, stored.barn_id).await.unwrap();
    let mut ids = Vec::new();
    for role in Role::ALL {
        let person = Person {
            person_id: Uuid::now_v7(),
            sign_in: role.word().to_owned(),
            name: format!("The {}", role.word()),
            role,
        };
        person::add(&mut transaction, &person, Some(hash), &Clearance::all())
            .await
            .unwrap();
        ids.push(person.person_id);
    }
    let pen = PlaceSheet {
        name: "Round pen".into(),
        kind: PlaceKind::RoundPen,
        horses_at_once: 1,
        opens: None,
        closes: None,
    };
    let pen_id = Uuid::now_v7();
    place::add(&mut transaction, pen_id, &pen).await.unwrap();
    let mut horse_ids = Vec::new();
    for (index, name) in horses.iter().enumerate() {
        let horse_id = Uuid::now_v7();
        let horse = HorseSheet {
            name: (*name).to_owned(),
            sex: Sex::Mare,
            foaled: 2020,
            color: "bay".into(),
            markings: String::new(),
            note: String::new(),
            // The first horse belongs to the owner.
            owner_id: (index == 0).then_some(ids[3]),
            program_id: None,
        };
        horses::add(&mut transaction, horse_id, &horse)
            .await
            .unwrap();
        let came_with_it = Overrule {
            overrule_id: Uuid::now_v7(),
            level: Level::new("start.bend-ground", "stand"),
            day: jiff::civil::date(2026, 1, 1),
            judge_said: Verdict::Stay,
            counts_as: Verdict::Advance,
            reason: "came with it".into(),
        };
        overrule::add(&mut transaction, horse_id, &came_with_it, ids[0])
            .await
            .unwrap();
        horse_ids.push(horse_id);
    }
    for weekday in 1..=7 {
        let day = NewProgramDay {
            horse_id: horse_ids[0],
            weekday,
            starts_at: jiff::civil::time(7, 30, 0, 0),
            rider_id: ids[0],
            place_id: pen_id,
            level: Level::new("bend.flex", "stand"),
        };
        program_day::put(&mut transaction, &day).await.unwrap();
    }
    transaction.commit().await.unwrap();
    horse_ids
}

pub fn id(value: &Value) -> Uuid {
    value.as_str().unwrap().parse().unwrap()
}

/// The block of a level in a ride, the same each time.
pub fn block_id(ride_id: &Value, skill: &Value, rung: &Value) -> Uuid {
    let half = |seed: u8| {
        let mut hasher = std::hash::DefaultHasher::new();
        (
            seed,
            ride_id.to_string(),
            skill.to_string(),
            rung.to_string(),
        )
            .hash(&mut hasher);
        hasher.finish()
    };
    Uuid::from_u64_pair(half(1), half(2))
}

fn time(value: &Value) -> Option<Timestamp> {
    value.as_str()?.parse().ok()
}

/// What a device adds to what a test says of a batch: whose it is, when it is sent,
/// the blocks of the levels that were asked, the order and the offsets of the reps.
/// What the test has said stays.
pub fn as_sent(batch: &Value, person_id: Uuid) -> Value {
    let mut batch = batch.clone();
    let fields = batch.as_object_mut().unwrap();
    fields.entry("person_id").or_insert(json!(person_id));
    fields.entry("sent_at").or_insert(json!(Timestamp::now()));
    let mut reps = fields.remove("reps").unwrap_or(json!([]));
    let mut rides = fields.remove("rides").unwrap_or(json!([]));
    let started = |ride_id: &Value, rides: &Value| {
        let rides = rides.as_array()?;
        time(&rides.iter().find(|ride| ride["ride_id"] == *ride_id)?["started_at"])
    };
    for (sequence, rep) in reps.as_array_mut().unwrap().iter_mut().enumerate() {
        let after = started(&rep["ride_id"], &rides)
            .zip(time(&rep["asked_at"]))
            .map_or(0, |(start, asked)| {
                asked.duration_since(start).as_millis().max(0)
            });
        let block = block_id(&rep["ride_id"], &rep["skill"], &rep["rung"]);
        let rep = rep.as_object_mut().unwrap();
        rep.entry("sequence").or_insert(json!(sequence));
        rep.entry("asked_after_ms").or_insert(json!(after as u64));
        rep.entry("block_id").or_insert(json!(block));
    }
    for ride in rides.as_array_mut().unwrap() {
        let finished = time(&ride["finished_at"]).zip(time(&ride["started_at"]));
        let after = finished.map(|(finish, start)| finish.duration_since(start).as_millis() as u64);
        let mut blocks: Vec<Value> = Vec::new();
        let of_ride = |rep: &&Value| rep["ride_id"] == ride["ride_id"];
        for rep in reps.as_array().unwrap().iter().filter(of_ride) {
            if !blocks
                .iter()
                .any(|block| block["block_id"] == rep["block_id"])
            {
                blocks.push(json!({
                    "block_id": rep["block_id"], "position": blocks.len(),
                    "skill": rep["skill"], "rung": rep["rung"]
                }));
            }
        }
        let ride = ride.as_object_mut().unwrap();
        ride.remove("finished_at");
        ride.entry("finished_after_ms").or_insert(json!(after));
        ride.entry("blocks").or_insert(json!(blocks));
    }
    fields.insert("rides".to_owned(), rides);
    fields.insert("reps".to_owned(), reps);
    batch
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
        let answer = trainer.batch(&ride(horse, *days, 5)).await;
        assert_eq!(answer.status(), StatusCode::OK);
    }
}

/// A link to the calendar of what is named: its path, and its id.
pub async fn calendar_link(visitor: &Visitor, kind: &str, of_id: Uuid) -> (String, String) {
    let new = json!({"kind": kind, "of_id": of_id});
    let answer = visitor.post("/api/calendar-links", &new).await;
    assert_eq!(answer.status(), StatusCode::CREATED);
    let made: Value = answer.json().await.unwrap();
    let text = |field: &str| made[field].as_str().unwrap().to_owned();
    (text("path"), text("link_id"))
}

/// The calendar of a horse, as it comes over the wire.
pub async fn horse_calendar(server: &Server, visitor: &Visitor, horse: Uuid) -> String {
    let (path, _) = calendar_link(visitor, "horse", horse).await;
    server.visitor().get(&path).await.text().await.unwrap()
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

/// Asks until the answer is as it should be; it comes about by itself, soon.
pub async fn until<T, F: Future<Output = T>>(
    mut ask: impl FnMut() -> F,
    good: impl Fn(&T) -> bool,
) -> T {
    for _ in 0..500 {
        let answer = ask().await;
        if good(&answer) {
            return answer;
        }
        tokio::time::sleep(std::time::Duration::from_millis(20)).await;
    }
    panic!("it never came about");
}

pub fn level<'a>(page: &'a Value, skill: &str, rung: &str) -> &'a Value {
    page["levels"]
        .as_array()
        .unwrap()
        .iter()
        .find(|level| level["level"]["skill"] == skill && level["level"]["rung"] == rung)
        .unwrap()
}
