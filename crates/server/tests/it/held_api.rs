//! Held is a state, over HTTP: a horse placed by hand, a side that dropped and who looked,
//! what was lost told once, histories told anew after an update.

use crate::barn::{Server, SetClock, TABLES, Visitor, delete, level, ride, soft_rides, until};
use jiff::{SignedDuration, Timestamp};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn flex(visitor: &Visitor, horse: Uuid) -> Value {
    let path = format!("/api/horses/{horse}/levels/bend.flex/stand");
    visitor.json(&path).await["judgement"].clone()
}

/// A ride so many days ago on which every answer of these sides is braced.
async fn braced(server: &Server, horse: Uuid, days_ago: i64, sides: &[&str]) {
    let mut batch = ride(horse, days_ago, 5);
    for rep in batch["reps"].as_array_mut().unwrap() {
        if sides.contains(&rep["side"].as_str().unwrap()) {
            rep["measure"]["answer"] = json!("did_not_give");
            rep["measure"]["time_s"] = json!(8.0);
        }
    }
    let rider = server.person("rider@home").await;
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
}

fn placing(levels: &[(&str, &str)]) -> Value {
    let levels: Vec<Value> = levels
        .iter()
        .map(|(skill, rung)| json!({"skill": skill, "rung": rung}))
        .collect();
    json!({"placing_id": Uuid::now_v7(), "levels": levels})
}

