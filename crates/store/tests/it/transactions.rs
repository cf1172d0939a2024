//! A transaction whose request is dropped while it begins leaves nothing behind:
//! what runs on the same connection next is not inside it.

use std::time::Duration;

use cavesson_store::MIGRATOR;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::barns::BarnTransaction;
use sqlx::PgPool;
use sqlx::postgres::PgPoolOptions;
use uuid::Uuid;

static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

#[sqlx::test(migrator = "TABLES")]
async fn a_begin_that_is_cut_swallows_no_later_statement(pool: PgPool) {
    let options = pool.connect_options().as_ref().clone();
    let single = PgPoolOptions::new()
        .max_connections(1)
        .connect_with(options)
        .await
        .unwrap();
    for round in 0..150_u64 {
        let begin = BarnTransaction::begin(&single, Uuid::nil());
        let cut = tokio::time::timeout(Duration::from_micros(round * 3), begin).await;
        drop(cut);
        // Answered as stored, so it is stored: seen from another connection.
        let stored = Barn {
            barn_id: Uuid::now_v7(),
            handle: format!("barn-{round}"),
            name: "A barn".into(),
            time_zone: "America/Denver".into(),
            units: "us".into(),
            quiet_outings_pct: 25,
        };
        barns::add(&single, &stored).await.unwrap();
        let seen = barns::by_handle(&pool, &stored.handle).await.unwrap();
        assert_eq!(seen, Some(stored), "round {round}");
    }
}

#[sqlx::test(migrator = "TABLES")]
async fn who_looks_sees_one_state_and_cannot_write(pool: PgPool) {
    let home = Barn {
        barn_id: Uuid::now_v7(),
        handle: "home".into(),
        name: "Home".into(),
        time_zone: "America/Denver".into(),
        units: "us".into(),
        quiet_outings_pct: 25,
    };
    barns::add(&pool, &home).await.unwrap();
    let mut look = BarnTransaction::look(&pool, home.barn_id).await.unwrap();
    assert_eq!(barns::own(&mut look).await.unwrap().name, "Home");
    sqlx::query("update barn set name = 'Elsewhere'")
        .execute(&pool)
        .await
        .unwrap();
    assert_eq!(barns::own(&mut look).await.unwrap().name, "Home");
    let refused = sqlx::query("update barn set name = 'Mine'")
        .execute(look.connection())
        .await
        .unwrap_err();
    assert!(refused.to_string().contains("read-only"), "{refused}");
}

#[sqlx::test(migrator = "TABLES")]
async fn postgresql_ends_a_transaction_that_stands_idle(pool: PgPool) {
    let database: String = sqlx::query_scalar("select current_database()::text")
        .fetch_one(&pool)
        .await
        .unwrap();
    let address = std::env::var("DATABASE_URL").unwrap();
    let (server, _) = address.rsplit_once('/').unwrap();
    let own = cavesson_store::connect::pool(&format!("{server}/{database}"), 1)
        .await
        .unwrap();
    let most: String = sqlx::query_scalar("show idle_in_transaction_session_timeout")
        .fetch_one(&own)
        .await
        .unwrap();
    assert_eq!(most, "30s");
}
