//! A ride that was recorded on the wrong horse: it moves with its reps, and what it was
//! before is kept.

use jiff::Timestamp;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A ride that was put under another horse.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct HorseChange {
    /// The horse before, by name.
    pub from_horse: String,
    /// The horse after.
    pub to_horse: String,
    /// By whom.
    pub changed_by: String,
    /// When.
    pub changed_at: Timestamp,
}

/// Puts a ride with its reps under another horse. Raise the versions of both horses
/// first; `version` is that of the horse it goes to.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    ride_id: Uuid,
    (from_horse, to_horse): (Uuid, Uuid),
    version: i64,
    changed_by: Uuid,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into ride_horse_change (barn_id, ride_id, change, from_horse, to_horse, changed_by)
         select $1, $2, count(*), $3, $4, $5 from ride_horse_change
         where barn_id = $1 and ride_id = $2",
        barn_id,
        ride_id,
        from_horse,
        to_horse,
        changed_by
    )
    .execute(barn.connection())
    .await?;
    // Its reps go with it.
    sqlx::query!(
        "update ride set horse_id = $3 where barn_id = $1 and ride_id = $2",
        barn_id,
        ride_id,
        to_horse
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "update rep set known_version = $3 where barn_id = $1 and ride_id = $2",
        barn_id,
        ride_id,
        version
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// How often a ride was put under another horse, first to last.
///
/// # Errors
/// When the query fails.
pub async fn changes(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Vec<HorseChange>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select f.name as from_horse, t.name as to_horse, p.name as changed_by,
                  c.changed_at as "changed_at: jiff_sqlx::Timestamp"
           from ride_horse_change c
           join horse f on f.barn_id = c.barn_id and f.horse_id = c.from_horse
           join horse t on t.barn_id = c.barn_id and t.horse_id = c.to_horse
           join person p on p.barn_id = c.barn_id and p.person_id = c.changed_by
           where c.barn_id = $1 and c.ride_id = $2 order by c.change"#,
        barn_id,
        ride_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| HorseChange {
            from_horse: row.from_horse,
            to_horse: row.to_horse,
            changed_by: row.changed_by,
            changed_at: row.changed_at.to_jiff(),
        })
        .collect())
}
