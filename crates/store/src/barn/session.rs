//! Signed-in devices. A session is looked up by its id alone, before the barn
//! is known: it is what names the barn.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use sqlx::PgPool;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A session.
#[derive(Debug, Clone, PartialEq)]
pub struct Session {
    /// Whose barn.
    pub barn_id: Uuid,
    /// Who.
    pub person_id: Uuid,
    /// What the session layer keeps in it.
    pub data: Value,
    /// When it ends, unless it is used.
    pub expires_at: Timestamp,
    /// When the person signed in.
    pub signed_in_at: Timestamp,
}

/// The session of that id, while it lasts.
///
/// # Errors
/// When the query fails.
pub async fn find(pool: &PgPool, session_id: &str, now: Timestamp) -> StoreResult<Option<Session>> {
    let row = sqlx::query!(
        "select barn_id, person_id, data, expires_at, signed_in_at from session
         where session_id = $1 and expires_at > $2",
        session_id,
        now.to_sqlx() as _
    )
    .fetch_optional(pool)
    .await?;
    Ok(row.map(|row| Session {
        barn_id: row.barn_id,
        person_id: row.person_id,
        data: row.data,
        expires_at: row.expires_at.to_jiff(),
        signed_in_at: row.signed_in_at.to_jiff(),
    }))
}

/// Stores a new session; false when its id is taken.
///
/// # Errors
/// When the query fails.
pub async fn add(pool: &PgPool, session_id: &str, session: &Session) -> StoreResult<bool> {
    let done = sqlx::query!(
        "insert into session (barn_id, session_id, person_id, data, expires_at, signed_in_at)
         values ($1, $2, $3, $4, $5, $6)
         on conflict (barn_id, session_id) do nothing",
        session.barn_id,
        session_id,
        session.person_id,
        session.data,
        session.expires_at.to_sqlx() as _,
        session.signed_in_at.to_sqlx() as _
    )
    .execute(pool)
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Keeps a session longer. One that was ended meanwhile stays ended.
///
/// # Errors
/// When the query fails.
pub async fn prolong(pool: &PgPool, session_id: &str, session: &Session) -> StoreResult<()> {
    sqlx::query!(
        "update session set data = $3, expires_at = $4
         where barn_id = $1 and session_id = $2",
        session.barn_id,
        session_id,
        session.data,
        session.expires_at.to_sqlx() as _
    )
    .execute(pool)
    .await?;
    Ok(())
}

/// Ends a session.
///
/// # Errors
/// When the query fails.
pub async fn remove(pool: &PgPool, session_id: &str) -> StoreResult<()> {
    sqlx::query!("delete from session where session_id = $1", session_id)
        .execute(pool)
        .await?;
    Ok(())
}

/// Ends all sessions of a person but one; how many there were.
///
/// # Errors
/// When the query fails.
pub async fn remove_others(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    kept: Option<&str>,
) -> StoreResult<u64> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "delete from session where barn_id = $1 and person_id = $2 and session_id is distinct from $3",
        barn_id,
        person_id,
        kept
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected())
}

/// Devices a person is signed in on.
///
/// # Errors
/// When the query fails.
pub async fn count(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    now: Timestamp,
) -> StoreResult<i64> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select count(*) as "devices!" from session
           where barn_id = $1 and person_id = $2 and expires_at > $3"#,
        barn_id,
        person_id,
        now.to_sqlx() as _
    )
    .fetch_one(barn.connection())
    .await?)
}

/// Removes every session that has ended; how many there were.
///
/// # Errors
/// When the query fails.
pub async fn remove_ended(pool: &PgPool, now: Timestamp) -> StoreResult<u64> {
    let done = sqlx::query!(
        "delete from session where expires_at <= $1",
        now.to_sqlx() as _
    )
    .execute(pool)
    .await?;
    Ok(done.rows_affected())
}
