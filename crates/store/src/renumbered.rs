//! Barns that ran a build in between, in which migrations 34 to 36 stood one number lower and
//! migration 20 had its index already.

use sqlx::PgPool;

use crate::MIGRATOR;

/// Puts the numbers of such a barn right before migrations run; any other is left as it is.
///
/// # Errors
/// When a query fails.
pub async fn put_right(pool: &PgPool) -> sqlx::Result<()> {
    let known: bool = sqlx::query_scalar("select to_regclass('_sqlx_migrations') is not null")
        .fetch_one(pool)
        .await?;
    let people = MIGRATOR.iter().find(|migration| migration.version == 20);
    let Some(people) = people.filter(|_| known) else {
        return Ok(());
    };
    let mut transaction = pool.begin().await?;
    let moved = sqlx::query(
        "update _sqlx_migrations set version = -version - 1
         where version between 34 and 36
           and exists (select from _sqlx_migrations where version = 34 and description = 'pinned')",
    )
    .execute(&mut *transaction)
    .await?;
    if moved.rows_affected() > 0 {
        sqlx::query("update _sqlx_migrations set version = -version where version < 0")
            .execute(&mut *transaction)
            .await?;
        sqlx::query("update _sqlx_migrations set checksum = $1 where version = 20")
            .bind(people.checksum.as_ref())
            .execute(&mut *transaction)
            .await?;
    }
    transaction.commit().await
}
