//! What the pages read: today, a level, its strips, a ride; and the walls.

use crate::barn::{self, Server, TABLES, problem, ride};
use reqwest::{Method, StatusCode};
use serde_json::{Value, json};
use sqlx::PgPool;
use uuid::Uuid;

async fn ridden(server: &Server, days_ago: &[i64]) -> Vec<Uuid> {
    let trainer = server.person("trainer@home").await;
    let mut rides = Vec::new();
    for ago in days_ago {
        let batch = ride(server.oatcake, *ago, 5);
        assert_eq!(trainer.batch(&batch).await.status(), StatusCode::OK);
        rides.push(
            batch["rides"][0]["ride_id"]
                .as_str()
                .unwrap()
                .parse()
                .unwrap(),
        );
    }
    rides
}

#[sqlx::test(migrator = "TABLES")]
async fn today_tells_who_is_next_and_what_matters(pool: PgPool) {
    let server = Server::start(pool).await;
    ridden(&server, &[5, 3]).await;
    let today = server.person("trainer@home").await.json("/api/today").await;
    let first = &today["string"][0];
    assert_eq!(first["horse"]["name"], "Oatcake");
    assert_eq!(first["starts_at"], "07:30:00");
    assert_eq!(first["aim"]["verdict"], "stay");
    assert_eq!(first["aim"]["soft_share"], 1.0);
    assert!(
        first["aim"]["matters"]
            .as_str()
            .unwrap()
            .contains("too few days"),
        "{first}"
    );
    assert_eq!(today["others"][0]["name"], "Thimble");
    assert_eq!(today["usual"]["skill"], "bend.flex");
    assert_eq!(today["usual"]["rung"], "stand");
}

