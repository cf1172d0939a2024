//! The intake of a horse over the API: from its rides to levels that count.

use crate::barn::{Server, TABLES, Visitor, problem, ride};
use cavesson_core::calc::find;
use serde_json::{Value, json};
use sqlx::PgPool;

/// A ride of an intake that was answered soft three times a side.
fn intake_ride(server: &Server, days_ago: i64) -> Value {
    let mut batch = ride(server.oatcake, days_ago, 3);
    batch["rides"][0]["finished_after_ms"] = json!(1_500_000);
    batch["rides"][0]["intake"] = json!({
        "story": {"days_ridden": 90, "age_years": 4, "worked_on": ["cow"], "helper": true},
        "passed_over": [{"skill": "start.touch", "rung": "stand"}],
    });
    batch
}

async fn intake(visitor: &Visitor, server: &Server) -> Value {
    visitor
        .json(&format!("/api/horses/{}/intake", server.oatcake))
        .await
}

async fn pack(visitor: &Visitor, server: &Server) -> Value {
    visitor
        .json(&format!("/api/horses/{}/pack", server.oatcake))
        .await
}

/// The state of a level on the device: what it judges by the pack.
fn state(pack: &Value, skill: &str) -> String {
    let judged = (find("judge").unwrap().run)(json!({
        "program": pack["program"], "reps": pack["reps"], "context": pack["context"],
        "date": pack["date"],
    }))
    .unwrap();
    let asked = judged["verdicts"].as_array().unwrap().iter();
    let asked = asked.map(|level| (&level["level"]["skill"], &level["judgement"]["state"]));
    let others = judged["others"].as_array().unwrap().iter();
    let others = others.map(|level| (&level["level"]["skill"], &level["state"]));
    let mut found = asked.chain(others).filter(|(of, _)| *of == skill);
    found.next().unwrap().1.as_str().unwrap().to_owned()
}

#[sqlx::test(migrator = "TABLES")]
async fn what_a_finished_intake_shows_counts_until_first_asks_confirm_it(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    let before = intake(&wren, &server).await;
    assert_eq!(
        (&before["story"], &before["rides"]),
        (&Value::Null, &json!([]))
    );
    let mut batch = intake_ride(&server, 3);
    // While it goes on nothing is found.
    let finished = batch["rides"][0]["finished_after_ms"].take();
    assert_eq!(wren.batch(&batch).await.status(), 200);
    let open = intake(&wren, &server).await;
    assert_eq!(open["rides"][0]["finished"], false);
    assert_eq!(open["levels"], json!([]));
    batch["rides"][0]["finished_after_ms"] = finished;
    assert_eq!(wren.batch(&batch).await.status(), 200);
    let found = intake(&wren, &server).await;
    assert_eq!(found["story"]["worked_on"], json!(["cow"]));
    assert_eq!(found["rides"][0]["asks"], 6);
    let of = |found: &Value, skill: &str| -> Value {
        let levels = found["levels"].as_array().unwrap().iter();
        let mut levels = levels.filter(|level| level["level"]["skill"] == skill);
        levels.next().unwrap().clone()
    };
    let flex = of(&found, "bend.flex");
    assert_eq!(
        (&flex["finding"], &flex["asked"], &flex["soft"]),
        (&json!("shown"), &json!(6), &json!(6))
    );
    assert_eq!(flex["confirmation"], "waiting");
    let touch = of(&found, "start.touch");
    assert!(
        touch["unknown"] == "Passed over." || touch["finding"] == "shown",
        "{touch}"
    );
    let with_it = pack(&wren, &server).await;
    assert_eq!(state(&with_it, "bend.flex"), "shown_at_intake");
    assert_eq!(with_it["intake_asks"].as_array().unwrap().len(), 7);
    // One soft first ask a side on another day. It confirms, and finds nothing anew.
    assert_eq!(wren.batch(&ride(server.oatcake, 1, 1)).await.status(), 200);
    let chance = |intake: &Value| of(intake, "bend.ribs")["chance"].clone();
    assert_eq!(chance(&intake(&wren, &server).await), chance(&found));
    let confirmed = intake(&wren, &server).await;
    assert_eq!(of(&confirmed, "bend.flex")["confirmation"], "confirmed");
    assert_eq!(state(&pack(&wren, &server).await, "bend.flex"), "held");
}

#[sqlx::test(migrator = "TABLES")]
async fn what_comes_late_is_worked_in_and_what_is_sent_again_changes_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    let whole = intake_ride(&server, 2);
    let mut first = whole.clone();
    first["reps"] = json!([whole["reps"][0]]);
    assert_eq!(wren.batch(&first).await.status(), 200);
    let early = intake(&wren, &server).await;
    assert_eq!(wren.batch(&whole).await.status(), 200);
    let late = intake(&wren, &server).await;
    assert_ne!(early["levels"], late["levels"]);
    assert_eq!(wren.batch(&whole).await.status(), 200);
    assert_eq!(intake(&wren, &server).await["levels"], late["levels"]);
    // A ride that says nothing of an intake leaves it as it is.
    let mut silent = whole.clone();
    silent["rides"][0]["intake"] = Value::Null;
    assert_eq!(wren.batch(&silent).await.status(), 200);
    assert_eq!(intake(&wren, &server).await["levels"], late["levels"]);
}

#[sqlx::test(migrator = "TABLES")]
async fn an_intake_that_was_never_worked_out_is_when_somebody_looks(pool: PgPool) {
    let server = Server::start(pool.clone()).await;
    let wren = server.person("trainer@home").await;
    assert_eq!(wren.batch(&intake_ride(&server, 2)).await.status(), 200);
    let found = intake(&wren, &server).await["levels"].clone();
    // As if the server had ended right after the batch.
    sqlx::query("delete from intake")
        .execute(&pool)
        .await
        .unwrap();
    assert_eq!(intake(&wren, &server).await["levels"], found);
}

#[sqlx::test(migrator = "TABLES")]
async fn the_barns_other_horses_stand_in_the_pack_and_another_barn_sees_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    assert_eq!(pack(&wren, &server).await["barn"], json!([]));
    assert_eq!(wren.batch(&intake_ride(&server, 2)).await.status(), 200);
    let abroad = server.person("trainer@other").await;
    let path = format!("/api/horses/{}/intake", server.oatcake);
    let (status, _) = problem(abroad.get(&path).await).await;
    assert_eq!(status, 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_story_out_of_bounds_is_named_and_nothing_is_stored(pool: PgPool) {
    let server = Server::start(pool).await;
    let wren = server.person("trainer@home").await;
    let mut batch = intake_ride(&server, 2);
    batch["rides"][0]["intake"]["story"]["minutes"] = json!(3);
    let (status, said) = problem(wren.batch(&batch).await).await;
    assert_eq!(status, 422);
    assert_eq!(said["errors"][0]["field"], "/rides/0/intake/story/minutes");
    assert_eq!(intake(&wren, &server).await["rides"], json!([]));
}
