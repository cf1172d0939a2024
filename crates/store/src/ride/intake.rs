//! Intakes: rides that look where a new horse stands, and what they found.

use cavesson_core::intake::{BarnHorse, Found, IntakeOfRide};
use cavesson_core::judge::KeptIntake;
use cavesson_core::ladder::Level;
use cavesson_core::rep::Rep;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::ride::rep::Row;
use crate::stored::Unreadable;

/// A ride of an intake.
#[derive(Debug, Clone, PartialEq)]
pub struct IntakeRide {
    /// The ride.
    pub ride_id: Uuid,
    /// Its day.
    pub day: Date,
    /// Whether it is over.
    pub finished: bool,
    /// What it says of the intake; why not, where this version cannot read it.
    pub intake: Result<IntakeOfRide, Unreadable>,
}

/// The rides of a horse's intake, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn rides(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<IntakeRide>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select ride_id, day as "day: jiff_sqlx::Date", finished_at is not null as "finished!",
                  intake as "intake!" from ride
           where barn_id = $1 and horse_id = $2 and intake is not null
           order by started_at, ride_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| IntakeRide {
            ride_id: row.ride_id,
            day: row.day.to_jiff(),
            finished: row.finished,
            intake: crate::stored::read(row.intake),
        })
        .collect())
}

/// The reps of rides, those that were taken back or cannot be read left out, in the order
/// of asking.
///
/// # Errors
/// When the query fails.
pub async fn reps(barn: &mut BarnTransaction, ride_ids: &[Uuid]) -> StoreResult<Vec<Rep>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select rep.rep_id, rep.ride_id, rep.skill, rep.rung, rep.side,
                  ride.day as "day: jiff_sqlx::Date", rep.asked_at as "asked_at: jiff_sqlx::Timestamp",
                  rep.measure, rep.measure_form, rep.faults
           from rep
           join ride on ride.barn_id = rep.barn_id and ride.ride_id = rep.ride_id
           where rep.barn_id = $1 and rep.ride_id = any($2) and rep.undone_at is null
           order by ride.started_at, rep.ride_id, rep.asked_after_ms, rep.rep_id"#,
        barn_id,
        ride_ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().filter_map(|row| row.read().ok()).collect())
}

/// What an intake found, as it is stored.
#[derive(Debug, Clone, PartialEq)]
pub struct StoredIntake {
    /// What the judge takes from it.
    pub kept: KeptIntake,
    /// Every level.
    pub found: Found,
}

/// Stores what the intake of a horse found, in the place of what stood there, unless that
/// was found from more. `known_version` is the version of the horse it was found from.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    known_version: i64,
    ladder_version: u32,
    intake: &StoredIntake,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into intake (barn_id, horse_id, day, known_version, ladder_version, kept, found)
         values ($1, $2, $3, $4, $5, $6, $7)
         on conflict (barn_id, horse_id) do update
         set day = excluded.day, known_version = excluded.known_version, ladder_version = excluded.ladder_version,
             kept = excluded.kept, found = excluded.found, made_at = now()
         where intake.known_version <= excluded.known_version",
        barn_id,
        horse_id,
        intake.kept.day.to_sqlx() as _,
        known_version,
        i32::try_from(ladder_version).unwrap_or(i32::MAX),
        json(&intake.kept)?,
        json(&intake.found)?
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// What the intake of a horse found; none where there was none, or none that this version
/// can read.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
) -> StoreResult<Option<StoredIntake>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query!(
        "select kept, found from intake where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id
    )
    .fetch_optional(barn.connection())
    .await?;
    let Some(row) = row else { return Ok(None) };
    let read = crate::stored::read(row.kept)
        .and_then(|kept| crate::stored::read(row.found).map(|found| StoredIntake { kept, found }));
    Ok(read
        .inspect_err(|why| tracing::warn!(%why, %horse_id, "an intake of another version"))
        .ok())
}

/// What the other horses of the barn hold, for what to expect of a new one: days asked,
/// and levels held by what was kept last.
///
/// # Errors
/// When the query fails.
pub async fn barn_horses(barn: &mut BarnTransaction, without: Uuid) -> StoreResult<Vec<BarnHorse>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"with latest as (
               select distinct on (horse_id, skill, rung) horse_id, skill, rung, state
               from kept_verdict where barn_id = $1 and horse_id <> $2
               order by horse_id, skill, rung, known_version desc
           )
           select latest.horse_id, skill, rung,
                  (select count(distinct day) from ride
                   where ride.barn_id = $1 and ride.horse_id = latest.horse_id) as "days!"
           from latest where state in ('held', 'rusty')
           order by latest.horse_id, skill, rung"#,
        barn_id,
        without
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .chunk_by(|a, b| a.horse_id == b.horse_id)
        .map(|of_horse| BarnHorse {
            days_ridden: of_horse[0].days.clamp(0, 5000) as u32,
            holds: of_horse
                .iter()
                .map(|row| Level::new(&row.skill, &row.rung))
                .collect(),
        })
        .collect())
}

fn json(value: &impl serde::Serialize) -> StoreResult<Value> {
    serde_json::to_value(value).map_err(StoreError::Unstorable)
}