#[sqlx::test(migrator = "TABLES")]
async fn only_a_trainer_places_a_horse_of_the_barn_and_on_levels_there_are(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/placings", server.thimble);
    let rider = server.person("rider@home").await;
    let new = placing(&[("start.brake", "jog"), ("bend.hip", "walk")]);
    assert_eq!(
        rider.post(&path, &new).await.status(),
        StatusCode::FORBIDDEN
    );
    let elsewhere = format!("/api/horses/{}/placings", server.stranger);
    assert_eq!(
        trainer.post(&elsewhere, &new).await.status(),
        StatusCode::NOT_FOUND
    );
    let none = json!({"placing_id": Uuid::now_v7(), "levels": []});
    assert_eq!(
        trainer.post(&path, &none).await.status(),
        StatusCode::UNPROCESSABLE_ENTITY
    );
    let unknown = placing(&[("bend.flex", "gallop")]);
    assert_eq!(
        trainer.post(&path, &unknown).await.status(),
        StatusCode::UNPROCESSABLE_ENTITY
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_trainer_places_a_horse_and_all_under_it_goes_along(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/placings", server.thimble);
    let page = format!("/api/horses/{}/page", server.thimble);
    let rider = server.person("rider@home").await;
    let new = placing(&[("start.brake", "jog"), ("bend.hip", "walk")]);
    assert_eq!(
        trainer.post(&path, &new).await.status(),
        StatusCode::CREATED
    );
    // Sent again after a lost answer it is the same placing; with other words it is not.
    assert_eq!(
        trainer.post(&path, &new).await.status(),
        StatusCode::CREATED
    );
    let mut other = new.clone();
    other["levels"] = json!([{"skill": "bend.flex", "rung": "stand"}]);
    assert_eq!(
        trainer.post(&path, &other).await.status(),
        StatusCode::CONFLICT
    );
    let shown = trainer.json(&page).await;
    for (skill, rung) in [
        ("start.brake", "jog"),
        ("start.brake", "stand"),
        ("start.mount", "stand"),
        ("bend.hip", "walk"),
        ("bend.flex", "stand"),
    ] {
        assert_eq!(
            level(&shown, skill, rung)["counts_as_held"],
            true,
            "{skill} {rung}"
        );
    }
    assert_eq!(level(&shown, "start.brake", "jog")["state"], "placed");
    assert_eq!(
        level(&shown, "start.brake", "lope")["counts_as_held"],
        false
    );

    let id = new["placing_id"].as_str().unwrap();
    let back = format!("/api/placings/{id}");
    assert_eq!(delete(&rider, &back).await, StatusCode::FORBIDDEN);
    assert_eq!(delete(&trainer, &back).await, StatusCode::NO_CONTENT);
    assert_eq!(delete(&trainer, &back).await, StatusCode::NOT_FOUND);
    let shown = trainer.json(&page).await;
    assert_eq!(level(&shown, "bend.flex", "stand")["counts_as_held"], false);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_side_that_dropped_stays_open_until_a_trainer_says_who_looked(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    soft_rides(&server, horse, &[12, 11, 10, 9, 8]).await;
    braced(&server, horse, 4, &["right"]).await;
    for days_ago in [3, 2, 1] {
        braced(&server, horse, days_ago, &["right"]).await;
        let said = flex(&trainer, horse).await;
        assert_eq!(said["verdict"], "check_first", "{days_ago} days ago");
    }
    let said = flex(&trainer, horse).await;
    let caution = &said["cautions"][0];
    assert_eq!(
        (&caution["because"], &caution["side"]),
        (&json!("side_drop"), &json!("right"))
    );

    let path = format!("/api/horses/{horse}/drop-answers");
    let answer = |side: &str, text: &str| {
        json!({"answer_id": Uuid::now_v7(), "level": {"skill": "bend.flex", "rung": "stand"},
               "side": side, "text": text})
    };
    let rider = server.person("rider@home").await;
    let good = answer("right", "The dentist floated a sharp tooth.");
    assert_eq!(
        rider.post(&path, &good).await.status(),
        StatusCode::FORBIDDEN
    );
    for bad in [answer("right", " "), answer("both", "Looked at.")] {
        assert_eq!(
            trainer.post(&path, &bad).await.status(),
            StatusCode::UNPROCESSABLE_ENTITY
        );
    }
    let other = answer("left", "The left is fine.");
    assert_eq!(
        trainer.post(&path, &other).await.status(),
        StatusCode::CREATED
    );
    assert_eq!(
        flex(&trainer, horse).await["verdict"],
        "check_first",
        "the other side"
    );
    assert_eq!(
        trainer.post(&path, &good).await.status(),
        StatusCode::CREATED
    );
    assert_eq!(
        trainer.post(&path, &good).await.status(),
        StatusCode::CREATED,
        "sent again"
    );
    assert_ne!(flex(&trainer, horse).await["verdict"], "check_first");
}

#[sqlx::test(migrator = "TABLES")]
async fn what_was_lost_is_told_once_with_its_reason(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    soft_rides(&server, horse, &[12, 11, 10, 9, 8, 7, 6, 5]).await;
    assert_eq!(flex(&trainer, horse).await["state"], "held");
    for days_ago in [4, 3, 2, 1, 0] {
        braced(&server, horse, days_ago, &["left", "right"]).await;
    }
    let said = flex(&trainer, horse).await;
    assert_eq!(said["state"], "lost");
    let changes = said["changes"].as_array().unwrap();
    assert!(
        changes.iter().any(|one| one["moved"] == "lost"),
        "{changes:?}"
    );
    let told = trainer.json("/api/news").await;
    assert_eq!(told.as_array().unwrap().len(), 1, "{told}");
    let text = told[0]["text"].as_str().unwrap();
    assert!(
        text.contains("Lost: ") && text.contains("weren't soft"),
        "{text}"
    );
    let seen = format!("/api/news/{}/seen", told[0]["news_id"].as_str().unwrap());
    assert_eq!(
        trainer.post(&seen, &json!({})).await.status(),
        StatusCode::NO_CONTENT
    );
    assert_eq!(trainer.json("/api/news").await, json!([]));
    braced(&server, horse, 0, &["left"]).await;
    assert_eq!(trainer.json("/api/news").await, json!([]), "not told again");
    let page = format!("/api/horses/{horse}/page");
    assert_eq!(
        level(&trainer.json(&page).await, "bend.flex", "stand")["counts_as_held"],
        false
    );
    let rider = server.person("rider@home").await;
    assert_eq!(rider.get("/api/news").await.status(), StatusCode::FORBIDDEN);
}

#[sqlx::test(migrator = "TABLES")]
async fn after_an_update_histories_are_told_anew_and_what_changed_is_said_once(pool: PgPool) {
    let server = Server::start(pool).await;
    let horse = server.oatcake;
    soft_rides(&server, horse, &[12, 11, 10, 9, 8, 7, 6, 5]).await;
    for days_ago in [4, 3, 2, 1] {
        braced(&server, horse, days_ago, &["left", "right"]).await;
    }
    // As the program of before left it: held, whatever came after, and no history told by the
    // rules of now.
    sqlx::query("update kept_verdict set state = 'held', verdict = 'stay'")
        .execute(&server.pool)
        .await
        .unwrap();
    for table in ["history_told", "news"] {
        sqlx::query(sqlx::AssertSqlSafe(format!("delete from {table}")))
            .execute(&server.pool)
            .await
            .unwrap();
    }
    let updated = server.another().await;
    let trainer = updated.person("trainer@home").await;
    let told = until(
        || trainer.json("/api/news"),
        |news| news.as_array().is_some_and(|news| !news.is_empty()),
    )
    .await;
    assert_eq!(
        told.as_array().unwrap().len(),
        1,
        "one for the horse: {told}"
    );
    let text = told[0]["text"].as_str().unwrap();
    assert!(text.contains("lost: "), "{text}");
    assert_eq!(
        (&told[0]["horse"], &told[0]["level"]),
        (&json!("Oatcake"), &Value::Null)
    );
    let seen = format!("/api/news/{}/seen", told[0]["news_id"].as_str().unwrap());
    assert_eq!(
        trainer.post(&seen, &json!({})).await.status(),
        StatusCode::NO_CONTENT
    );
    assert_eq!(trainer.json("/api/news").await, json!([]));
    // A further start tells nothing again.
    let again = server.another().await;
    let trainer = again.person("trainer@home").await;
    assert_eq!(trainer.json("/api/news").await, json!([]));
    let nothing = format!("/api/news/{}/seen", Uuid::now_v7());
    assert_eq!(
        trainer.post(&nothing, &json!({})).await.status(),
        StatusCode::NOT_FOUND
    );
}

/// A ride so many days ago on which the brake is asked, not soft on these sides.
async fn brake_missed(server: &Server, horse: Uuid, days_ago: i64, rung: &str, sides: &[&str]) {
    let mut batch = ride(horse, days_ago, 2);
    for rep in batch["reps"].as_array_mut().unwrap() {
        rep["skill"] = json!("start.brake");
        rep["rung"] = json!(rung);
        if sides.contains(&rep["side"].as_str().unwrap()) {
            rep["measure"]["answer"] = json!("did_not_give");
            rep["measure"]["time_s"] = json!(8.0);
        }
    }
    let rider = server.person("rider@home").await;
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
}

#[sqlx::test(migrator = "TABLES")]
async fn road_and_intake_say_what_a_lost_brake_keeps_the_horse_from(pool: PgPool) {
    // Placed three days before it is asked.
    let ago = |days: i64| Timestamp::now() - SignedDuration::from_hours(24 * days);
    let clock = SetClock::at(&ago(3).to_string());
    let server = Server::start_with(pool, clock.settings()).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.thimble;
    let path = |what: &str| format!("/api/horses/{horse}/{what}");
    let new = placing(&[("start.brake", "lope")]);
    let placed = trainer.post(&path("placings"), &new).await;
    assert_eq!(placed.status(), StatusCode::CREATED);
    let pack = trainer.json(&path("pack")).await;
    assert_eq!(pack["brake_lost"], Value::Null);
    assert_eq!(trainer.json(&path("road")).await["brake_lost"], Value::Null);

    clock.put(&ago(0).to_string());
    brake_missed(&server, horse, 0, "walk", &["right"]).await;
    let brake = trainer.json(&path("pack")).await["brake_lost"].clone();
    let why = brake["text"].as_str().unwrap_or_default();
    assert!(
        why.starts_with("Standing only: the brake missed twice on the right"),
        "{brake}"
    );
    let too_fast = brake["too_fast"].as_array().unwrap();
    let jog = json!({"skill": "start.brake", "rung": "jog"});
    let walk = json!({"skill": "start.brake", "rung": "walk"});
    assert!(
        too_fast.contains(&jog) && !too_fast.contains(&walk),
        "{brake}"
    );
    // What a device hands to the calculator is what it takes.
    let asked = json!({"brake": brake, "sex": "gelding"});
    assert!(cavesson_core::calc::find("intake").is_some_and(|intake| (intake.run)(asked).is_ok()));
    assert_eq!(trainer.json(&path("road")).await["brake_lost"], why);
}
