//! The walls between barns, held by PostgreSQL itself.

use crate::barn::{a_horse, barn_with_horse};
use cavesson_store::MIGRATOR;
use cavesson_store::StoreError;
use cavesson_store::barn::barns::BarnTransaction;
use cavesson_store::horse::horses;
use sqlx::PgPool;
use uuid::Uuid;

static TABLES: &sqlx::migrate::Migrator = &MIGRATOR;

#[sqlx::test(migrator = "TABLES")]
async fn a_query_that_forgot_the_barn_sees_its_own_only(pool: PgPool) {
    let (home, _) = barn_with_horse(&pool, "home", "Oatcake").await;
    barn_with_horse(&pool, "other", "Stranger").await;
    let mut transaction = BarnTransaction::begin(&pool, home).await.unwrap();
    let names: Vec<String> = sqlx::query_scalar("select name from horse")
        .fetch_all(transaction.connection())
        .await
        .unwrap();
    assert_eq!(names, ["Oatcake"]);
    let changed = sqlx::query("update horse set color = 'grey'")
        .execute(transaction.connection())
        .await
        .unwrap();
    assert_eq!(changed.rows_affected(), 1);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_row_for_another_barn_is_refused(pool: PgPool) {
    let (home, _) = barn_with_horse(&pool, "home", "Oatcake").await;
    let (other, _) = barn_with_horse(&pool, "other", "Stranger").await;
    let mut transaction = BarnTransaction::begin(&pool, home).await.unwrap();
    let error = sqlx::query(
        "insert into place (barn_id, place_id, name, kind) values ($1, $2, 'Pen', 'arena')",
    )
    .bind(other)
    .bind(Uuid::now_v7())
    .execute(transaction.connection())
    .await
    .unwrap_err();
    assert!(error.to_string().contains("row-level security"), "{error}");
}

#[sqlx::test(migrator = "TABLES")]
async fn without_a_barn_the_role_sees_nothing(pool: PgPool) {
    barn_with_horse(&pool, "home", "Oatcake").await;
    let mut transaction = pool.begin().await.unwrap();
    sqlx::query("set local role cavesson_barn")
        .execute(&mut *transaction)
        .await
        .unwrap();
    let seen: i64 = sqlx::query_scalar("select count(*) from horse")
        .fetch_one(&mut *transaction)
        .await
        .unwrap();
    assert_eq!(seen, 0);
}

#[sqlx::test(migrator = "TABLES")]
async fn a_barn_transaction_leaves_no_role_behind(pool: PgPool) {
    let (home, _) = barn_with_horse(&pool, "home", "Oatcake").await;
    drop(BarnTransaction::begin(&pool, home).await.unwrap());
    let mut connection = pool.acquire().await.unwrap();
    let role: String = sqlx::query_scalar("select current_user::text")
        .fetch_one(&mut *connection)
        .await
        .unwrap();
    assert_ne!(role, "cavesson_barn");
}

/// Every table but sqlx's own has row-level security, a policy, and barn_id
/// first in every primary and unique key. The barn's handle is the one name that
/// has to be unique over all barns: it is what finds the barn.
#[sqlx::test(migrator = "TABLES")]
async fn every_table_stands_behind_the_wall(pool: PgPool) {
    let open: Vec<String> = sqlx::query_scalar(
        "select c.relname::text from pg_class c
         where c.relnamespace = 'public'::regnamespace and c.relkind = 'r'
           and c.relname <> '_sqlx_migrations'
           and not (c.relrowsecurity and exists (select from pg_policy p where p.polrelid = c.oid))",
    )
    .fetch_all(&pool)
    .await
    .unwrap();
    assert_eq!(open, Vec::<String>::new(), "without row-level security");
    let loose: Vec<String> = sqlx::query_scalar(
        "select i.indexrelid::regclass::text from pg_index i
         join pg_class c on c.oid = i.indrelid
         join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0]
         where c.relnamespace = 'public'::regnamespace and i.indisunique
           and c.relname <> '_sqlx_migrations' and a.attname <> 'barn_id'",
    )
    .fetch_all(&pool)
    .await
    .unwrap();
    assert_eq!(
        loose,
        ["barn_handle_taken"],
        "keys that do not begin with barn_id"
    );
    let tables: i64 = sqlx::query_scalar(
        "select count(*) from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r'",
    )
    .fetch_one(&pool)
    .await
    .unwrap();
    assert!(tables >= 9, "{tables}");
}

#[sqlx::test(migrator = "TABLES")]
async fn a_name_is_taken_in_its_own_barn_only(pool: PgPool) {
    let (home, _) = barn_with_horse(&pool, "home", "Oatcake").await;
    barn_with_horse(&pool, "other", "Oatcake").await;
    let mut transaction = BarnTransaction::begin(&pool, home).await.unwrap();
    let error = horses::add(&mut transaction, Uuid::now_v7(), &a_horse("Oatcake"))
        .await
        .unwrap_err();
    assert!(
        matches!(error, StoreError::Taken { field: "/name", .. }),
        "{error}"
    );
}
