//! People and their sign-ins.

use cavesson_core::person::Role;
use uuid::Uuid;

use crate::{BarnTransaction, StoreError, StoreResult};

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

/// The person of that id.
///
/// # Errors
/// When the query fails.
pub async fn find(barn: &mut BarnTransaction, person_id: Uuid) -> StoreResult<Option<Person>> {
    let barn_id = barn.barn_id();
    sqlx::query_as!(
        Row,
        "select person_id, sign_in, name, role from person where barn_id = $1 and person_id = $2",
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

/// The person and password hash behind a sign-in.
///
/// # Errors
/// When the query fails.
pub async fn by_sign_in(
    barn: &mut BarnTransaction,
    sign_in: &str,
) -> StoreResult<Option<(Person, String)>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query!(
        "select person_id, sign_in, name, role, password_hash from person
         where barn_id = $1 and sign_in = $2",
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

/// Adds a person with the hash of their password.
///
/// # Errors
/// [`StoreError::Taken`] when the sign-in is.
pub async fn add(
    barn: &mut BarnTransaction,
    person: &Person,
    password_hash: &str,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into person (barn_id, person_id, sign_in, name, role, password_hash)
         values ($1, $2, $3, $4, $5, $6)",
        barn_id,
        person.person_id,
        person.sign_in,
        person.name,
        person.role.word(),
        password_hash
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
