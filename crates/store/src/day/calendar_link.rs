//! Secret links under which calendar programs read days. Of the word in a link only its
//! hash is known here; it is looked up before the barn is known.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use sqlx::PgPool;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A link that works.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct CalendarLink {
    /// Its barn.
    pub barn_id: Uuid,
    /// Its id.
    pub link_id: Uuid,
    /// person, horse or place.
    pub kind: String,
    /// Whose days.
    pub of_id: Uuid,
    /// When it was made.
    pub made_at: Timestamp,
}

struct Row {
    barn_id: Uuid,
    link_id: Uuid,
    kind: String,
    of_id: Uuid,
    made_at: jiff_sqlx::Timestamp,
}

impl From<Row> for CalendarLink {
    fn from(row: Row) -> CalendarLink {
        CalendarLink {
            barn_id: row.barn_id,
            link_id: row.link_id,
            kind: row.kind,
            of_id: row.of_id,
            made_at: row.made_at.to_jiff(),
        }
    }
}

/// Adds a link with the hash of its word.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    link: &CalendarLink,
    word_hash: &[u8],
    made_by: Uuid,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into calendar_link (barn_id, link_id, kind, of_id, word_hash, made_by, made_at)
         values ($1, $2, $3, $4, $5, $6, $7)",
        barn_id,
        link.link_id,
        link.kind,
        link.of_id,
        word_hash,
        made_by,
        link.made_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The links of a barn that work, latest first.
///
/// # Errors
/// When the query fails.
pub async fn working(barn: &mut BarnTransaction) -> StoreResult<Vec<CalendarLink>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select barn_id, link_id, kind, of_id, made_at as "made_at: jiff_sqlx::Timestamp"
           from calendar_link where barn_id = $1 and revoked_at is null
           order by made_at desc, link_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(CalendarLink::from).collect())
}

/// Takes a link back; false when there is none that works.
///
/// # Errors
/// When the query fails.
pub async fn revoke(barn: &mut BarnTransaction, link_id: Uuid, at: Timestamp) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update calendar_link set revoked_at = $3
         where barn_id = $1 and link_id = $2 and revoked_at is null",
        barn_id,
        link_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The link of that hash, while it works.
///
/// # Errors
/// When the query fails.
pub async fn find(pool: &PgPool, word_hash: &[u8]) -> StoreResult<Option<CalendarLink>> {
    let row = sqlx::query_as!(
        Row,
        r#"select barn_id, link_id, kind, of_id, made_at as "made_at: jiff_sqlx::Timestamp"
           from calendar_link where word_hash = $1 and revoked_at is null"#,
        word_hash
    )
    .fetch_optional(pool)
    .await?;
    Ok(row.map(CalendarLink::from))
}
