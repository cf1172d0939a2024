//! PostgreSQL that goes away, as in a restart of it: what was asked meanwhile is
//! said to be undone for now, and is never a fault of what was sent.

use crate::barn::{Server, TABLES, problem, ride, until};
use reqwest::StatusCode;
use sqlx::PgPool;

/// Waits for a session of PostgreSQL that waits for a lock, and ends it as a
/// restart does.
async fn cut_who_waits(pool: &PgPool) {
    let cut = || async {
        sqlx::query_scalar::<_, i64>(
            "select count(pg_terminate_backend(pid)) from pg_stat_activity
             where datname = current_database() and wait_event_type = 'Lock'",
        )
        .fetch_one(pool)
        .await
        .unwrap()
    };
    until(cut, |cut| *cut == 1).await;
}

#[sqlx::test(migrator = "TABLES")]
async fn asks_cut_off_by_the_database_can_be_sent_again(pool: PgPool) {
    let server = Server::start(pool.clone()).await;
    let rider = server.person("rider@home").await;
    let batch = ride(server.oatcake, 0, 1);

    let mut held = pool.begin().await.unwrap();
    sqlx::query("lock table rep in share mode")
        .execute(&mut *held)
        .await
        .unwrap();
    let (answer, ()) = tokio::join!(rider.batch(&batch), cut_who_waits(&pool));
    held.rollback().await.unwrap();

    let (status, said) = problem(answer).await;
    assert_eq!(
        (status, said["type"].as_str()),
        (503, Some("/problems/database-away"))
    );
    assert_eq!(server.stored().await, (0, 0));
    assert_eq!(rider.batch(&batch).await.status(), StatusCode::OK);
    assert_eq!(server.stored().await, (2, 1));
}

#[sqlx::test(migrator = "TABLES")]
async fn nobody_is_signed_out_because_the_database_is_away(pool: PgPool) {
    let server = Server::start(pool.clone()).await;
    let rider = server.person("rider@home").await;

    let mut held = pool.begin().await.unwrap();
    sqlx::query("lock table session in access exclusive mode")
        .execute(&mut *held)
        .await
        .unwrap();
    let (answer, ()) = tokio::join!(rider.get("/api/today"), cut_who_waits(&pool));
    held.rollback().await.unwrap();

    let (status, said) = problem(answer).await;
    assert_eq!(
        (status, said["type"].as_str()),
        (503, Some("/problems/database-away"))
    );
    assert_eq!(rider.get("/api/today").await.status(), StatusCode::OK);
}