#[sqlx::test(migrator = "TABLES")]
async fn the_verdict_changes_with_the_rides_and_can_be_seen_on_any_date(pool: PgPool) {
    let server = Server::start(pool).await;
    ridden(&server, &[9, 7, 5, 3]).await;
    let trainer = server.person("trainer@home").await;
    let level = format!("/api/horses/{}/levels/bend.flex/stand", server.oatcake);
    let now = trainer.json(&level).await;
    assert_eq!(now["judgement"]["verdict"], "advance");
    assert_eq!(now["level"]["longest_soft_s"], 2.0);
    let days = now["judgement"]["days"].as_array().unwrap();
    let said: Vec<&str> = days
        .iter()
        .map(|day| day["verdict"].as_str().unwrap())
        .collect();
    assert_eq!(said, ["stay", "stay", "advance", "advance"]);
    let on = days[0]["day"].as_str().unwrap();
    let then = trainer.json(&format!("{level}?on={on}")).await;
    assert_eq!(then["judgement"]["verdict"], "stay");
    assert_eq!(then["judgement"]["gate"]["sides"][0]["asked"], 5);
    assert_eq!(
        problem(trainer.get(&format!("{level}?on=soon")).await)
            .await
            .0,
        422
    );
    assert_eq!(
        problem(trainer.get(&format!("{level}?no=1")).await).await.0,
        422
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn strips_lead_from_the_rail_to_the_rep(pool: PgPool) {
    let server = Server::start(pool).await;
    let rides = ridden(&server, &[40, 3]).await;
    let trainer = server.person("trainer@home").await;
    let path = format!(
        "/api/horses/{}/levels/bend.flex/stand/strips",
        server.oatcake
    );
    let page = trainer.json(&path).await;
    assert_eq!(
        (&page["most_soft_hand"], &page["level"]["longest_soft_s"]),
        (&json!("two_fingers"), &json!(2.0))
    );
    let strips = page["strips"].clone();
    assert_eq!(strips[0]["in_window"], false, "40 days back");
    assert_eq!(strips[1]["in_window"], true);
    let firsts = strips[1]["reps"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|rep| rep["first_ask"] == true)
        .count();
    assert_eq!(firsts, 2, "one a side");
    let one = trainer.json(&format!("/api/rides/{}", rides[1])).await;
    assert_eq!(one["blocks"][0]["strip"]["reps"], strips[1]["reps"]);
}

#[sqlx::test(migrator = "TABLES")]
async fn another_barn_sees_nothing(pool: PgPool) {
    let server = Server::start(pool).await;
    let rides = ridden(&server, &[3]).await;
    let stranger = server.person("trainer@other").await;
    let horse = server.oatcake;
    for path in [
        format!("/api/horses/{horse}"),
        format!("/api/horses/{horse}/levels/bend.flex/stand"),
        format!("/api/horses/{horse}/levels/bend.flex/stand/strips"),
        format!("/api/rides/{}", rides[0]),
    ] {
        let (status, theirs) = problem(stranger.get(&path).await).await;
        assert_eq!(status, 404, "{path}");
        // Nothing tells another barn's horse from one that never was.
        let never = path
            .replace(&horse.to_string(), &Uuid::now_v7().to_string())
            .replace(&rides[0].to_string(), &Uuid::now_v7().to_string());
        assert_eq!(problem(stranger.get(&never).await).await.1, theirs);
    }
    let horses = stranger.json("/api/horses").await;
    assert_eq!(horses.as_array().unwrap().len(), 1);
    assert!(
        !stranger
            .json("/api/today")
            .await
            .to_string()
            .contains("Oatcake")
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_rep_for_another_barns_ride_is_not_taken(pool: PgPool) {
    let server = Server::start(pool).await;
    let rides = ridden(&server, &[0]).await;
    let stranger = server.person("trainer@other").await;
    let rep = barn::rep(rides[0], "left", jiff::Timestamp::now());
    let (status, body) = problem(stranger.batch(&json!({"reps": [rep]})).await).await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (404, &json!("/reps/0/ride_id"))
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn an_owner_sees_their_own_horse_only(pool: PgPool) {
    let server = Server::start(pool).await;
    let rides = ridden(&server, &[3]).await;
    let owner = server.person("owner@home").await;
    let names: Vec<Value> = owner
        .json("/api/horses")
        .await
        .as_array()
        .unwrap()
        .iter()
        .map(|h| h["name"].clone())
        .collect();
    assert_eq!(names, ["Oatcake"]);
    assert_eq!(owner.json("/api/today").await["others"], json!([]));
    assert_eq!(
        owner
            .get(&format!("/api/rides/{}", rides[0]))
            .await
            .status(),
        200
    );
    let thimble = format!("/api/horses/{}/levels/bend.flex/stand", server.thimble);
    assert_eq!(problem(owner.get(&thimble).await).await.0, 404);
}

#[sqlx::test(migrator = "TABLES")]
async fn addresses_that_lead_nowhere_say_so(pool: PgPool) {
    let server = Server::start(pool).await;
    let trainer = server.person("trainer@home").await;
    let horse = server.oatcake;
    for path in [
        "/api/nothing".to_owned(),
        "/api/horses/seven".to_owned(),
        format!("/api/horses/{horse}/levels/bend.flex/lope"),
        format!("/api/horses/{horse}/levels/bend.pretzel/stand"),
        format!("/api/horses/{horse}/levels/bend.flex/canter"),
        "/api/calc/nothing".to_owned(),
    ] {
        let answer = if path.contains("calc") {
            trainer.post(&path, &json!({})).await
        } else {
            trainer.get(&path).await
        };
        assert_eq!(problem(answer).await.0, 404, "{path}");
    }
    let put = trainer
        .send(Method::PUT, "/api/today", "application/json", vec![])
        .await
        .unwrap();
    assert_eq!(problem(put).await.0, 405);
}

#[sqlx::test(migrator = "TABLES")]
async fn calculators_answer_without_a_sign_in(pool: PgPool) {
    let server = Server::start(pool).await;
    let visitor = server.visitor();
    let list = visitor.json("/api/calc").await;
    let names: Vec<&str> = list
        .as_array()
        .unwrap()
        .iter()
        .map(|c| c["name"].as_str().unwrap())
        .collect();
    assert_eq!(
        names,
        [
            "share",
            "give-times",
            "evenness",
            "trend",
            "ewma",
            "cusum",
            "soft",
            "quit",
            "gate",
            "judge",
            "card",
            "intake",
            "day-rules",
            "week-rules",
            "load",
            "heat",
            "cool-out",
            "pace",
            "road",
            "lay",
            "cloverleaf",
            "fit-course",
            "setting-out",
            "drill",
            "trail-check",
            "runs",
            "homography",
            "tape",
            "ride-track",
            "sheet-look",
            "gauge-asks",
            "gauge-live",
            "gauge-hold",
            "honesty",
            "match-cattle",
            "next-cow",
            "flag-program",
            "cow-step",
            "curb",
            "snaffle",
            "show-rules",
            "two-rein",
            "bit-change",
            "simulate-horse",
            "week"
        ]
    );
    let answer = visitor
        .post("/api/calc/share", &json!({"soft": 15, "asked": 148}))
        .await;
    let share: Value = answer.json().await.unwrap();
    // Newcombe 1998, Table I, method 3 (from memory).
    assert_eq!(format!("{:.4}", share["low"].as_f64().unwrap()), "0.0624");
    let (status, body) = problem(
        visitor
            .post("/api/calc/share", &json!({"soft": 9, "asked": 4}))
            .await,
    )
    .await;
    assert_eq!(
        (status, &body["errors"][0]["field"]),
        (422, &json!("/soft"))
    );
}

/// Scripts of its own and WebAssembly, and nothing else (Content Security Policy Level 3,
/// section 2.3.1: 'wasm-unsafe-eval' lets WebAssembly run and no text as script).
#[sqlx::test(migrator = "TABLES")]
async fn the_application_may_run_its_core_and_nothing_of_others(pool: PgPool) {
    let web = std::env::temp_dir().join(format!("cavesson-web-{}", uuid::Uuid::now_v7()));
    std::fs::create_dir_all(web.join("assets")).unwrap();
    std::fs::write(web.join("index.html"), "<!doctype html>").unwrap();
    std::fs::write(web.join("assets/core-1.wasm"), b"\0asm\x01\0\0\0").unwrap();
    let settings = cavesson_server::Settings {
        web_folder: Some(web.clone()),
        ..barn::SetClock::at("2026-05-04T15:00:00Z").settings()
    };
    let server = Server::start_with(pool, settings).await;
    let page = server.visitor().get("/").await;
    let policy = page.headers()["content-security-policy"].to_str().unwrap();
    let scripts: Vec<&str> = policy
        .split(';')
        .filter_map(|part| part.trim().strip_prefix("script-src "))
        .flat_map(str::split_whitespace)
        .collect();
    assert_eq!(scripts, ["'self'", "'wasm-unsafe-eval'"]);
    let core = server.visitor().get("/assets/core-1.wasm").await;
    // Browsers compile while it comes in only under this type.
    assert_eq!(core.headers()["content-type"], "application/wasm");
    std::fs::remove_dir_all(web).unwrap();
}
