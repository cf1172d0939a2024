//! People and their sign-ins.

use cavesson_core::person::{Clearance, Role};
use cavesson_core::ride::RigKind;
use jiff::Timestamp;
use jiff::civil::Time;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// A person of the barn.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Person {
    /// Their id.
    pub person_id: Uuid,
    /// The part before the @ of their sign-in.
    pub sign_in: String,
    /// What people call them.
    pub name: String,
    /// What they are to the barn.
    pub role: Role,
}

struct Row {
    person_id: Uuid,
    sign_in: String,
    name: String,
    role: String,
}

impl TryFrom<Row> for Person {
    type Error = StoreError;

    fn try_from(row: Row) -> StoreResult<Person> {
        let role = Role::from_word(&row.role).ok_or(StoreError::Unknown {
            what: "role",
            found: row.role,
        })?;
        Ok(Person {
            person_id: row.person_id,
            sign_in: row.sign_in,
            name: row.name,
            role,
        })
    }
}

/// The person of that id, unless they left.
///
/// # Errors
/// When the query fails.
pub async fn find(barn: &mut BarnTransaction, person_id: Uuid) -> StoreResult<Option<Person>> {
    let barn_id = barn.barn_id();
    sqlx::query_as!(
        Row,
        "select person_id, sign_in, name, role from person
         where barn_id = $1 and person_id = $2 and left_at is null",
        barn_id,
        person_id
    )
    .fetch_optional(barn.connection())
    .await?
    .map(Person::try_from)
    .transpose()
}

/// The ids and names of the barn's people.
///
/// # Errors
/// When the query fails.
pub async fn names(barn: &mut BarnTransaction) -> StoreResult<Vec<(Uuid, String)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select person_id, name from person where barn_id = $1",
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| (row.person_id, row.name))
        .collect())
}

/// The person and password hash behind a sign-in; nobody who left or has no password yet.
///
/// # Errors
/// When the query fails.
pub async fn by_sign_in(
    barn: &mut BarnTransaction,
    sign_in: &str,
) -> StoreResult<Option<(Person, String)>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query!(
        r#"select person_id, sign_in, name, role, password_hash as "password_hash!" from person
           where barn_id = $1 and sign_in = $2 and left_at is null and password_hash is not null"#,
        barn_id,
        sign_in
    )
    .fetch_optional(barn.connection())
    .await?;
    row.map(|row| {
        let hash = row.password_hash;
        let person = Row {
            person_id: row.person_id,
            sign_in: row.sign_in,
            name: row.name,
            role: row.role,
        };
        Ok((person.try_into()?, hash))
    })
    .transpose()
}

/// Adds a person; without the hash of a password they cannot sign in yet.
///
/// # Errors
/// [`StoreError::Taken`] when the username is.
pub async fn add(
    barn: &mut BarnTransaction,
    person: &Person,
    password_hash: Option<&str>,
    clearance: &Clearance,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let rigs: Vec<String> = clearance.rigs.iter().map(|rig| rig.word().into()).collect();
    sqlx::query!(
        "insert into person (barn_id, person_id, sign_in, name, role, password_hash, only_horses,
                             cleared_rigs, cleared_cattle, cleared_first_rides, cleared_quiet_hands)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)",
        barn_id,
        person.person_id,
        person.sign_in,
        person.name,
        person.role.word(),
        password_hash,
        clearance.only_horses.as_deref(),
        &rigs,
        clearance.cattle,
        clearance.first_rides,
        clearance.quiet_hands
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Somebody of the barn as those see them who decide.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Member {
    /// The person.
    pub person: Person,
    /// What they are cleared for.
    pub clearance: Clearance,
    /// Whether they have set a password.
    pub has_password: bool,
    /// When they like to be home, barn time.
    pub home_by: Option<Time>,
    /// When they left.
    pub left_at: Option<Timestamp>,
}

/// Everybody of the barn by name, those who left last.
///
/// # Errors
/// When the query fails.
pub async fn members(barn: &mut BarnTransaction) -> StoreResult<Vec<Member>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select person_id, sign_in, name, role, only_horses, cleared_rigs, cleared_cattle,
                  cleared_first_rides, cleared_quiet_hands, password_hash is not null as "has_password!",
                  home_by as "home_by: jiff_sqlx::Time",
                  left_at as "left_at: jiff_sqlx::Timestamp"
           from person where barn_id = $1
           order by left_at is not null, name, person_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    rows.into_iter()
        .map(|row| {
            let rigs = row.cleared_rigs.iter();
            Ok(Member {
                person: Row {
                    person_id: row.person_id,
                    sign_in: row.sign_in,
                    name: row.name,
                    role: row.role,
                }
                .try_into()?,
                clearance: Clearance {
                    only_horses: row.only_horses,
                    rigs: rigs.filter_map(|word| RigKind::from_word(word)).collect(),
                    cattle: row.cleared_cattle,
                    first_rides: row.cleared_first_rides,
                    quiet_hands: row.cleared_quiet_hands,
                },
                has_password: row.has_password,
                home_by: row.home_by.map(|at| at.to_jiff()),
                left_at: row.left_at.map(|at| at.to_jiff()),
            })
        })
        .collect()
}

/// Puts name, username, role and clearance in the place of what there was.
///
/// # Errors
/// [`StoreError::Taken`] when the username is.
pub async fn change(
    barn: &mut BarnTransaction,
    person: &Person,
    clearance: &Clearance,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let rigs: Vec<String> = clearance.rigs.iter().map(|rig| rig.word().into()).collect();
    sqlx::query!(
        "update person set sign_in = $3, name = $4, role = $5, only_horses = $6, cleared_rigs = $7,
                cleared_cattle = $8, cleared_first_rides = $9, cleared_quiet_hands = $10
         where barn_id = $1 and person_id = $2",
        barn_id,
        person.person_id,
        person.sign_in,
        person.name,
        person.role.word(),
        clearance.only_horses.as_deref(),
        &rigs,
        clearance.cattle,
        clearance.first_rides,
        clearance.quiet_hands
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Keeps the people of the barn from being changed by others until the transaction
/// ends, so that two cannot each take away the other last trainer.
///
/// # Errors
/// When the query fails.
pub async fn hold_people(barn: &mut BarnTransaction) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "select person_id from person where barn_id = $1 order by person_id for no key update",
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(())
}

/// Trainers who can sign in.
///
/// # Errors
/// When the query fails.
pub async fn trainers(barn: &mut BarnTransaction) -> StoreResult<i64> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select count(*) as "trainers!" from person
           where barn_id = $1 and role = 'trainer' and left_at is null
             and password_hash is not null"#,
        barn_id
    )
    .fetch_one(barn.connection())
    .await?)
}

/// Somebody left at that time; none: they came back.
///
/// # Errors
/// When the query fails.
pub async fn leave(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    at: Option<Timestamp>,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update person set left_at = $3 where barn_id = $1 and person_id = $2",
        barn_id,
        person_id,
        at.map(|at| at.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The hash of somebody's password.
///
/// # Errors
/// When the query fails.
pub async fn password_hash(
    barn: &mut BarnTransaction,
    person_id: Uuid,
) -> StoreResult<Option<String>> {
    let barn_id = barn.barn_id();
    let hash = sqlx::query_scalar!(
        "select password_hash from person where barn_id = $1 and person_id = $2",
        barn_id,
        person_id
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(hash.flatten())
}

/// Sets the hash of somebody's password.
///
/// # Errors
/// When the query fails.
pub async fn set_password_hash(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    hash: &str,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update person set password_hash = $3 where barn_id = $1 and person_id = $2",
        barn_id,
        person_id,
        hash
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
