//! Barrel courses, drills and trail courses.

use cavesson_core::ground::course_plan::{CoursePlan, CourseSheet};
use jiff::Timestamp;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::barn::shelf::put_away;
use crate::stored::lenient_value;

/// A course of the barn.
#[derive(Debug, Clone, PartialEq)]
pub struct Course {
    /// Its id.
    pub course_id: Uuid,
    /// Where it lies.
    pub place_id: Uuid,
    /// What is written down of it.
    pub sheet: CourseSheet,
    /// When it was put away; none while it is in use.
    pub put_away_at: Option<Timestamp>,
}

/// All of them by name, those put away last. A plan of another version is left out.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction) -> StoreResult<Vec<Course>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select course_id, place_id, name, plan, put_away_at as "put_away_at: jiff_sqlx::Timestamp"
           from course where barn_id = $1 order by put_away_at is not null, name, course_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Some(Course {
                course_id: row.course_id,
                place_id: row.place_id,
                sheet: CourseSheet {
                    name: row.name,
                    plan: read(row.plan)?,
                },
                put_away_at: row.put_away_at.map(|at| at.to_jiff()),
            })
        })
        .collect())
}

/// One of them; none when there is none, or when it cannot be read any more.
///
/// # Errors
/// When the query fails.
pub async fn one(barn: &mut BarnTransaction, course_id: Uuid) -> StoreResult<Option<Course>> {
    let all = list(barn).await?;
    Ok(all.into_iter().find(|course| course.course_id == course_id))
}

fn read(stored: Value) -> Option<CoursePlan> {
    lenient_value(stored)
        .inspect_err(|why| tracing::warn!(%why, "plan of a course"))
        .ok()
}

fn plan_of(sheet: &CourseSheet) -> StoreResult<Value> {
    serde_json::to_value(&sheet.plan).map_err(StoreError::Unstorable)
}

/// Adds a course to a place.
///
/// # Errors
/// [`StoreError::Taken`] when the place has one of that name; when there is no such place.
pub async fn add(
    barn: &mut BarnTransaction,
    course_id: Uuid,
    place_id: Uuid,
    sheet: &CourseSheet,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into course (barn_id, course_id, place_id, name, kind, plan)
         values ($1, $2, $3, $4, $5, $6)",
        barn_id,
        course_id,
        place_id,
        sheet.name.trim(),
        sheet.plan.word(),
        plan_of(sheet)?
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Puts this sheet in the place of the one there was; false when there is none.
///
/// # Errors
/// [`StoreError::Taken`] when the place has another one of that name.
pub async fn change(
    barn: &mut BarnTransaction,
    course_id: Uuid,
    sheet: &CourseSheet,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update course set name = $3, kind = $4, plan = $5 where barn_id = $1 and course_id = $2",
        barn_id,
        course_id,
        sheet.name.trim(),
        sheet.plan.word(),
        plan_of(sheet)?
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

put_away!("course", "course_id");
