//! When people are busy elsewhere, from calendars of their own. Only the times are kept.

use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A calendar that came in.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct BusyCalendar {
    /// Its id.
    pub calendar_id: Uuid,
    /// Whose.
    pub person_id: Uuid,
    /// What it is called.
    pub name: String,
    /// When it was read.
    pub made_at: Timestamp,
    /// How many times it holds.
    pub times: i64,
}

/// A time at which somebody is busy.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Busy {
    /// Who.
    pub person_id: Uuid,
    /// From when.
    pub from: Timestamp,
    /// To when.
    pub to: Timestamp,
}

/// Keeps a calendar with its times, in place of one of the same person and name.
///
/// # Errors
/// When a query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    calendar: &BusyCalendar,
    times: &[(Timestamp, Timestamp)],
    made_by: Uuid,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from busy_calendar where barn_id = $1 and person_id = $2 and lower(name) = lower($3)",
        barn_id,
        calendar.person_id,
        calendar.name
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "insert into busy_calendar (barn_id, calendar_id, person_id, name, made_by, made_at)
         values ($1, $2, $3, $4, $5, $6)",
        barn_id,
        calendar.calendar_id,
        calendar.person_id,
        calendar.name,
        made_by,
        calendar.made_at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    let from: Vec<jiff_sqlx::Timestamp> = times.iter().map(|(from, _)| from.to_sqlx()).collect();
    let to: Vec<jiff_sqlx::Timestamp> = times.iter().map(|(_, to)| to.to_sqlx()).collect();
    sqlx::query!(
        "insert into busy_time (barn_id, calendar_id, during)
         select distinct $1::uuid, $2::uuid, tstzrange(from_at, to_at)
         from unnest($3::timestamptz[], $4::timestamptz[]) as times(from_at, to_at)",
        barn_id,
        calendar.calendar_id,
        &from as _,
        &to as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The calendars, by name.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction) -> StoreResult<Vec<BusyCalendar>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select calendar_id, person_id, name, made_at as "made_at: jiff_sqlx::Timestamp",
                  (select count(*) from busy_time t where t.barn_id = c.barn_id
                   and t.calendar_id = c.calendar_id) as "times!"
           from busy_calendar c where barn_id = $1 order by name, calendar_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| BusyCalendar {
            calendar_id: row.calendar_id,
            person_id: row.person_id,
            name: row.name,
            made_at: row.made_at.to_jiff(),
            times: row.times,
        })
        .collect())
}

/// Whose a calendar is; none when it is not there.
///
/// # Errors
/// When the query fails.
pub async fn person_of(barn: &mut BarnTransaction, calendar_id: Uuid) -> StoreResult<Option<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select person_id from busy_calendar where barn_id = $1 and calendar_id = $2",
        barn_id,
        calendar_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// Takes a calendar out.
///
/// # Errors
/// When the query fails.
pub async fn remove(barn: &mut BarnTransaction, calendar_id: Uuid) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from busy_calendar where barn_id = $1 and calendar_id = $2",
        barn_id,
        calendar_id
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Who is busy from `from` to `to`, earliest first.
///
/// # Errors
/// When the query fails.
pub async fn between(
    barn: &mut BarnTransaction,
    from: Timestamp,
    to: Timestamp,
) -> StoreResult<Vec<Busy>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select c.person_id, lower(t.during) as "from_at!: jiff_sqlx::Timestamp",
                  upper(t.during) as "to_at!: jiff_sqlx::Timestamp"
           from busy_time t
           join busy_calendar c on c.barn_id = t.barn_id and c.calendar_id = t.calendar_id
           where t.barn_id = $1 and t.during && tstzrange($2, $3)
           order by lower(t.during), c.person_id"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Busy {
            person_id: row.person_id,
            from: row.from_at.to_jiff(),
            to: row.to_at.to_jiff(),
        })
        .collect())
}
