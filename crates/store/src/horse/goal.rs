//! What horses are meant for, and by when.

use cavesson_core::horse::{Goal, GoalKind};
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use serde_json::json;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// The goals of a horse, soonest first.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<Goal>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select kind, name, day as "day: jiff_sqlx::Date", levels from goal
           where barn_id = $1 and horse_id = $2 order by day, position"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| read(&row.kind, row.name, row.day.to_jiff(), row.levels))
        .collect())
}

/// The goals of all horses that lie between these days, soonest first.
///
/// # Errors
/// When the query fails.
pub async fn between(
    barn: &mut BarnTransaction,
    from: Date,
    to: Date,
) -> StoreResult<Vec<(Uuid, Goal)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id, kind, name, day as "day: jiff_sqlx::Date", levels from goal
           where barn_id = $1 and day between $2 and $3 order by day, horse_id, position"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| {
            let goal = read(&row.kind, row.name, row.day.to_jiff(), row.levels);
            (row.horse_id, goal)
        })
        .collect())
}

fn read(kind: &str, name: String, day: Date, levels: serde_json::Value) -> Goal {
    Goal {
        // A kind of a later version is shown by its name.
        kind: GoalKind::from_word(kind).unwrap_or(GoalKind::Other),
        name,
        day,
        levels: serde_json::from_value(levels).unwrap_or_default(),
    }
}

/// Puts these goals in the place of those a horse had.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, horse_id: Uuid, goals: &[Goal]) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from goal where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id
    )
    .execute(barn.connection())
    .await?;
    for (position, goal) in (0i32..).zip(goals) {
        sqlx::query!(
            "insert into goal (barn_id, horse_id, position, kind, name, day, levels)
             values ($1, $2, $3, $4, $5, $6, $7)",
            barn_id,
            horse_id,
            position,
            goal.kind.word(),
            goal.name.trim(),
            goal.day.to_sqlx() as _,
            json!(goal.levels)
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}
