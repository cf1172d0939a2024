//! Reps: one ask and its answer each. Nothing is ever deleted; a rep that was
//! taken back stays, and is not judged.

use cavesson_core::Side;
use cavesson_core::ladder::{FaultId, Level, RungId, SkillId};
use cavesson_core::rep::{Measure, Rep};
use cavesson_core::ride::NewRep;
use jiff_sqlx::ToSqlx;
use sqlx::types::Json;
use uuid::Uuid;

use crate::{BarnTransaction, StoreError, StoreResult};

pub(crate) struct Row {
    pub rep_id: Uuid,
    pub ride_id: Uuid,
    pub horse_id: Uuid,
    pub skill: String,
    pub rung: String,
    pub side: String,
    pub day: jiff_sqlx::Date,
    pub asked_at: jiff_sqlx::Timestamp,
    pub measure: Json<Measure>,
    pub faults: Vec<String>,
}

impl TryFrom<Row> for (Uuid, Rep) {
    type Error = StoreError;

    fn try_from(row: Row) -> StoreResult<(Uuid, Rep)> {
        let side = Side::from_word(&row.side).ok_or(StoreError::Unknown {
            what: "side",
            found: row.side,
        })?;
        let rep = Rep {
            rep_id: row.rep_id,
            ride_id: row.ride_id,
            skill: SkillId(row.skill),
            rung: RungId(row.rung),
            side,
            day: row.day.to_jiff(),
            asked_at: row.asked_at.to_jiff(),
            measure: row.measure.0,
            faults: row.faults.into_iter().map(FaultId).collect(),
        };
        Ok((row.horse_id, rep))
    }
}

/// The levels that were asked in a ride.
///
/// # Errors
/// When the query fails.
pub async fn levels_of_ride(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Vec<Level>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select skill, rung from rep
         where barn_id = $1 and ride_id = $2 and undone_at is null
         group by skill, rung order by min(asked_at)",
        barn_id,
        ride_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Level {
            skill: SkillId(row.skill),
            rung: RungId(row.rung),
        })
        .collect())
}

/// A rep with the horse of its ride.
#[derive(Debug, Clone, Copy)]
pub struct RepOfHorse<'a> {
    /// The rep as it was sent.
    pub rep: &'a NewRep,
    /// The horse of its ride.
    pub horse_id: Uuid,
}

/// Stores reps in one statement, under the version their horses have now
/// ([`crate::horse::raise_versions`] comes first); a rep that is known stays as it is, but for
/// being taken back. Returns the ids that were stored or known as sent; one
/// that is missing is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    reps: &[RepOfHorse<'_>],
    recorded_by: Uuid,
) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    let rep_ids: Vec<Uuid> = reps.iter().map(|r| r.rep.rep_id).collect();
    let ride_ids: Vec<Uuid> = reps.iter().map(|r| r.rep.ride_id).collect();
    let horse_ids: Vec<Uuid> = reps.iter().map(|r| r.horse_id).collect();
    let skills: Vec<String> = reps.iter().map(|r| r.rep.skill.0.clone()).collect();
    let rungs: Vec<String> = reps.iter().map(|r| r.rep.rung.0.clone()).collect();
    let sides: Vec<String> = reps.iter().map(|r| r.rep.side.word().to_owned()).collect();
    let asked: Vec<_> = reps.iter().map(|r| r.rep.asked_at.to_sqlx()).collect();
    let measures: Vec<_> = reps
        .iter()
        .map(|r| serde_json::to_value(&r.rep.measure).unwrap_or_default())
        .collect();
    let faults: Vec<_> = reps
        .iter()
        .map(|r| serde_json::to_value(&r.rep.faults).unwrap_or_default())
        .collect();
    let undone: Vec<bool> = reps.iter().map(|r| r.rep.undone).collect();
    Ok(sqlx::query_file_scalar!(
        "queries/put_reps.sql",
        barn_id,
        &rep_ids,
        &ride_ids,
        &horse_ids,
        &skills,
        &rungs,
        &sides,
        &asked as _,
        &measures,
        &faults,
        &undone,
        recorded_by
    )
    .fetch_all(barn.connection())
    .await?)
}
