//! Signing in and out.

use crate::barn::{PASSWORD, Server, TABLES, problem};
use cavesson_server::Settings;
use reqwest::{Method, StatusCode};
use sqlx::PgPool;

#[sqlx::test(migrator = "TABLES")]
async fn a_person_signs_in_and_out(pool: PgPool) {
    let server = Server::start(pool).await;
    let visitor = server.visitor();
    assert_eq!(problem(visitor.get("/api/today").await).await.0, 401);
    let answer = visitor.sign_in(" Trainer@Home ", PASSWORD).await;
    assert_eq!(answer.status(), StatusCode::OK);
    let cookie = answer.headers()["set-cookie"].to_str().unwrap().to_owned();
    assert!(
        cookie.contains("HttpOnly") && cookie.contains("SameSite=Strict"),
        "{cookie}"
    );
    let who = visitor.json("/api/session").await;
    assert_eq!(
        (who["role"].as_str(), who["barn"].as_str()),
        (Some("trainer"), Some("The home barn"))
    );
    let out = visitor
        .send(Method::DELETE, "/api/session", "application/json", vec![])
        .await
        .unwrap();
    assert_eq!(out.status(), StatusCode::NO_CONTENT);
    assert_eq!(problem(visitor.get("/api/session").await).await.0, 401);
    let sessions: i64 = sqlx::query_scalar("select count(*) from session")
        .fetch_one(&server.pool)
        .await
        .unwrap();
    assert_eq!(sessions, 0, "the session is gone from the server too");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_wrong_sign_in_never_says_what_was_wrong(pool: PgPool) {
    let server = Server::start(pool).await;
    let visitor = server.visitor();
    let mut said = Vec::new();
    for (sign_in, password) in [
        ("trainer@home", "not it"),
        ("nobody@home", PASSWORD),
        ("trainer@nowhere", PASSWORD),
        ("trainer", PASSWORD),
        ("trainer\u{0}@home", PASSWORD),
        ("", ""),
    ] {
        let (status, body) = problem(visitor.sign_in(sign_in, password).await).await;
        assert_eq!(status, 401);
        said.push(body);
    }
    said.dedup();
    assert_eq!(said.len(), 1, "{said:?}");
}

#[sqlx::test(migrator = "TABLES")]
async fn too_many_tries_have_to_wait(pool: PgPool) {
    let server = Server::start_with(
        pool,
        Settings {
            sign_in_tries: 3,
            ..Settings::default()
        },
    )
    .await;
    let visitor = server.visitor();
    for _ in 0..3 {
        assert_eq!(visitor.sign_in("trainer@home", "guess").await.status(), 401);
    }
    let (status, body) = problem(visitor.sign_in("trainer@home", PASSWORD).await).await;
    assert_eq!(status, 429);
    assert!(body["detail"].as_str().unwrap().contains("wait"));
}

#[sqlx::test(migrator = "TABLES")]
async fn the_table_of_sessions_does_not_let_anybody_sign_in(pool: PgPool) {
    let server = Server::start(pool).await;
    let answer = server.visitor().sign_in("trainer@home", PASSWORD).await;
    let cookie = answer.headers()["set-cookie"].to_str().unwrap().to_owned();
    let stored: String = sqlx::query_scalar("select session_id from session")
        .fetch_one(&server.pool)
        .await
        .unwrap();
    assert!(
        !cookie.contains(&stored),
        "only a hash of the cookie is stored"
    );
}

#[sqlx::test(migrator = "TABLES")]
async fn a_person_who_left_the_barn_is_signed_out(pool: PgPool) {
    let server = Server::start(pool).await;
    let helper = server.person("helper@home").await;
    sqlx::query("delete from person where sign_in = 'helper'")
        .execute(&server.pool)
        .await
        .unwrap();
    assert_eq!(problem(helper.get("/api/today").await).await.0, 401);
}
