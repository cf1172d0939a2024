//! Nonsense is refused with words that say what is allowed; what was said twice is
//! said once; what is answered is so.

use crate::barn::{Server, TABLES, level, problem, put, soft_rides};
use jiff::civil::Date;
use jiff::tz::TimeZone;
use jiff::{Timestamp, ToSpan};
use reqwest::StatusCode;
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

fn today() -> Date {
    Timestamp::now()
        .to_zoned(TimeZone::get("America/Denver").unwrap())
        .date()
}

#[sqlx::test(migrator = "TABLES")]
async fn every_date_lies_where_it_can(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = format!("/api/horses/{}", server.oatcake);
    let tomorrow = today().saturating_add(1.day());
    for (day, says) in [
        (
            "0559-03-01".to_owned(),
            "must be 2020-01-01 (the year the horse was foaled)",
        ),
        ("1802-11-30".to_owned(), "must be 2020-01-01"),
        ("2019-12-31".to_owned(), "must be 2020-01-01"),
        (tomorrow.to_string(), "(today), found"),
    ] {
        let note = json!({"care_id": Uuid::now_v7(), "kind": "pain", "day": day, "text": ""});
        let (status, body) = problem(trainer.post(&format!("{horse}/care"), &note).await).await;
        assert_eq!((status, &body["errors"][0]["field"]), (422, &json!("/day")));
        assert!(
            body["errors"][0]["detail"].as_str().unwrap().contains(says),
            "{body}"
        );
    }
    for day in [
        today().saturating_sub(1.day()),
        today().saturating_add(401.days()),
    ] {
        let block = json!({"block_id": Uuid::now_v7(), "day": day, "skill": "bend.flex", "rung": "stand", "text": "Bend."});
        let (status, body) =
            problem(trainer.post(&format!("{horse}/card-blocks"), &block).await).await;
        assert_eq!(
            (status, &body["errors"][0]["field"]),
            (422, &json!("/day")),
            "{day}"
        );
    }
    for on in [
        "2019-12-31".to_owned(),
        tomorrow.to_string(),
        "9999-12-31".to_owned(),
    ] {
        for path in [
            format!("{horse}/page?on={on}"),
            format!("{horse}/levels/bend.flex/stand?on={on}"),
            format!("/api/board?on={on}"),
        ] {
            let (status, body) = problem(trainer.get(&path).await).await;
            assert_eq!(
                (status, &body["errors"][0]["field"]),
                (422, &json!("/on")),
                "{path}"
            );
        }
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn every_text_can_be_printed(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = format!("/api/horses/{}", server.oatcake);
    let says = |text: &str| {
        vec![
            (
                "/text",
                format!("{horse}/care"),
                json!({"care_id": Uuid::now_v7(), "kind": "teeth", "day": today(), "text": text}),
            ),
            (
                "/text",
                format!("{horse}/card-blocks"),
                json!({"block_id": Uuid::now_v7(), "day": today(), "skill": "bend.flex", "rung": "stand", "text": text}),
            ),
            (
                "/reason",
                format!("{horse}/overrules"),
                json!({"overrule_id": Uuid::now_v7(), "skill": "bend.flex", "rung": "stand", "counts_as": "check_first", "reason": text}),
            ),
            (
                "/content/name",
                "/api/programs".to_owned(),
                json!({"program_id": Uuid::now_v7(), "content": {"name": text}}),
            ),
        ]
    };
    for text in [
        "\u{0}",
        "bell \u{7}",
        "turned\u{202e}over",
        "zero\u{200b}width",
    ] {
        for (field, path, body) in says(text) {
            let (status, found) = problem(trainer.post(&path, &body).await).await;
            assert_eq!(
                (status, &found["errors"][0]["field"]),
                (422, &json!(field)),
                "{path} {text:?}"
            );
            assert!(
                found["errors"][0]["detail"]
                    .as_str()
                    .unwrap()
                    .contains("cannot be printed"),
                "{found}"
            );
        }
    }
    for (field, path, body) in says(&"long ".repeat(200)) {
        let (status, found) = problem(trainer.post(&path, &body).await).await;
        assert_eq!(
            (status, &found["errors"][0]["field"]),
            (422, &json!(field)),
            "{path}"
        );
    }
    for (_, path, body) in says("  Zügel, größer  ") {
        let answer = trainer.post(&path, &body).await;
        assert_eq!(answer.status(), StatusCode::CREATED, "{path}");
    }
    let page = trainer.json(&format!("{horse}/page")).await;
    assert_eq!(page["care"][0]["text"], "Zügel, größer", "kept trimmed");
    assert_eq!(
        trainer.json("/api/programs").await[0]["name"],
        "Zügel, größer"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_resent_card_block_is_the_same_or_a_conflict(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/card-blocks", server.oatcake);
    let block = json!({"block_id": Uuid::now_v7(), "day": today(), "skill": "bend.flex",
        "rung": "stand", "side": "left", "text": "More on the left.", "fault": "roots_down"});
    for _ in 0..2 {
        assert_eq!(
            trainer.post(&path, &block).await.status(),
            StatusCode::CREATED
        );
    }
    for (field, value) in [
        ("side", json!("right")),
        ("side", json!(null)),
        ("fault", json!("head_up")),
        ("text", json!("Other.")),
    ] {
        let mut changed = block.clone();
        changed[field] = value;
        let (status, body) = problem(trainer.post(&path, &changed).await).await;
        assert_eq!(
            (status, &body["errors"][0]["field"]),
            (409, &json!("/block_id")),
            "{field}"
        );
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn a_flag_that_was_cleared_can_be_opened_again(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let (care_id, horse) = (Uuid::now_v7(), server.oatcake);
    let note = json!({"care_id": care_id, "kind": "pain", "day": today(), "text": "Ears back."});
    trainer
        .post(&format!("/api/horses/{horse}/care"), &note)
        .await;
    let cleared_on = async |cleared: bool| -> Value {
        let done = put(
            &trainer,
            &format!("/api/care/{care_id}"),
            json!({"cleared": cleared}),
        )
        .await;
        assert_eq!(done.status(), StatusCode::NO_CONTENT);
        trainer.json(&format!("/api/horses/{horse}/page")).await["care"][0]["cleared_on"].clone()
    };
    assert_eq!(cleared_on(true).await, json!(today()));
    assert_eq!(cleared_on(false).await, json!(null));
}

#[sqlx::test(migrator = "TABLES")]
async fn an_overrule_of_a_level_that_is_not_there_is_refused(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let path = format!("/api/horses/{}/overrules", server.oatcake);
    for (skill, rung, field) in [
        ("bend.pretzel", "stand", "/skill"),
        ("bend.flex", "gallop", "/rung"),
    ] {
        let decision = json!({"overrule_id": Uuid::now_v7(), "skill": skill, "rung": rung,
            "counts_as": "advance", "reason": "Because."});
        let (status, body) = problem(trainer.post(&path, &decision).await).await;
        assert_eq!((status, &body["errors"][0]["field"]), (422, &json!(field)));
    }
    let decided: i64 =
        sqlx::query_scalar("select count(*) from overrule where reason = 'Because.'")
            .fetch_one(&server.pool)
            .await
            .unwrap();
    assert_eq!(decided, 0);
}

/// What was committed is answered as stored, whatever the judging after it does.
#[sqlx::test(migrator = "TABLES")]
async fn what_was_committed_is_answered_as_stored(pool: PgPool) {
    let server = Server::start(pool).await;
    sqlx::raw_sql(
        "create function refuse() returns trigger language plpgsql as $$ begin raise exception 'no verdicts today'; end $$;
         create trigger refuse before insert on kept_verdict for each row execute function refuse();",
    )
    .execute(&server.pool)
    .await
    .unwrap();
    soft_rides(&server, server.oatcake, &[3, 1]).await;
    assert_eq!(server.stored().await, (20, 2));
    let trainer = server.person("trainer@home").await;
    let page = trainer
        .json(&format!("/api/horses/{}/page", server.oatcake))
        .await;
    assert_eq!(level(&page, "bend.flex", "stand")["days"], 2);
    // Made good once they can be kept again.
    sqlx::raw_sql("drop trigger refuse on kept_verdict")
        .execute(&server.pool)
        .await
        .unwrap();
    soft_rides(&server, server.oatcake, &[0]).await;
    let kept: i64 = sqlx::query_scalar("select count(*) from kept_verdict")
        .fetch_one(&server.pool)
        .await
        .unwrap();
    assert!(kept > 0);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_heavy_calculator_asks_for_a_sign_in(pool: PgPool) {
    let server = Server::start(pool).await;
    let (visitor, helper) = (server.visitor(), server.person("helper@home").await);
    for calculator in visitor.json("/api/calc").await.as_array().unwrap() {
        let path = format!("/api/calc/{}", calculator["name"].as_str().unwrap());
        let expected = if calculator["cost"] == "heavy" {
            401
        } else {
            422
        };
        let input = json!({"nonsense": 1});
        assert_eq!(
            problem(visitor.post(&path, &input).await).await.0,
            expected,
            "{path}"
        );
        assert_eq!(
            problem(helper.post(&path, &input).await).await.0,
            422,
            "{path}"
        );
    }
    let asks = json!({"skill": "bend.flex", "rung": "stand", "left": 60, "right": 60});
    let huge = json!({"rides": {"count": 200, "first_day": "2024-01-01", "asks": vec![asks; 60]}, "seed": 1});
    let (status, body) = problem(helper.post("/api/calc/simulate-horse", &huge).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (422, &json!("/rides"))
    );
}
