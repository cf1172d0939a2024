//! The flag from a screen to the device and back: the real stand-in over TCP, the real carrier,
//! the real server.

use std::sync::{Arc, Mutex};

use crate::barn::{PASSWORD, Server, TABLES, Visitor, problem, until};
use cavesson_client::Client;
use cavesson_client::flag::carry;
use cavesson_standin::flag::Flag;
use cavesson_standin::service::listen;
use serde_json::{Value, json};
use sqlx::PgPool;

/// A flag with its carrier.
struct Line {
    flag: tokio::task::JoinHandle<std::io::Result<()>>,
    carrier: tokio::task::JoinHandle<()>,
    heard: Arc<Mutex<Vec<String>>>,
}

impl Line {
    async fn new(server: &Server) -> Line {
        let listener = listen("127.0.0.1:0".parse().unwrap()).await.unwrap();
        let address = listener.local_addr().unwrap().to_string();
        let flag = tokio::spawn(Flag::new(60.0).serve(listener));
        let client = Client::sign_in(&server.address, "helper@home", PASSWORD)
            .await
            .unwrap();
        let heard = Arc::new(Mutex::new(Vec::new()));
        let told = heard.clone();
        let carrier = tokio::spawn(async move {
            carry(&client, &address, "Flag", |what| {
                told.lock().unwrap().push(format!("{what:?}"))
            })
            .await;
        });
        Line {
            flag,
            carrier,
            heard,
        }
    }
}

async fn flag(visitor: &Visitor) -> Value {
    visitor.json("/api/flag").await["flag"].clone()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_screen_drives_it_and_sees_where_it_is(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    assert_eq!(flag(&rider).await, Value::Null);
    let go = json!({"order": "go", "to_ft": 50.0, "level": "quick"});
    assert_eq!(
        rider.post("/api/flag/orders", &go).await.status(),
        404,
        "no flag is there"
    );
    assert_eq!(rider.get("/api/flag/live").await.status(), 404);

    let line = Line::new(&server).await;
    until(async || flag(&rider).await, |flag| !flag.is_null()).await;
    assert_eq!(flag(&rider).await["width_ft"], 60.0);
    let mut live = rider.get("/api/flag/live").await;
    assert_eq!(rider.post("/api/flag/orders", &go).await.status(), 204);
    let mut quickest = 0.0_f64;
    let mut text = String::new();
    while !text.contains("\"at_ft\":50.0") {
        let piece = live.chunk().await.unwrap().unwrap();
        text = String::from_utf8_lossy(&piece).into_owned();
        for data in text.lines().filter_map(|line| line.strip_prefix("data: ")) {
            let said: Value = serde_json::from_str(data).unwrap();
            quickest = quickest.max(said["at"]["speed_ft_s"].as_f64().unwrap());
        }
    }
    // 20 ft at 20 ft/s2 up to 17 ft/s: v^2 / (2 a) = 7.2 ft to speed up, as many to slow down.
    assert!(quickest > 10.0 && quickest <= 17.0, "{quickest}");

    let program =
        json!({"order": "program", "level": "slow", "width_ft": 60, "seed": 5, "minutes": 1});
    assert_eq!(rider.post("/api/flag/orders", &program).await.status(), 204);
    until(
        async || flag(&rider).await,
        |flag| flag["at"]["state"] == "runs",
    )
    .await;
    assert_eq!(
        rider
            .post("/api/flag/orders", &json!({"order": "stop"}))
            .await
            .status(),
        204
    );
    until(
        async || flag(&rider).await,
        |flag| flag["at"]["state"] == "stopped",
    )
    .await;

    // Nobody carries for it any more: it is gone.
    line.carrier.abort();
    until(async || flag(&rider).await, |flag| flag.is_null()).await;
    line.flag.abort();
    assert!(
        line.heard
            .lock()
            .unwrap()
            .iter()
            .any(|what| what.contains("Told(Stop)"))
    );
}

/// Whoever carries for it left the barn: no screen can stop it any more.
#[sqlx::test(migrator = "TABLES")]
async fn it_is_stopped_when_the_barn_refuses_who_carries_for_it(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let line = Line::new(&server).await;
    until(async || flag(&trainer).await, |flag| !flag.is_null()).await;
    let program =
        json!({"order": "program", "level": "slow", "width_ft": 60, "seed": 5, "minutes": 5});
    let ordered = trainer.post("/api/flag/orders", &program).await;
    assert_eq!(ordered.status(), 204);
    let runs = |flag: &Value| flag["at"]["moves_left"].as_u64() > Some(1);
    until(async || flag(&trainer).await, runs).await;
    let people = trainer.json("/api/people").await;
    let helper = people
        .as_array()
        .unwrap()
        .iter()
        .find(|person| person["role"] == "helper")
        .unwrap();
    let leaves = format!(
        "/api/people/{}/leave",
        helper["person_id"].as_str().unwrap()
    );
    assert_eq!(trainer.post(&leaves, &json!({})).await.status(), 204);
    let stopped = async || {
        let heard = line.heard.lock().unwrap();
        let refused = heard.iter().position(|what| what.starts_with("Refused"));
        refused.is_some_and(|at| heard[at..].iter().any(|what| what == "Told(Stop)"))
    };
    until(stopped, |stopped| *stopped).await;
}

#[sqlx::test(migrator = "TABLES")]
async fn what_cannot_be_is_refused_and_another_barn_sees_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    let rider = server.person("rider@home").await;
    let heard = json!({"name": "Flag", "width_ft": 60, "at":
        {"at_ms": 0, "at_ft": 30, "speed_ft_s": 0, "state": "stopped", "moves_left": 0}});
    assert_eq!(rider.post("/api/flag/heard", &heard).await.status(), 200);
    let stranger = server.person("trainer@other").await;
    assert_eq!(flag(&stranger).await, Value::Null);
    for (pointer, value, field) in [
        ("/width_ft", json!(5), "/width_ft"),
        ("/at/at_ft", json!(-1), "/at/at_ft"),
        ("/at/speed_ft_s", json!(90), "/at/speed_ft_s"),
        ("/name", json!(""), "/name"),
    ] {
        let mut wrong = heard.clone();
        *wrong.pointer_mut(pointer).unwrap() = value;
        let (status, said) = problem(rider.post("/api/flag/heard", &wrong).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let order = async |order: &Value| rider.post("/api/flag/orders", order).await;
    let slow = json!({"order": "speed", "percent": 10});
    assert_eq!(order(&slow).await.status(), 422);
    let (go, stop) = (
        json!({"order": "go", "to_ft": 10, "level": "slow"}),
        json!({"order": "stop"}),
    );
    assert_eq!(order(&go).await.status(), 204);
    assert_eq!(order(&stop).await.status(), 204);
    let answered: Value = rider
        .post("/api/flag/heard", &heard)
        .await
        .json()
        .await
        .unwrap();
    assert_eq!(
        answered["orders"],
        json!([{"order": "stop"}]),
        "what waited is not done any more"
    );
    let again: Value = rider
        .post("/api/flag/heard", &heard)
        .await
        .json()
        .await
        .unwrap();
    assert_eq!(again["orders"], json!([]), "told once");
}
