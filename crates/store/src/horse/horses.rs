//! Horses. An owner sees only their own.

use std::collections::HashMap;

use cavesson_core::horse::{HorseSheet, HorseTrait};
use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::horse::horse_program;

/// A horse.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Horse {
    /// Its id.
    pub horse_id: Uuid,
    /// What people call it.
    pub name: String,
    /// mare, gelding or stallion.
    pub sex: String,
    /// Year of birth.
    pub foaled: i32,
    /// Coat.
    pub color: String,
    /// Its owner, when that person signs in here.
    pub owner_id: Option<Uuid>,
    /// Its program; none is the ladder as it ships.
    pub program_id: Option<Uuid>,
    /// Traits that steer its card.
    pub traits: Vec<HorseTrait>,
    /// What tells it apart.
    pub markings: String,
    /// In the barn's words.
    pub note: String,
    /// When it went home; none while it is here.
    pub sent_home_at: Option<Timestamp>,
}

struct Row {
    horse_id: Uuid,
    name: String,
    sex: String,
    foaled: i32,
    color: String,
    owner_id: Option<Uuid>,
    program_id: Option<Uuid>,
    traits: Vec<String>,
    markings: String,
    note: String,
    sent_home_at: Option<jiff_sqlx::Timestamp>,
}

impl From<Row> for Horse {
    fn from(row: Row) -> Horse {
        Horse {
            horse_id: row.horse_id,
            name: row.name,
            sex: row.sex,
            foaled: row.foaled,
            color: row.color,
            owner_id: row.owner_id,
            program_id: row.program_id,
            traits: row
                .traits
                .iter()
                .filter_map(|word| HorseTrait::from_word(word))
                .collect(),
            markings: row.markings,
            note: row.note,
            sent_home_at: row.sent_home_at.map(|at| at.to_jiff()),
        }
    }
}

/// All horses that are here, by name; with `owner`, only that person's.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction, owner: Option<Uuid>) -> StoreResult<Vec<Horse>> {
    select(barn, owner, false).await
}

/// The same, those that went home among them.
///
/// # Errors
/// When the query fails.
pub async fn everyone(barn: &mut BarnTransaction, owner: Option<Uuid>) -> StoreResult<Vec<Horse>> {
    select(barn, owner, true).await
}

/// When each horse was added.
///
/// # Errors
/// When the query fails.
pub async fn added_at(barn: &mut BarnTransaction) -> StoreResult<HashMap<Uuid, Timestamp>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id, made_at as "made_at: jiff_sqlx::Timestamp" from horse
           where barn_id = $1"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    let added = rows.into_iter();
    Ok(added
        .map(|row| (row.horse_id, row.made_at.to_jiff()))
        .collect())
}

async fn select(
    barn: &mut BarnTransaction,
    owner: Option<Uuid>,
    sent_home_too: bool,
) -> StoreResult<Vec<Horse>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select horse_id, name, sex, foaled, color, owner_id, program_id, traits, markings, note,
                sent_home_at as "sent_home_at: jiff_sqlx::Timestamp"
         from horse
         where barn_id = $1 and ($2::uuid is null or owner_id = $2)
           and (sent_home_at is null or $3)
         order by name"#,
        barn_id,
        owner,
        sent_home_too
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(Horse::from).collect())
}

/// The horse of that id; with `owner`, only if it is theirs.
///
/// # Errors
/// When the query fails.
pub async fn find(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    owner: Option<Uuid>,
) -> StoreResult<Option<Horse>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query_as!(
        Row,
        r#"select horse_id, name, sex, foaled, color, owner_id, program_id, traits, markings, note,
                sent_home_at as "sent_home_at: jiff_sqlx::Timestamp"
         from horse
         where barn_id = $1 and horse_id = $2 and ($3::uuid is null or owner_id = $3)"#,
        barn_id,
        horse_id,
        owner
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(row.map(Horse::from))
}

