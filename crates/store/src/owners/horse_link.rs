//! Secret links under which one horse is shown to its owner. Of the word in a link only its
//! hash is known here; it is looked up before the barn is known.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use sqlx::PgPool;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A link to a horse.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct HorseLink {
    /// Its barn.
    pub barn_id: Uuid,
    /// Its id.
    pub link_id: Uuid,
    /// The horse it shows.
    pub horse_id: Uuid,
    /// For whom it was made.
    pub for_whom: String,
    /// When it was made.
    pub made_at: Timestamp,
    /// Until when it works.
    pub expires_at: Timestamp,
    /// When it was taken back.
    pub revoked_at: Option<Timestamp>,
    /// The last time somebody opened it.
    pub opened_at: Option<Timestamp>,
}

struct Row {
    barn_id: Uuid,
    link_id: Uuid,
    horse_id: Uuid,
    for_whom: String,
    made_at: jiff_sqlx::Timestamp,
    expires_at: jiff_sqlx::Timestamp,
    revoked_at: Option<jiff_sqlx::Timestamp>,
    opened_at: Option<jiff_sqlx::Timestamp>,
}

impl From<Row> for HorseLink {
    fn from(row: Row) -> HorseLink {
        HorseLink {
            barn_id: row.barn_id,
            link_id: row.link_id,
            horse_id: row.horse_id,
            for_whom: row.for_whom,
            made_at: row.made_at.to_jiff(),
            expires_at: row.expires_at.to_jiff(),
            revoked_at: row.revoked_at.map(|at| at.to_jiff()),
            opened_at: row.opened_at.map(|at| at.to_jiff()),
        }
    }
}

/// Adds a link with the hash of its word.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    link: &HorseLink,
    word_hash: &[u8],
    made_by: Uuid,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into horse_link
             (barn_id, link_id, horse_id, for_whom, word_hash, made_by, made_at, expires_at)
         values ($1, $2, $3, $4, $5, $6, $7, $8)",
        barn_id,
        link.link_id,
        link.horse_id,
        link.for_whom,
        word_hash,
        made_by,
        link.made_at.to_sqlx() as _,
        link.expires_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The links of a horse that were not taken back, latest first; those that ran out among them.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<HorseLink>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        "select barn_id, link_id, horse_id, for_whom, made_at, expires_at, revoked_at, opened_at
         from horse_link where barn_id = $1 and horse_id = $2 and revoked_at is null
         order by made_at desc, link_id",
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(HorseLink::from).collect())
}

/// Takes a link back; false when there is none that was not.
///
/// # Errors
/// When the query fails.
pub async fn revoke(barn: &mut BarnTransaction, link_id: Uuid, at: Timestamp) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update horse_link set revoked_at = $3
         where barn_id = $1 and link_id = $2 and revoked_at is null",
        barn_id,
        link_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The link of that hash, whether it works or not.
///
/// # Errors
/// When the query fails.
pub async fn find(pool: &PgPool, word_hash: &[u8]) -> StoreResult<Option<HorseLink>> {
    let row = sqlx::query_as!(
        Row,
        "select barn_id, link_id, horse_id, for_whom, made_at, expires_at, revoked_at, opened_at
         from horse_link where word_hash = $1",
        word_hash
    )
    .fetch_optional(pool)
    .await?;
    Ok(row.map(HorseLink::from))
}

/// Notes that somebody opened it.
///
/// # Errors
/// When the query fails.
pub async fn opened(barn: &mut BarnTransaction, link_id: Uuid, at: Timestamp) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update horse_link set opened_at = $3 where barn_id = $1 and link_id = $2",
        barn_id,
        link_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
