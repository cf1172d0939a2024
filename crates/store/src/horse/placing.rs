//! Where horses were placed by hand; withdrawn, never deleted.

use cavesson_core::judge::Placing;
use cavesson_core::ladder::Level;
use jiff_sqlx::ToSqlx;
use sqlx::types::Json;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::horse::known::Rows;
use crate::stored::Unreadable;

/// Keeps a placing; false when its id is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    placing_id: Uuid,
    placing: &Placing,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into horse_placing (barn_id, placing_id, horse_id, day, levels, made_by)
         values ($1, $2, $3, $4, $5, $6)
         on conflict (barn_id, placing_id) do update set levels = excluded.levels
         where horse_placing.horse_id = excluded.horse_id and horse_placing.levels = excluded.levels",
        barn_id,
        placing_id,
        horse_id,
        placing.day.to_sqlx() as _,
        Json(&placing.levels) as _,
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The horse of a placing.
///
/// # Errors
/// When the query fails.
pub async fn horse_of(barn: &mut BarnTransaction, placing_id: Uuid) -> StoreResult<Option<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select horse_id from horse_placing where barn_id = $1 and placing_id = $2",
        barn_id,
        placing_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// Takes a placing back; whether there was one to take back.
///
/// # Errors
/// When the query fails.
pub async fn withdraw(barn: &mut BarnTransaction, placing_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update horse_placing set withdrawn_at = now()
         where barn_id = $1 and placing_id = $2 and withdrawn_at is null",
        barn_id,
        placing_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The placings of a horse that stand, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Rows<Placing>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select day as "day: jiff_sqlx::Date", levels
           from horse_placing where barn_id = $1 and horse_id = $2 and withdrawn_at is null
           order by made_at, placing_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    let placings = rows.into_iter().map(|row| {
        let levels: Vec<Level> =
            serde_json::from_value(row.levels).map_err(|error| Unreadable(error.to_string()))?;
        Ok(Placing {
            day: row.day.to_jiff(),
            levels,
        })
    });
    Ok(Rows::of("placing", placings))
}
