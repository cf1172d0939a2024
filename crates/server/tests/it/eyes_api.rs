//! From a simulated pair of timing eyes over TCP, through what carries their times, to the barn,
//! until a run takes them.

use std::sync::{Arc, Mutex};

use crate::barn::{PASSWORD, Server, TABLES, Visitor, answered, id, problem, put, ride, until};
use cavesson_client::Client;
use cavesson_client::eyes::{Heard, carry};
use cavesson_standin::eyes::{Eyes, Fault, Run};
use cavesson_standin::service::listen;
use jiff::Timestamp;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

/// The eyes, heard by something that carries their times to the home barn.
struct Line {
    eyes: Eyes,
    heard: Arc<Mutex<Vec<String>>>,
}

impl Line {
    async fn to(server: &Server) -> Line {
        let eyes = Eyes::default();
        let listener = listen("127.0.0.1:0".parse().unwrap()).await.unwrap();
        let address = listener.local_addr().unwrap().to_string();
        tokio::spawn(eyes.clone().serve(listener));
        let client = Client::sign_in(&server.address, "helper@home", PASSWORD)
            .await
            .unwrap();
        let heard = Arc::new(Mutex::new(Vec::new()));
        let note = heard.clone();
        tokio::spawn(async move {
            let told = |what: Heard| note.lock().unwrap().push(format!("{what:?}"));
            carry(&client, &address, "Big arena", told).await;
        });
        let line = Line { eyes, heard };
        line.hears("Ready").await;
        line
    }

    async fn hears(&self, what: &str) {
        let said = || async {
            let heard = self.heard.lock().unwrap();
            heard.iter().filter(|one| one.starts_with(what)).count()
        };
        until(said, |count| *count > 0).await;
        self.heard.lock().unwrap().clear();
    }

    async fn run(&self, seconds: f64, fault: Option<Fault>) {
        let live = false;
        self.eyes
            .run(Run {
                seconds,
                fault,
                live,
            })
            .await
            .unwrap();
    }
}

async fn times(visitor: &Visitor) -> Vec<Value> {
    visitor
        .json("/api/timed-runs")
        .await
        .as_array()
        .unwrap()
        .clone()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_run_through_the_eyes_comes_to_the_barn_to_the_thousandth(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let line = Line::to(&server).await;
    line.run(17.412, None).await;
    line.hears("Kept").await;
    line.run(18.02, Some(Fault::DoubleTrigger)).await;
    line.hears("Kept").await;
    let found = times(&trainer).await;
    assert_eq!(found.len(), 2);
    assert_eq!(
        (
            &found[1]["time_s"],
            &found[1]["faults"],
            &found[1]["eyes"],
            &found[1]["taken"]
        ),
        (
            &json!(17.412),
            &json!([]),
            &json!("Big arena"),
            &json!(false)
        )
    );
    assert_eq!(
        found[0]["time_s"], 18.02,
        "the second trigger changes nothing"
    );
    let other = server.person("trainer@other").await;
    assert!(times(&other).await.is_empty(), "another barn's");
}

#[sqlx::test(migrator = "TABLES")]
async fn what_goes_wrong_at_the_eyes_makes_no_time_up(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let line = Line::to(&server).await;
    line.run(17.0, Some(Fault::MissingStart)).await;
    line.hears("Fault(NoStart)").await;
    line.run(17.0, Some(Fault::BrokenLine)).await;
    line.hears("BadLine").await;
    line.run(17.0, Some(Fault::MissingFinish)).await;
    line.hears("Fault(StartedAgain)").await;
    assert!(times(&trainer).await.is_empty());
    // A dog runs through: the run goes on, and says so.
    line.run(19.5, Some(Fault::Dog)).await;
    line.hears("Kept").await;
    let found = times(&trainer).await;
    assert_eq!(
        (&found[0]["time_s"], &found[0]["faults"]),
        (&json!(19.5), &json!(["too_soon"]))
    );
    assert!(
        line.eyes
            .run(Run {
                seconds: 0.0,
                fault: None,
                live: false
            })
            .await
            .is_err()
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_time_waits_until_the_barn_answers(pool: PgPool) {
    let server = Server::start(pool.clone()).await;
    let trainer = server.person("trainer@home").await;
    let line = Line::to(&server).await;
    // The table cannot be written to: the server answers that it cannot, not that it has it.
    sqlx::query("alter table timed_run add constraint shut check (false) not valid")
        .execute(&pool)
        .await
        .unwrap();
    line.run(17.75, None).await;
    line.hears("NoAnswer").await;
    sqlx::query("alter table timed_run drop constraint shut")
        .execute(&pool)
        .await
        .unwrap();
    line.hears("Kept").await;
    assert_eq!(times(&trainer).await.len(), 1, "once");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_time_is_taken_by_the_run_that_names_it(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let timed_id = Uuid::now_v7();
    let path = format!("/api/timed-runs/{timed_id}");
    let time = |seconds: f64| json!({"eyes": "Timing eyes", "at": Timestamp::now(), "time_s": seconds, "faults": ["double_trigger"]});
    assert_eq!(put(&trainer, &path, time(17.412)).await.status(), 204);
    assert_eq!(
        put(&trainer, &path, time(17.412)).await.status(),
        204,
        "sent again"
    );
    assert_eq!(
        put(&trainer, &path, time(17.5)).await.status(),
        409,
        "another time"
    );
    for (field, wrong) in [
        ("/time_s", time(4.0)),
        (
            "/eyes",
            json!({"eyes": "", "at": Timestamp::now(), "time_s": 17.0}),
        ),
        (
            "/at",
            json!({"eyes": "x", "at": "2031-01-01T00:00:00Z", "time_s": 17.0}),
        ),
    ] {
        let (status, said) = problem(put(&trainer, &path, wrong).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let barrel = json!({
        "planned_ft": [5, 4, 3], "pocket_ft": [5, 4, 3], "rate_strides": 2, "right_lead": true,
        "shape_held": true, "tipped": false,
    });
    let mut batch = ride(server.oatcake, 0, 1);
    for rep in batch["reps"].as_array_mut().unwrap() {
        rep["skill"] = json!("barrel.pattern");
        rep["rung"] = json!("run");
        rep["side"] = json!("both");
    }
    batch["reps"][0]["measure"] = json!({
        "kind": "run", "time_s": 17.412, "timed_id": timed_id, "barrels": [barrel, barrel, barrel],
    });
    batch["reps"].as_array_mut().unwrap().truncate(1);
    let (status, said) = answered(trainer.batch(&batch).await).await;
    assert_eq!(status, 200, "{said}");
    let found = times(&trainer).await;
    assert_eq!(
        (id(&found[0]["timed_id"]), &found[0]["taken"]),
        (timed_id, &json!(true))
    );
}
