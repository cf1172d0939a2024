//! A database that is away is told apart from a query that is wrong.

use std::str::FromStr;
use std::time::Duration;

use cavesson_store::StoreError;
use sqlx::PgPool;
use sqlx::postgres::{PgConnectOptions, PgPoolOptions};

fn said(result: Result<sqlx::postgres::PgQueryResult, sqlx::Error>) -> StoreError {
    StoreError::from(result.unwrap_err())
}

#[tokio::test]
async fn nobody_at_home() {
    // Nothing listens on a port that was just given back.
    let free = std::net::TcpListener::bind("127.0.0.1:0").unwrap();
    let port = free.local_addr().unwrap().port();
    drop(free);
    let nowhere = PgConnectOptions::from_str(&format!("postgres://nobody@127.0.0.1:{port}/none"));
    let pool = PgPoolOptions::new()
        .acquire_timeout(Duration::from_millis(200))
        .connect_lazy_with(nowhere.unwrap());
    let error = said(sqlx::query("select 1").execute(&pool).await);
    assert!(matches!(error, StoreError::Away(_)), "{error:?}");
}

#[sqlx::test]
async fn a_session_that_is_ended(pool: PgPool) {
    let mut connection = pool.acquire().await.unwrap();
    let ended = sqlx::query("select pg_terminate_backend(pg_backend_pid())");
    let error = said(ended.execute(&mut *connection).await);
    assert!(matches!(error, StoreError::Away(_)), "{error:?}");
}

#[sqlx::test]
async fn a_pool_with_none_left(pool: PgPool) {
    let small = PgPoolOptions::new()
        .max_connections(1)
        .acquire_timeout(Duration::from_millis(100))
        .connect_with((*pool.connect_options()).clone())
        .await
        .unwrap();
    let _held = small.acquire().await.unwrap();
    let error = said(sqlx::query("select 1").execute(&small).await);
    assert!(matches!(error, StoreError::Away(_)), "{error:?}");
}

#[sqlx::test]
async fn a_query_that_is_wrong_is_not_the_database_being_away(pool: PgPool) {
    for wrong in ["select 1 / 0", "select from nowhere_at_all", "selekt"] {
        let error = said(sqlx::query(wrong).execute(&pool).await);
        assert!(
            matches!(error, StoreError::Database(_)),
            "{wrong}: {error:?}"
        );
    }
}
