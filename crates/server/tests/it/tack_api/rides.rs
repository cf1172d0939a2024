//! What rides say of tack: rigs, the ribbon of the two-rein, hands.

use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

use crate::barn::{Server, TABLES, problem};
use crate::tack_api::{clear, hang, ridden, shank, snaffle};

#[sqlx::test(migrator = "TABLES")]
async fn rigs_stand_in_the_history_in_the_verdict_and_mark_their_first_ride(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let ring = hang(&trainer, &snaffle("Ring")).await;
    let bit = hang(&trainer, &shank("Short")).await;
    let worn = |gear: Uuid, kind: &str, name: &str| json!({"after_ms": 0, "kind": kind, "gear_id": gear, "name": name});
    for days_ago in [9, 7, 5, 3] {
        let rig = if days_ago == 5 {
            worn(bit, "shank", "Short")
        } else {
            worn(ring, "snaffle", "Ring")
        };
        let stored = trainer
            .batch(&ridden(&server, days_ago, &rig, "two_fingers", 6))
            .await;
        assert_eq!(stored.status(), 200);
    }
    let horse = server.oatcake;
    let rigs = trainer.json(&format!("/api/horses/{horse}/rigs")).await;
    let history = rigs["history"].as_array().unwrap();
    assert_eq!(history.len(), 3, "{rigs}");
    assert_eq!(
        (&history[1]["rig"]["name"], &history[1]["new"]),
        (&json!("Short"), &json!(true))
    );
    assert_eq!(
        (&history[2]["rides"], &history[0]["new"]),
        (&json!(2), &json!(false))
    );
    let shares = rigs["shares"].as_array().unwrap();
    assert_eq!(shares.len(), 2);
    let level = trainer
        .json(&format!("/api/horses/{horse}/levels/bend.flex/stand"))
        .await;
    let by_rig = level["judgement"]["rigs"].as_array().unwrap();
    let asked: u64 = by_rig
        .iter()
        .map(|one| one["asked"].as_u64().unwrap())
        .sum();
    assert_eq!(by_rig.len(), 2);
    assert_eq!(level["rigs_say"].as_array().unwrap().len(), 2);
    assert_eq!(
        asked,
        shares
            .iter()
            .map(|one| one["share"]["asked"].as_u64().unwrap())
            .sum::<u64>()
    );
    // Offline the page judges by the same rigs.
    let pack = trainer.json(&format!("/api/horses/{horse}/pack")).await;
    assert_eq!(pack["context"]["rides"][2]["rigs"][0]["name"], "Short");
    // A piece of another barn is named at its field; nothing is stored.
    let foreign = worn(Uuid::from_u128(5), "snaffle", "");
    let (status, said) = problem(
        trainer
            .batch(&ridden(&server, 1, &foreign, "feather", 2))
            .await,
    )
    .await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (404, &json!("/rides/0/rigs/0/gear_id"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_ride_in_the_two_rein_keeps_its_ribbon_and_says_how_the_next_starts(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    let path = format!("/api/horses/{horse}/two-rein");
    let empty = trainer.json(&path).await;
    assert_eq!(empty["next"]["bosal_pct"], 90.0);
    for days_ago in [8, 6, 4, 2] {
        let mut batch = ridden(
            &server,
            days_ago,
            &json!({"after_ms": 0, "kind": "two_rein"}),
            "feather",
            2,
        );
        let ride = &mut batch["rides"][0];
        ride["finished_after_ms"] = json!(30 * 60_000);
        ride["shares"] =
            json!([{"after_ms": 0, "bosal_pct": 80}, {"after_ms": 15 * 60_000, "bosal_pct": 40}]);
        let back = (days_ago == 8)
            .then(|| json!({"ask_id": Uuid::now_v7(), "after_ms": 1_200_000, "ask": "back"}));
        let mut asked =
            vec![json!({"ask_id": Uuid::now_v7(), "after_ms": 600_000, "ask": "for_bridle"})];
        asked.extend(back);
        ride["horse_asked"] = Value::Array(asked);
        assert_eq!(trainer.batch(&batch).await.status(), 200);
        // The same again, the ask taken back and sent late by another device: nothing doubles.
        assert_eq!(trainer.batch(&batch).await.status(), 200);
    }
    let shown = trainer.json(&path).await;
    let one = trainer
        .json(&format!(
            "/api/rides/{}",
            shown["rides"][0]["ride_id"].as_str().unwrap()
        ))
        .await;
    assert_eq!(one["two_rein"], shown["rides"][0]["ride"]);
    let rides = shown["rides"].as_array().unwrap();
    assert_eq!(rides.len(), 4);
    assert_eq!(rides[0]["said"]["mean_bosal_pct"], 60.0);
    assert_eq!(rides[0]["said"]["asks"][0]["sustained"], false);
    assert_eq!(rides[0]["said"]["asks"][0]["held_min"], 10.0);
    assert_eq!(rides[1]["said"]["asks"][0]["sustained"], true);
    assert_eq!(rides[3]["planned_bosal_pct"], 90.0 - 80.0 * 6.0 / 365.0);
    // Sustained on three of the last four days: ten points to the bridle.
    assert_eq!(
        (&shown["next"]["bosal_pct"], &shown["next"]["because"]),
        (&json!(70.0), &json!("sustained"))
    );
    let mut bad = ridden(
        &server,
        1,
        &json!({"after_ms": 0, "kind": "two_rein"}),
        "feather",
        1,
    );
    bad["rides"][0]["shares"] = json!([{"after_ms": 0, "bosal_pct": 101}]);
    let (status, said) = problem(trainer.batch(&bad).await).await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/rides/0/shares/0/bosal_pct"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn hands_heavier_than_the_tack_allows_are_said_to_the_trainer_alone(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    clear(&server, "rider", json!({})).await;
    let rider = server.person("rider@home").await;
    let bit = hang(&trainer, &shank("Short")).await;
    let rig = json!({"after_ms": 0, "kind": "shank", "gear_id": bit});
    assert_eq!(
        rider
            .batch(&ridden(&server, 2, &rig, "forearm", 6))
            .await
            .status(),
        200
    );
    assert_eq!(
        trainer
            .batch(&ridden(&server, 3, &rig, "feather", 6))
            .await
            .status(),
        200
    );
    // The rider is not cleared for such tack: the ride is kept, and the trainer is told.
    let heavy = ridden(&server, 1, &rig, "two_fingers", 1);
    assert_eq!(rider.batch(&heavy).await.status(), 200);
    let path = format!(
        "/api/rides/{}",
        heavy["rides"][0]["ride_id"].as_str().unwrap()
    );
    let told = trainer.json(&path).await["not_cleared"].to_string();
    assert!(told.contains("quiet hands"), "{told}");
    assert_eq!(rider.json(&path).await["not_cleared"], json!([]));
    let hands = trainer.json("/api/hands").await;
    let hands = hands.as_array().unwrap();
    assert_eq!(hands.len(), 2);
    let of = |worth: bool| {
        hands
            .iter()
            .find(|one| one["worth_a_word"] == worth)
            .unwrap()
    };
    assert!(
        of(true)["says"]
            .as_str()
            .unwrap()
            .contains("more in the hand than the tack allows")
    );
    assert_eq!(of(false)["says"], Value::Null);
    assert_eq!(of(true)["weeks"][0]["heavy"], "forearm");
    let own = rider.json("/api/hands").await;
    assert_eq!(
        own.as_array().unwrap().len(),
        1,
        "others' hands are not the rider's"
    );
    assert_eq!(own[0]["says"], Value::Null);
    let owner = server.person("owner@home").await;
    assert_eq!(owner.get("/api/hands").await.status(), 403);
}