/// Gives a horse these traits in the place of those it had.
///
/// # Errors
/// When the query fails.
pub async fn set_traits(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    traits: &[HorseTrait],
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let words: Vec<String> = traits.iter().map(|one| one.word().to_owned()).collect();
    sqlx::query!(
        "update horse set traits = $3 where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id,
        &words
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Those of `horse_ids` that are in the barn.
///
/// # Errors
/// When the query fails.
pub async fn known(barn: &mut BarnTransaction, horse_ids: &[Uuid]) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select horse_id from horse where barn_id = $1 and horse_id = any($2)",
        barn_id,
        horse_ids
    )
    .fetch_all(barn.connection())
    .await?)
}

/// The horses whose verdicts have been kept, but not yet up to `day`.
///
/// # Errors
/// When the query fails.
pub async fn judged_before(barn: &mut BarnTransaction, day: Date) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select horse_id from horse where barn_id = $1 and judged_until < $2 order by horse_id",
        barn_id,
        day.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?)
}

/// Raises the version of what is known of these horses, and keeps their rows
/// locked until the transaction ends. Whoever stores something about a horse
/// does this first. The new versions, by horse.
///
/// # Errors
/// When the query fails.
pub async fn raise_versions(
    barn: &mut BarnTransaction,
    horse_ids: &[Uuid],
) -> StoreResult<HashMap<Uuid, i64>> {
    let barn_id = barn.barn_id();
    let mut versions = HashMap::new();
    let mut in_order = horse_ids.to_vec();
    in_order.sort_unstable();
    in_order.dedup();
    // One after the other in the order of their ids, so that two batches with
    // the same horses wait for each other and never for good.
    for horse_id in in_order {
        let version = sqlx::query_scalar!(
            "update horse set known_version = known_version + 1
             where barn_id = $1 and horse_id = $2 returning known_version",
            barn_id,
            horse_id
        )
        .fetch_optional(barn.connection())
        .await?;
        versions.extend(version.map(|version| (horse_id, version)));
        // Told to whoever listens once the transaction is committed.
        sqlx::query!(
            "select pg_notify($1, $2) as told",
            crate::horse::known::CHANNEL,
            format!("{barn_id} {horse_id}")
        )
        .fetch_one(barn.connection())
        .await?;
    }
    Ok(versions)
}

/// The version of what is known of a horse, kept from others until the transaction
/// ends: whoever stores something about the horse waits. None for a horse that is not
/// in the barn.
///
/// # Errors
/// When the query fails.
pub async fn hold_version(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Option<i64>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select known_version from horse where barn_id = $1 and horse_id = $2 for no key update",
        barn_id,
        horse_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// Adds a horse with this sheet.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn add(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    sheet: &HorseSheet,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into horse (barn_id, horse_id, name, sex, foaled, color, owner_id, program_id,
                            markings, note)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)",
        barn_id,
        horse_id,
        sheet.name,
        sheet.sex.word(),
        i32::from(sheet.foaled),
        sheet.color,
        sheet.owner_id,
        sheet.program_id,
        sheet.markings,
        sheet.note
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Puts this sheet in the place of the one there was, its program from `today` on where that
/// is another one. Raise the horse's version first: the program says what its levels are.
///
/// # Errors
/// [`crate::StoreError::Taken`] when the name is.
pub async fn change(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    sheet: &HorseSheet,
    today: Date,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let on = sqlx::query_scalar!(
        "select program_id from horse where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id
    )
    .fetch_optional(barn.connection())
    .await?;
    if on.is_some_and(|on| on != sheet.program_id) {
        horse_program::put(barn, horse_id, sheet.program_id, today).await?;
    }
    sqlx::query!(
        "update horse set name = $3, sex = $4, foaled = $5, color = $6, owner_id = $7,
                markings = $8, note = $9
         where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id,
        sheet.name,
        sheet.sex.word(),
        i32::from(sheet.foaled),
        sheet.color,
        sheet.owner_id,
        sheet.markings,
        sheet.note
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Sends a horse home at that time; none: it came back.
///
/// # Errors
/// When the query fails.
pub async fn send_home(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    at: Option<Timestamp>,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update horse set sent_home_at = $3 where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id,
        at.map(|at| at.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
