//! Who changed what: every operation that changes something is kept or says why not; searched by
//! person, horse and words; nothing secret is in it.

use crate::barn::{self, Server, TABLES, delete, problem, put};
use cavesson_server::http::audit::did::did;
use serde_json::{Value, json};
use sqlx::PgPool;

#[test]
fn every_operation_that_is_no_question_is_known() {
    let document = cavesson_server::openapi();
    let mut seen = 0;
    for operations in document["paths"].as_object().unwrap().values() {
        for (method, operation) in operations.as_object().unwrap() {
            let id = operation["operationId"].as_str().unwrap();
            if method != "get" {
                assert!(did(id).is_some(), "deeds/did.rs does not say what {id} did");
                seen += 1;
            } else {
                assert!(did(id).is_none(), "{id} asks only");
            }
        }
    }
    assert!(seen > 80);
}

#[sqlx::test(migrator = "TABLES")]
async fn changes_are_kept_with_who_and_what_and_found_again(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let rider = server.person("rider@home").await;
    let horse = format!("/api/horses/{}", server.oatcake);
    let care = json!({
        "care_id": uuid::Uuid::now_v7(), "kind": "feet", "day": "2026-05-04", "text": "100% shod_all",
    });
    assert_eq!(
        rider.post(&format!("{horse}/care"), &care).await.status(),
        201
    );
    let traits = json!({"traits": ["hot"]});
    assert_eq!(
        put(&trainer, &format!("{horse}/traits"), traits)
            .await
            .status(),
        204
    );
    let place = json!({"name": "North pen", "kind": "arena", "horses_at_once": 2});
    assert_eq!(trainer.post("/api/places", &place).await.status(), 201);
    // What is refused, and what only asks, is not kept.
    assert_eq!(trainer.post("/api/places", &place).await.status(), 409);
    trainer.json("/api/places").await;
    let password = json!({"now": barn::PASSWORD, "new": "another long rein"});
    assert_eq!(
        put(&trainer, "/api/account/password", password)
            .await
            .status(),
        204
    );

    let deeds = trainer.json("/api/deeds").await;
    let told: Vec<(&str, &str, &Value)> = deeds["deeds"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| {
            (
                one["person"].as_str().unwrap(),
                one["did"].as_str().unwrap(),
                &one["horse"],
            )
        })
        .collect();
    let none = Value::Null;
    let oatcake = json!("Oatcake");
    assert_eq!(
        told,
        [
            ("The trainer", "changed their password", &none),
            ("The trainer", "added a place", &none),
            ("The trainer", "set a horse's traits", &oatcake),
            ("The rider", "noted care", &oatcake),
        ]
    );
    assert_eq!(deeds["next"], none);
    assert_eq!(deeds["deeds"][1]["said"]["name"], "North pen");
    assert!(!deeds.to_string().contains("rein"), "{deeds}");

    let found = async |query: &str| {
        trainer.json(&format!("/api/deeds?{query}")).await["deeds"]
            .as_array()
            .unwrap()
            .len()
    };
    assert_eq!(found("words=north").await, 1);
    assert_eq!(found("words=oatcake").await, 2);
    assert_eq!(found("words=the%20rider").await, 1);
    // Signs of a pattern are meant as they stand.
    assert_eq!(found("words=100%25%20shod_").await, 1);
    assert_eq!(found("words=100_").await, 0);
    assert_eq!(found(&format!("person_id={}", rider.person_id)).await, 1);
    assert_eq!(found(&format!("horse_id={}", server.oatcake)).await, 2);
    let unknown = uuid::Uuid::now_v7();
    assert_eq!(
        delete(&trainer, &format!("/api/settlings/{unknown}")).await,
        404
    );
    assert_eq!(found("words=").await, 4, "what failed is no change");
    let (status, said) = problem(trainer.get("/api/deeds?after=soon").await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/after"))
    );
    assert_eq!(rider.get("/api/deeds").await.status(), 403);
    let stranger = server.person("trainer@other").await;
    assert_eq!(stranger.json("/api/deeds").await["deeds"], json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn a_long_trail_is_read_page_by_page(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/traits", server.oatcake);
    for _ in 0..60 {
        assert_eq!(
            put(&trainer, &path, json!({"traits": []})).await.status(),
            204
        );
    }
    let first = trainer.json("/api/deeds").await;
    assert_eq!(first["deeds"].as_array().unwrap().len(), 50);
    let next = first["next"].as_str().unwrap().replace('+', "%2B");
    let second = trainer.json(&format!("/api/deeds?after={next}")).await;
    assert_eq!(second["deeds"].as_array().unwrap().len(), 10);
    assert_eq!(second["next"], Value::Null);
    let ids = |page: &Value| -> Vec<Value> {
        let all = page["deeds"].as_array().unwrap().iter();
        all.map(|one| one["deed_id"].clone()).collect()
    };
    let both = ids(&first).into_iter().chain(ids(&second));
    assert_eq!(both.collect::<std::collections::HashSet<_>>().len(), 60);
}
