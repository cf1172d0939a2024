//! The road to a date over HTTP: goals with levels, what a road rests on, dates at risk, who
//! sees them, what the week makes of them.

use crate::barn::{Server, TABLES, Visitor, answered, problem, put, soft_rides};
use jiff::ToSpan;
use jiff::civil::Date;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn today(visitor: &Visitor) -> Date {
    let shown = visitor.json("/api/today").await;
    shown["day"].as_str().unwrap().parse().unwrap()
}

fn level(skill: &str, rung: &str) -> Value {
    json!({"skill": skill, "rung": rung})
}

fn goal(name: &str, day: Date, levels: &[Value]) -> Value {
    json!({"kind": "show", "name": name, "day": day, "levels": levels})
}

fn goals_path(horse: Uuid) -> String {
    format!("/api/horses/{horse}/goals")
}

async fn road(visitor: &Visitor, horse: Uuid) -> Value {
    visitor.json(&format!("/api/horses/{horse}/road")).await
}

async fn set(trainer: &Visitor, horse: Uuid, goals: Value) {
    let (status, said) = answered(put(trainer, &goals_path(horse), goals).await).await;
    assert_eq!(status, 204, "{said}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_goal_names_levels_of_the_horses_ladder_each_once(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let day = today(&trainer).await.saturating_add(90.days());
    let path = goals_path(server.oatcake);
    let flex = level("bend.flex", "stand");
    for (levels, field, says) in [
        (
            vec![level("bend.flex", "moon")],
            "/0/levels/0/rung",
            "stand",
        ),
        (vec![level("moon", "stand")], "/0/levels/0/skill", "skill"),
        (vec![flex.clone(), flex.clone()], "/0/levels/1", "once"),
    ] {
        let (status, said) =
            problem(put(&trainer, &path, json!([goal("Class", day, &levels)])).await).await;
        assert_eq!(status, 422, "{said}");
        assert_eq!(said["errors"][0]["field"], field, "{said}");
        assert!(said.to_string().contains(says), "{said}");
    }
    let sheet = format!("/api/horses/{}/sheet", server.oatcake);
    assert_eq!(trainer.json(&sheet).await["goals"], json!([]));
    set(
        &trainer,
        server.oatcake,
        json!([goal("Class", day, std::slice::from_ref(&flex))]),
    )
    .await;
    assert_eq!(
        trainer.json(&sheet).await["goals"][0]["levels"],
        json!([flex])
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_level_of_another_ladder_stays_written_down_and_is_off_the_road(pool: PgPool) {
    let server = Server::start(pool.clone()).await;
    let trainer = server.person("trainer@home").await;
    let day = today(&trainer).await.saturating_add(90.days());
    let flex = level("bend.flex", "stand");
    set(
        &trainer,
        server.oatcake,
        json!([goal("Class", day, std::slice::from_ref(&flex))]),
    )
    .await;
    // A later ladder has dropped a level that the goal names.
    let gone = level("bend.flex", "on the moon");
    sqlx::query("update goal set levels = levels || $1")
        .bind(json!([gone]))
        .execute(&pool)
        .await
        .unwrap();
    let shown = road(&trainer, server.oatcake).await;
    assert_eq!(shown["not_on_ladder"], json!([gone]));
    assert_eq!(shown["asked"]["road"]["goals"][0]["levels"], json!([flex]));
    // What it named already may stay when the goals are set again.
    set(
        &trainer,
        server.oatcake,
        json!([goal("Class", day, &[flex, gone])]),
    )
    .await;
}

#[sqlx::test(migrator = "TABLES")]
async fn without_levels_there_is_no_road_and_no_risk(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let day = today(&trainer).await.saturating_add(9.days());
    set(&trainer, server.oatcake, json!([goal("Sale", day, &[])])).await;
    let shown = road(&trainer, server.oatcake).await;
    assert_eq!(
        (&shown["asked"], &shown["found"]),
        (&Value::Null, &Value::Null)
    );
    assert_eq!(shown["goals"][0]["name"], "Sale");
    assert_eq!(trainer.json("/api/dates-at-risk").await, json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn the_road_rests_on_the_horses_asks_and_the_calculator_says_the_same(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let today = today(&trainer).await;
    // Oatcake is under way; Thimble came to hold the level, by rides until yesterday.
    soft_rides(&server, server.oatcake, &[3, 2]).await;
    let days: Vec<i64> = (1..=14).rev().collect();
    soft_rides(&server, server.thimble, &days).await;
    let goals = json!([goal(
        "Class",
        today.saturating_add(120.days()),
        &[level("bend.flex", "stand"), level("bend.hip", "stand")]
    )]);
    set(&trainer, server.oatcake, goals).await;
    let shown = road(&trainer, server.oatcake).await;
    let asked = &shown["asked"]["road"];
    let stands = asked["levels"].as_array().unwrap();
    let flex = stands
        .iter()
        .find(|one| one["level"]["skill"] == "bend.flex")
        .unwrap();
    assert_eq!(
        (&flex["held"], &flex["asked_rides"]),
        (&json!(false), &json!(2))
    );
    // One horse here came to hold it: that is said, with the shipped default beside it.
    let pace = shown["pace"].as_array().unwrap();
    let of_flex = pace
        .iter()
        .find(|one| one["level"]["skill"] == "bend.flex")
        .unwrap();
    assert_eq!(of_flex["horses"], 1, "{of_flex}");
    assert_eq!(of_flex["under_way"], 1, "{of_flex}");
    let found = &shown["found"];
    assert!(
        found["rests_on"].as_str().unwrap().contains("1 horse"),
        "{found}"
    );
    let goal = &found["road"]["goals"][0];
    let chance = goal["chance"].as_f64().unwrap();
    assert!((0.0..=1.0).contains(&chance));
    let order = ["from", "median", "to"].map(|field| goal[field].as_str().map(str::to_owned));
    assert!(
        order.is_sorted_by_key(|day| day.clone().unwrap_or("9999".into())),
        "{goal}"
    );
    assert!(!found["road"]["chain"].as_array().unwrap().is_empty());
    // The same question to the calculator, the same seed: the same road.
    let (status, said) = answered(trainer.post("/api/calc/road", &shown["asked"]).await).await;
    assert_eq!(status, 200, "{said}");
    assert_eq!(said, *found);
    // Looked at again nothing has changed; another ride of hers changes what is asked.
    assert_eq!(road(&trainer, server.oatcake).await["found"], *found);
    soft_rides(&server, server.oatcake, &[1]).await;
    let later = road(&trainer, server.oatcake).await;
    let stands = later["asked"]["road"]["levels"].as_array().unwrap();
    let flex = stands
        .iter()
        .find(|one| one["level"]["skill"] == "bend.flex")
        .unwrap();
    assert_eq!(flex["asked_rides"], 3);
}

#[sqlx::test(migrator = "TABLES")]
async fn what_was_held_stands_behind_today(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let days: Vec<i64> = (1..=14).rev().collect();
    soft_rides(&server, server.thimble, &days).await;
    let shown = road(&trainer, server.thimble).await;
    let behind = shown["behind"].as_array().unwrap();
    assert_eq!(behind.len(), 1, "{behind:?}");
    assert_eq!(behind[0]["level"]["skill"], "bend.flex");
    let today = today(&trainer).await;
    assert!(behind[0]["day"].as_str().unwrap().parse::<Date>().unwrap() < today);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_date_at_risk_is_said_once_to_those_who_may_see_the_horse(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let soon = today(&trainer).await.saturating_add(7.days());
    let far = today(&trainer).await.saturating_add(380.days());
    let flex = [level("bend.flex", "stand")];
    // A week is not enough, twice over; a year is.
    let too_soon = json!([goal("Class", soon, &flex), goal("Sale", soon, &flex)]);
    set(&trainer, server.oatcake, too_soon).await;
    set(&trainer, server.thimble, json!([goal("Class", far, &flex)])).await;
    let said = trainer.json("/api/dates-at-risk").await;
    let said = said.as_array().unwrap();
    assert_eq!(said.len(), 1, "{said:?}");
    assert_eq!(said[0]["horse_id"], json!(server.oatcake));
    let text = said[0]["text"].as_str().unwrap();
    assert!(
        text.contains("Oatcake: Class") && text.contains("at risk"),
        "{text}"
    );
    // An owner hears of the own horses alone.
    let owner = server.person("owner@home").await;
    let own: Vec<Value> = owner.json("/api/horses").await.as_array().unwrap().clone();
    let owns = own
        .iter()
        .any(|horse| horse["horse_id"] == json!(server.oatcake));
    let heard = owner.json("/api/dates-at-risk").await;
    assert_eq!(
        heard.as_array().unwrap().len(),
        usize::from(owns),
        "{heard}"
    );
    let stranger = server.person("trainer@other").await;
    assert_eq!(stranger.json("/api/dates-at-risk").await, json!([]));
}

#[sqlx::test(migrator = "TABLES")]
async fn the_weeks_priorities_follow_the_road(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let today = today(&trainer).await;
    let priority = async |horse: Uuid| {
        let week = trainer.json(&format!("/api/weeks/{today}")).await;
        let horses = week["instance"]["horses"].as_array().unwrap();
        let one = horses
            .iter()
            .find(|one| one["horse_id"] == json!(horse))
            .unwrap();
        one["priority"].as_f64().unwrap()
    };
    assert_eq!(priority(server.oatcake).await, 1.0);
    // A date alone counts by its nearness; one with levels by what rides change about it.
    let flex = [level("bend.flex", "stand")];
    set(&trainer, server.oatcake, json!([goal("Sale", today, &[])])).await;
    assert_eq!(priority(server.oatcake).await, 2.0);
    set(
        &trainer,
        server.oatcake,
        json!([goal("Class", today.saturating_add(1.day()), &flex)]),
    )
    .await;
    assert_eq!(
        priority(server.oatcake).await,
        1.0,
        "no ride changes what is lost"
    );
    set(
        &trainer,
        server.oatcake,
        json!([goal("Class", today.saturating_add(16.days()), &flex)]),
    )
    .await;
    let torn = priority(server.oatcake).await;
    assert!(torn > 1.05 && torn <= 2.0, "{torn}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_program_says_which_levels_it_leads_to(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let new = json!({"program_id": Uuid::now_v7(), "content": {"name": "Ninety days"}});
    let (status, said) = answered(trainer.post("/api/programs", &new).await).await;
    assert_eq!(status, 201, "{said}");
    let path = format!(
        "/api/programs/{}/leads-to",
        new["program_id"].as_str().unwrap()
    );
    let flex = level("bend.flex", "stand");
    let (status, said) = problem(
        put(
            &trainer,
            &path,
            json!({"levels": [level("bend.flex", "moon")]}),
        )
        .await,
    )
    .await;
    assert_eq!(
        (status, &said["errors"][0]["field"]),
        (422, &json!("/levels/0/rung")),
        "{said}"
    );
    let (status, said) = answered(put(&trainer, &path, json!({"levels": [flex]})).await).await;
    assert_eq!(status, 204, "{said}");
    let programs = trainer.json("/api/programs").await;
    let own = programs
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["name"] == "Ninety days");
    assert_eq!(own.unwrap()["leads_to"], json!([flex]));
    let (status, _) = answered(
        put(
            &trainer,
            &format!("/api/programs/{}/leads-to", Uuid::now_v7()),
            json!({"levels": []}),
        )
        .await,
    )
    .await;
    assert_eq!(status, 404);
}
