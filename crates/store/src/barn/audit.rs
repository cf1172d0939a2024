//! Who changed what, and when.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A change that came about.
#[derive(Debug, Clone, PartialEq)]
pub struct NewDeed {
    /// Its id.
    pub deed_id: Uuid,
    /// When.
    pub at: Timestamp,
    /// Who.
    pub person_id: Uuid,
    /// The operation of the API.
    pub operation: String,
    /// The same in plain words.
    pub did: String,
    /// The address.
    pub path: String,
    /// The horse, where it is about one.
    pub horse_id: Option<Uuid>,
    /// What was sent with it.
    pub said: Option<Value>,
}

/// A change as it is shown.
#[derive(Debug, Clone, PartialEq)]
pub struct Deed {
    /// Its id.
    pub deed_id: Uuid,
    /// When.
    pub at: Timestamp,
    /// Who.
    pub person: String,
    /// What, in plain words.
    pub did: String,
    /// The horse's name, where it is about one.
    pub horse: Option<String>,
    /// What was sent with it.
    pub said: Option<Value>,
}

/// What is looked for.
#[derive(Debug, Clone, Copy, Default)]
pub struct DeedsAsked<'a> {
    /// By whom.
    pub person_id: Option<Uuid>,
    /// About which horse.
    pub horse_id: Option<Uuid>,
    /// Words that stand in it: what was done, said, the horse's or person's name.
    pub words: Option<&'a str>,
    /// Before the one of that time and id: the page after it.
    pub before: Option<(Timestamp, Uuid)>,
    /// So many at the most.
    pub at_most: i64,
}

/// Keeps a change. One about a horse that is not there is kept without it.
///
/// # Errors
/// When the query fails.
pub async fn add(barn: &mut BarnTransaction, deed: &NewDeed) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into deed (barn_id, deed_id, at, person_id, operation, did, path, horse_id, said)
         select $1, $2, $3, $4, $5, $6, $7,
                (select horse_id from horse where barn_id = $1 and horse_id = $8), $9",
        barn_id,
        deed.deed_id,
        deed.at.to_sqlx() as _,
        deed.person_id,
        deed.operation,
        deed.did,
        deed.path,
        deed.horse_id,
        deed.said
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Changes, latest first.
///
/// # Errors
/// When the query fails.
pub async fn find(barn: &mut BarnTransaction, asked: &DeedsAsked<'_>) -> StoreResult<Vec<Deed>> {
    let barn_id = barn.barn_id();
    // Signs that a pattern gives a meaning to are meant as they stand.
    let words = asked.words.map(|words| {
        let plain = words
            .replace('\\', "\\\\")
            .replace('%', "\\%")
            .replace('_', "\\_");
        format!("%{plain}%")
    });
    let (before_at, before_id) = asked.before.unzip();
    let rows = sqlx::query!(
        r#"select d.deed_id, d.at as "at: jiff_sqlx::Timestamp", p.name as person, d.did,
                  h.name as "horse?", d.said
           from deed d
           join person p on p.barn_id = d.barn_id and p.person_id = d.person_id
           left join horse h on h.barn_id = d.barn_id and h.horse_id = d.horse_id
           where d.barn_id = $1
             and ($2::uuid is null or d.person_id = $2)
             and ($3::uuid is null or d.horse_id = $3)
             and ($4::text is null or d.did ilike $4 or d.said::text ilike $4
                  or p.name ilike $4 or h.name ilike $4)
             and ($5::timestamptz is null or (d.at, d.deed_id) < ($5, $6))
           order by d.at desc, d.deed_id desc limit $7"#,
        barn_id,
        asked.person_id,
        asked.horse_id,
        words,
        before_at.map(|at| at.to_sqlx()) as _,
        before_id,
        asked.at_most
    )
    .fetch_all(barn.connection())
    .await?;
    let deeds = rows.into_iter().map(|row| Deed {
        deed_id: row.deed_id,
        at: row.at.to_jiff(),
        person: row.person,
        did: row.did,
        horse: row.horse,
        said: row.said,
    });
    Ok(deeds.collect())
}
