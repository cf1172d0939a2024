//! Signed-in devices. A session is looked up by its id alone, before the barn
//! is known: it is what names the barn.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use sqlx::PgPool;
use uuid::Uuid;

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
    /// When it ends.
    pub expires_at: Timestamp,
}

/// The session of that id, while it lasts.
///
/// # Errors
/// When the query fails.
pub async fn find(pool: &PgPool, session_id: &str, now: Timestamp) -> StoreResult<Option<Session>> {
    let row = sqlx::query!(
        "select barn_id, person_id, data, expires_at from session
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
    }))
}

/// Stores a session under its id; false when a new one finds its id taken.
///
/// # Errors
/// When the query fails.
pub async fn put(
    pool: &PgPool,
    session_id: &str,
    session: &Session,
    new: bool,
) -> StoreResult<bool> {
    let done = sqlx::query!(
        "insert into session (barn_id, session_id, person_id, data, expires_at)
         values ($1, $2, $3, $4, $5)
         on conflict (barn_id, session_id) do update
         set data = excluded.data, expires_at = excluded.expires_at
         where not $6",
        session.barn_id,
        session_id,
        session.person_id,
        session.data,
        session.expires_at.to_sqlx() as _,
        new
    )
    .execute(pool)
    .await?;
    Ok(done.rows_affected() == 1)
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
