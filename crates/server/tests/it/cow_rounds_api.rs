//! Rounds on the cow: ridden again by the server, the best of each rider listed.

use crate::barn::{Server, TABLES, answered, problem, put};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

fn round(seed: u32, steered: Value) -> Value {
    json!({"round": {"seed": seed, "level": "easy", "stale": false}, "steered": steered})
}

fn path() -> String {
    format!("/api/cow-rounds/{}", Uuid::now_v7())
}

#[sqlx::test(migrator = "TABLES")]
async fn the_best_round_of_each_rider_is_listed_best_first(pool: PgPool) {
    let server = Server::start(pool).await;
    let helper = server.person("helper@home").await;
    let trainer = server.person("trainer@home").await;
    let stands = json!([{"steps": 3600, "across": 0, "up": 0}]);
    // Up to it first, then standing: better than standing all along, or not; the core says.
    let moves = json!([{"steps": 30, "across": 2, "up": 4}, {"steps": 3570, "across": 0, "up": 0}]);
    let mut scores = Vec::new();
    for (visitor, seed, steered) in [
        (&helper, 1, &stands),
        (&helper, 2, &moves),
        (&trainer, 3, &stands),
    ] {
        let (status, said) =
            answered(put(visitor, &path(), round(seed, steered.clone())).await).await;
        assert_eq!(status, 200, "{said}");
        let calculated = json!({"round": {"seed": seed, "level": "easy"}, "steer": steps(steered)});
        let answer = visitor.post("/api/calc/cow-step", &calculated).await;
        let (_, calculated) = answered(answer).await;
        assert_eq!(said, calculated["score"], "as the calculator says");
        scores.push(said["score"].as_f64().unwrap());
    }
    let listed = trainer.json("/api/cow-rounds").await;
    let listed = listed.as_array().unwrap();
    assert_eq!(listed.len(), 2, "one a rider");
    assert!(listed[0]["score"].as_f64() >= listed[1]["score"].as_f64());
    let of_helper = listed.iter().find(|one| one["round"]["seed"] != 3).unwrap();
    assert_eq!(
        of_helper["score"].as_f64().unwrap(),
        scores[0].max(scores[1])
    );
    let other = server.person("trainer@other").await;
    assert_eq!(
        other.json("/api/cow-rounds").await,
        json!([]),
        "another barn's"
    );
}

fn steps(steered: &Value) -> Vec<Value> {
    let all = steered.as_array().unwrap();
    all.iter()
        .flat_map(|one| {
            let part = |name: &str| one[name].as_f64().unwrap() / 8.0;
            let count = one["steps"].as_u64().unwrap() as usize;
            vec![json!([part("across"), part("up")]); count]
        })
        .collect()
}

#[sqlx::test(migrator = "TABLES")]
async fn a_round_that_was_not_ridden_is_refused(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let at = path();
    for (steered, field) in [
        (json!([]), "/steered"),
        (json!([{"steps": 3599, "across": 0, "up": 0}]), "/steered"),
        (
            json!([{"steps": 3601, "across": 0, "up": 0}]),
            "/steered/0/steps",
        ),
        (
            json!([{"steps": 3600, "across": 9, "up": 0}]),
            "/steered/0/across",
        ),
    ] {
        let (status, said) = problem(put(&trainer, &at, round(1, steered)).await).await;
        assert_eq!(
            (status, &said["errors"][0]["field"]),
            (422, &json!(field)),
            "{said}"
        );
    }
    let stands = json!([{"steps": 3600, "across": 0, "up": 0}]);
    assert_eq!(
        put(&trainer, &at, round(1, stands.clone())).await.status(),
        200
    );
    assert_eq!(
        put(&trainer, &at, round(1, stands.clone())).await.status(),
        200,
        "sent again"
    );
    assert_eq!(put(&trainer, &at, round(2, stands)).await.status(), 409);
}
