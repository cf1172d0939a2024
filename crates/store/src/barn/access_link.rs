//! Links that let somebody in once: to begin a barn, to take up an invitation, to set
//! a new password. Of the word in a link only its hash is known here, and the word is
//! looked up before the barn is known: it is what names the barn.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use sqlx::PgPool;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// What a link is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum LinkKind {
    /// The first trainer names the barn.
    Begin,
    /// Somebody is invited.
    Invite,
    /// Somebody sets a new password.
    Reset,
}

impl LinkKind {
    const ALL: [LinkKind; 3] = [LinkKind::Begin, LinkKind::Invite, LinkKind::Reset];

    /// The word as it is stored.
    pub fn word(self) -> &'static str {
        match self {
            LinkKind::Begin => "begin",
            LinkKind::Invite => "invite",
            LinkKind::Reset => "reset",
        }
    }

    fn of_word(word: String) -> StoreResult<LinkKind> {
        let known = LinkKind::ALL.into_iter().find(|kind| kind.word() == word);
        known.ok_or(StoreError::Unknown {
            what: "kind of link",
            found: word,
        })
    }
}

/// A link.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct AccessLink {
    /// Its barn.
    pub barn_id: Uuid,
    /// Its id.
    pub link_id: Uuid,
    /// Whom it lets in.
    pub person_id: Uuid,
    /// What it is for.
    pub kind: LinkKind,
    /// Until when.
    pub expires_at: Timestamp,
    /// When it was used.
    pub used_at: Option<Timestamp>,
    /// When it was taken back.
    pub revoked_at: Option<Timestamp>,
}

struct Row {
    barn_id: Uuid,
    link_id: Uuid,
    person_id: Uuid,
    kind: String,
    expires_at: jiff_sqlx::Timestamp,
    used_at: Option<jiff_sqlx::Timestamp>,
    revoked_at: Option<jiff_sqlx::Timestamp>,
}

impl TryFrom<Row> for AccessLink {
    type Error = StoreError;

    fn try_from(row: Row) -> StoreResult<AccessLink> {
        Ok(AccessLink {
            barn_id: row.barn_id,
            link_id: row.link_id,
            person_id: row.person_id,
            kind: LinkKind::of_word(row.kind)?,
            expires_at: row.expires_at.to_jiff(),
            used_at: row.used_at.map(|at| at.to_jiff()),
            revoked_at: row.revoked_at.map(|at| at.to_jiff()),
        })
    }
}

/// A link that is made.
#[derive(Debug, Clone, Copy)]
pub struct NewAccessLink<'a> {
    /// Whom it lets in.
    pub person_id: Uuid,
    /// What it is for.
    pub kind: LinkKind,
    /// The hash of its word.
    pub word_hash: &'a [u8],
    /// Who made it; none for the program itself.
    pub made_by: Option<Uuid>,
    /// When.
    pub made_at: Timestamp,
    /// Until when it works.
    pub expires_at: Timestamp,
}

/// Adds a link; links of that person that still worked are taken back.
///
/// # Errors
/// When the query fails.
pub async fn add(barn: &mut BarnTransaction, new: &NewAccessLink<'_>) -> StoreResult<()> {
    revoke(barn, new.person_id, new.made_at).await?;
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into access_link (barn_id, link_id, person_id, kind, word_hash, made_by, made_at, expires_at)
         values ($1, $2, $3, $4, $5, $6, $7, $8)",
        barn_id,
        Uuid::now_v7(),
        new.person_id,
        new.kind.word(),
        new.word_hash,
        new.made_by,
        new.made_at.to_sqlx() as _,
        new.expires_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Takes back the links of a person that still work; how many there were.
///
/// # Errors
/// When the query fails.
pub async fn revoke(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    at: Timestamp,
) -> StoreResult<u64> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update access_link set revoked_at = $3
         where barn_id = $1 and person_id = $2 and used_at is null and revoked_at is null",
        barn_id,
        person_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected())
}

/// The link of that hash, whatever became of it.
///
/// # Errors
/// When the query fails.
pub async fn find(pool: &PgPool, word_hash: &[u8]) -> StoreResult<Option<AccessLink>> {
    sqlx::query_as!(
        Row,
        r#"select barn_id, link_id, person_id, kind, expires_at as "expires_at: jiff_sqlx::Timestamp",
                  used_at as "used_at: jiff_sqlx::Timestamp",
                  revoked_at as "revoked_at: jiff_sqlx::Timestamp"
           from access_link where word_hash = $1"#,
        word_hash
    )
    .fetch_optional(pool)
    .await?
    .map(AccessLink::try_from)
    .transpose()
}

/// The links of a barn that still work.
///
/// # Errors
/// When the query fails.
pub async fn working(barn: &mut BarnTransaction, now: Timestamp) -> StoreResult<Vec<AccessLink>> {
    let barn_id = barn.barn_id();
    sqlx::query_as!(
        Row,
        r#"select barn_id, link_id, person_id, kind, expires_at as "expires_at: jiff_sqlx::Timestamp",
                  used_at as "used_at: jiff_sqlx::Timestamp",
                  revoked_at as "revoked_at: jiff_sqlx::Timestamp"
           from access_link
           where barn_id = $1 and used_at is null and revoked_at is null and expires_at > $2"#,
        barn_id,
        now.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?
    .into_iter()
    .map(AccessLink::try_from)
    .collect()
}

/// Marks a link as used; false when it was used or taken back meanwhile.
///
/// # Errors
/// When the query fails.
pub async fn make_use(
    barn: &mut BarnTransaction,
    link_id: Uuid,
    at: Timestamp,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update access_link set used_at = $3
         where barn_id = $1 and link_id = $2 and used_at is null and revoked_at is null
           and expires_at > $3",
        barn_id,
        link_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}
