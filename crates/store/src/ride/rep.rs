//! Reps: one ask and its answer each. Nothing is ever deleted; a rep that was
//! taken back stays, and is not judged.

use cavesson_core::Side;
use cavesson_core::ladder::{FaultId, RungId, SkillId};
use cavesson_core::rep::Rep;
use cavesson_core::ride::NewRep;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored;
use crate::stored::Unreadable;

pub(crate) struct Row {
    pub rep_id: Uuid,
    pub ride_id: Uuid,
    pub skill: String,
    pub rung: String,
    pub side: String,
    pub day: jiff_sqlx::Date,
    pub asked_at: jiff_sqlx::Timestamp,
    pub measure: Value,
    pub measure_form: i16,
    pub faults: Vec<String>,
}

impl Row {
    /// The rep, where this version can read it.
    pub fn read(self) -> Result<Rep, Unreadable> {
        Ok(Rep {
            rep_id: self.rep_id,
            ride_id: self.ride_id,
            skill: SkillId(self.skill),
            rung: RungId(self.rung),
            side: stored::read_word("side", &self.side, Side::from_word)?,
            day: self.day.to_jiff(),
            asked_at: self.asked_at.to_jiff(),
            measure: stored::read_measure(self.measure_form, self.measure)?,
            faults: self.faults.into_iter().map(FaultId).collect(),
        })
    }
}

/// A rep with its horse, on the server's clock.
#[derive(Debug, Clone, Copy)]
pub struct PlacedRep<'a> {
    /// The rep as it was sent.
    pub rep: &'a NewRep,
    /// The horse of its ride.
    pub horse_id: Uuid,
    /// When the ask began.
    pub asked_at: Timestamp,
}

/// Stores reps in one statement, under the version their horses have now
/// ([`crate::horse::horses::raise_versions`] comes first); a rep that is known stays as it is, but for
/// being taken back or brought back. `import_id` is the sheet they came with. Returns the ids that were stored or known as sent; one
/// that is missing is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    reps: &[PlacedRep<'_>],
    recorded_by: Uuid,
    import_id: Option<Uuid>,
) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    let rep_ids: Vec<Uuid> = reps.iter().map(|r| r.rep.rep_id).collect();
    let ride_ids: Vec<Uuid> = reps.iter().map(|r| r.rep.ride_id).collect();
    let block_ids: Vec<Uuid> = reps.iter().map(|r| r.rep.block_id).collect();
    let horse_ids: Vec<Uuid> = reps.iter().map(|r| r.horse_id).collect();
    let skills: Vec<String> = reps.iter().map(|r| r.rep.skill.0.clone()).collect();
    let rungs: Vec<String> = reps.iter().map(|r| r.rep.rung.0.clone()).collect();
    let sides: Vec<String> = reps.iter().map(|r| r.rep.side.word().to_owned()).collect();
    let sequences: Vec<i32> = reps.iter().map(|r| counted(r.rep.sequence)).collect();
    let after_ms: Vec<i32> = reps.iter().map(|r| counted(r.rep.asked_after_ms)).collect();
    let asked: Vec<_> = reps.iter().map(|r| r.asked_at.to_sqlx()).collect();
    let device: Vec<_> = reps.iter().map(|r| r.rep.asked_at.to_sqlx()).collect();
    let measures: Vec<Value> = reps
        .iter()
        .map(|r| stored::store_measure(&r.rep.measure))
        .collect::<StoreResult<_>>()?;
    let faults: Vec<Value> = reps
        .iter()
        .map(|r| r.rep.faults.iter().map(|fault| fault.0.clone()).collect())
        .collect();
    let undone: Vec<bool> = reps.iter().map(|r| r.rep.undone).collect();
    let changes: Vec<i32> = reps.iter().map(|r| counted(r.rep.changes)).collect();
    let stored = sqlx::query_file_scalar!(
        "queries/put_reps.sql",
        barn_id,
        &rep_ids,
        &ride_ids,
        &block_ids,
        &horse_ids,
        &skills,
        &rungs,
        &sides,
        &sequences,
        &after_ms,
        &asked as _,
        &device as _,
        &measures,
        &faults,
        &undone,
        recorded_by,
        stored::MEASURE_FORM,
        &changes,
        import_id
    )
    .fetch_all(barn.connection())
    .await?;
    sqlx::query!(
        "insert into rep_change (barn_id, rep_id, changes, taken_back, changed_by)
         select $1, rep_id, changes, undone, $5
         from unnest($2::uuid[], $3::integer[], $4::boolean[]) as sent (rep_id, changes, undone)
         where changes > 0 and rep_id = any($6)
         on conflict do nothing",
        barn_id,
        &rep_ids,
        &changes,
        &undone,
        recorded_by,
        &stored
    )
    .execute(barn.connection())
    .await?;
    Ok(stored)
}

fn counted(number: u32) -> i32 {
    number.try_into().unwrap_or(i32::MAX)
}
