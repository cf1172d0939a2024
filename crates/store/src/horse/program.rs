//! Programs and their versions.

use cavesson_core::ladder::Level;
use cavesson_core::program::Program;
use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::stored;
use crate::stored::Unreadable;

/// One version of a program.
#[derive(Debug, Clone, PartialEq)]
pub struct ProgramVersion {
    /// The program.
    pub program_id: Uuid,
    /// Counts from one.
    pub version: i32,
    /// The version of the ladder it was made on.
    pub ladder_version: i32,
    /// What it is called.
    pub name: String,
    /// What it says; why not, where this version cannot read it.
    pub content: Result<Program, Unreadable>,
    /// Who made it.
    pub made_by: String,
    /// When.
    pub made_at: Timestamp,
}

struct Row {
    program_id: Uuid,
    version: i32,
    ladder_version: i32,
    content: Value,
    content_form: i16,
    made_by: String,
    made_at: jiff_sqlx::Timestamp,
}

impl From<Row> for ProgramVersion {
    fn from(row: Row) -> ProgramVersion {
        ProgramVersion {
            program_id: row.program_id,
            version: row.version,
            ladder_version: row.ladder_version,
            name: stored::program_name(&row.content),
            content: stored::read_program(row.content_form, &row.content),
            made_by: row.made_by,
            made_at: row.made_at.to_jiff(),
        }
    }
}

/// The version in use of every program of the barn, by name.
///
/// # Errors
/// When the query fails.
pub async fn in_use(barn: &mut BarnTransaction) -> StoreResult<Vec<ProgramVersion>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select distinct on (v.program_id) v.program_id, v.version, v.ladder_version,
                  v.content, v.content_form, p.name as made_by,
                  v.made_at as "made_at: jiff_sqlx::Timestamp"
           from program_version v
           join person p on p.barn_id = v.barn_id and p.person_id = v.made_by
           where v.barn_id = $1
           order by v.program_id, v.version desc"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    let mut programs: Vec<ProgramVersion> = rows.into_iter().map(Into::into).collect();
    programs.sort_by(|a, b| a.name.cmp(&b.name));
    Ok(programs)
}

/// What a program means its horses to have and to come to.
#[derive(Debug, Clone, PartialEq)]
pub struct ProgramMeant {
    /// The program.
    pub program_id: Uuid,
    /// Rides a week.
    pub rides_a_week: u8,
    /// Levels they are to hold in the end.
    pub leads_to: Vec<Level>,
}

/// What each program means.
///
/// # Errors
/// When the query fails.
pub async fn meant(barn: &mut BarnTransaction) -> StoreResult<Vec<ProgramMeant>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select program_id, rides_a_week, leads_to from program where barn_id = $1",
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| ProgramMeant {
            program_id: row.program_id,
            rides_a_week: row.rides_a_week.try_into().unwrap_or(0),
            leads_to: serde_json::from_value(row.leads_to).unwrap_or_default(),
        })
        .collect())
}

/// Says which levels a program leads to; false when there is none of that id.
///
/// # Errors
/// When the query fails.
pub async fn set_leads_to(
    barn: &mut BarnTransaction,
    program_id: Uuid,
    levels: &[Level],
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update program set leads_to = $3 where barn_id = $1 and program_id = $2",
        barn_id,
        program_id,
        json!(levels)
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Says how many rides a week a program wants; false when there is none of that id.
///
/// # Errors
/// When the query fails.
pub async fn set_rides_a_week(
    barn: &mut BarnTransaction,
    program_id: Uuid,
    rides: u8,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update program set rides_a_week = $3 where barn_id = $1 and program_id = $2",
        barn_id,
        program_id,
        i32::from(rides)
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// These versions of programs.
///
/// # Errors
/// When the query fails.
pub async fn some_versions(
    barn: &mut BarnTransaction,
    wanted: &[(Uuid, i32)],
) -> StoreResult<Vec<ProgramVersion>> {
    let (programs, versions): (Vec<Uuid>, Vec<i32>) = wanted.iter().copied().unzip();
    read(barn, &programs, Some(&versions)).await
}

/// Every version of a program, the one in use first.
///
/// # Errors
/// When the query fails.
pub async fn versions(
    barn: &mut BarnTransaction,
    program_id: Uuid,
) -> StoreResult<Vec<ProgramVersion>> {
    read(barn, &[program_id], None).await
}

/// The versions of some programs, latest first; of each program the one that is named beside
/// it, or all.
async fn read(
    barn: &mut BarnTransaction,
    programs: &[Uuid],
    versions: Option<&[i32]>,
) -> StoreResult<Vec<ProgramVersion>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select v.program_id, v.version, v.ladder_version,
                  v.content, v.content_form, p.name as made_by,
                  v.made_at as "made_at: jiff_sqlx::Timestamp"
           from program_version v
           join person p on p.barn_id = v.barn_id and p.person_id = v.made_by
           where v.barn_id = $1 and v.program_id = any ($2)
             and ($3::integer[] is null or (v.program_id, v.version) in (
               select * from unnest($2::uuid[], $3::integer[])))
           order by v.version desc"#,
        barn_id,
        programs,
        versions as Option<&[i32]>
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(Into::into).collect())
}

/// Who made a version, and the day from which on it holds.
#[derive(Debug, Clone, Copy)]
pub struct Made {
    /// Who.
    pub by: Uuid,
    /// The barn's day.
    pub day: Date,
}

/// Adds a program with its first version.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    program_id: Uuid,
    content: &Program,
    ladder_version: i32,
    made: Made,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into program (barn_id, program_id) values ($1, $2)",
        barn_id,
        program_id
    )
    .execute(barn.connection())
    .await?;
    add_version(barn, program_id, 1, content, ladder_version, made).await
}

/// Adds a version on top of the one before it.
///
/// # Errors
/// [`StoreError::Taken`] when somebody has made that version meanwhile.
pub async fn add_version(
    barn: &mut BarnTransaction,
    program_id: Uuid,
    version: i32,
    content: &Program,
    ladder_version: i32,
    made: Made,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let added = sqlx::query!(
        "insert into program_version (barn_id, program_id, version, ladder_version, content, made_by, content_form, from_day)
         values ($1, $2, $3, $4, $5, $6, $7, $8) on conflict do nothing",
        barn_id,
        program_id,
        version,
        ladder_version,
        stored::store_program(content)?,
        made.by,
        stored::PROGRAM_FORM,
        made.day.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    if added.rows_affected() == 1 {
        Ok(())
    } else {
        Err(StoreError::Taken {
            field: "/version",
            what: "this version of the program",
        })
    }
}
