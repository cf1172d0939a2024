//! The hours people work.

use cavesson_core::person::WorkHours;
use jiff::civil::Time;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// The hours of everybody of the barn, by person and weekday.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction) -> StoreResult<Vec<(Uuid, WorkHours)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select person_id, weekday, from_time as "from_time: jiff_sqlx::Time",
                  to_time as "to_time: jiff_sqlx::Time", most_horses
           from work_hours where barn_id = $1 order by person_id, weekday"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| {
            let hours = WorkHours {
                weekday: row.weekday.try_into().unwrap_or_default(),
                from: row.from_time.to_jiff(),
                to: row.to_time.to_jiff(),
                most_horses: row.most_horses.try_into().unwrap_or_default(),
            };
            (row.person_id, hours)
        })
        .collect())
}

/// Puts this week, and when they like to be home, in the place of what a person had.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    person_id: Uuid,
    week: &[WorkHours],
    home_by: Option<Time>,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from work_hours where barn_id = $1 and person_id = $2",
        barn_id,
        person_id
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "update person set home_by = $3 where barn_id = $1 and person_id = $2",
        barn_id,
        person_id,
        home_by.map(|at| at.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    for hours in week {
        sqlx::query!(
            "insert into work_hours (barn_id, person_id, weekday, from_time, to_time, most_horses)
             values ($1, $2, $3, $4, $5, $6)",
            barn_id,
            person_id,
            i32::from(hours.weekday),
            hours.from.to_sqlx() as _,
            hours.to.to_sqlx() as _,
            i32::from(hours.most_horses)
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}
