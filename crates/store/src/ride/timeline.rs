//! A ride ask by ask, with what was taken back, who recorded it and who changed it.

use cavesson_core::Side;
use cavesson_core::ladder::{FaultId, Level};
use cavesson_core::rep::Measure;
use jiff::Timestamp;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored;

/// One ask of a ride, as it stands.
#[derive(Debug, Clone, PartialEq)]
pub struct TimelineRep {
    /// The rep.
    pub rep_id: Uuid,
    /// Its block.
    pub block_id: Uuid,
    /// Its level.
    pub level: Level,
    /// The side.
    pub side: Side,
    /// Its place among the asks of its device.
    pub sequence: u32,
    /// Milliseconds from the ride's start.
    pub asked_after_ms: u32,
    /// When the ask began.
    pub asked_at: Timestamp,
    /// What was measured.
    pub measure: Measure,
    /// Faults that were seen.
    pub faults: Vec<FaultId>,
    /// Taken back.
    pub undone: bool,
    /// How often it was taken back or brought back.
    pub changes: u32,
    /// Who recorded it.
    pub recorded_by: String,
}

/// A time an ask was taken back or brought back.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct RepChange {
    /// The rep.
    pub rep_id: Uuid,
    /// Taken back; otherwise brought back.
    pub taken_back: bool,
    /// By whom.
    pub changed_by: String,
    /// When it reached the barn.
    pub changed_at: Timestamp,
}

/// The asks of a ride in the order of asking, those taken back among them.
///
/// # Errors
/// When the query fails.
pub async fn reps(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Vec<TimelineRep>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select rep_id, block_id, skill, rung, side, sequence, asked_after_ms,
                  asked_at as "asked_at: jiff_sqlx::Timestamp", measure, measure_form, faults,
                  undone_at is not null as "undone!", changes, person.name as recorded_by
           from rep
           join person on person.barn_id = rep.barn_id and person.person_id = rep.recorded_by
           where rep.barn_id = $1 and ride_id = $2
           order by asked_after_ms, sequence, rep_id"#,
        barn_id,
        ride_id
    )
    .fetch_all(barn.connection())
    .await?;
    let read = |row: i32| u32::try_from(row).unwrap_or_default();
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Some(TimelineRep {
                rep_id: row.rep_id,
                block_id: row.block_id,
                level: Level::new(&row.skill, &row.rung),
                side: Side::from_word(&row.side)?,
                sequence: read(row.sequence),
                asked_after_ms: read(row.asked_after_ms),
                asked_at: row.asked_at.to_jiff(),
                measure: stored::read_measure(row.measure_form, row.measure).ok()?,
                faults: row.faults.into_iter().map(FaultId).collect(),
                undone: row.undone,
                changes: read(row.changes),
                recorded_by: row.recorded_by,
            })
        })
        .collect())
}

/// What was taken back and brought back in a ride, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn changes(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Vec<RepChange>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select c.rep_id, c.taken_back, person.name as changed_by,
                  c.changed_at as "changed_at: jiff_sqlx::Timestamp"
           from rep_change c
           join rep on rep.barn_id = c.barn_id and rep.rep_id = c.rep_id
           join person on person.barn_id = c.barn_id and person.person_id = c.changed_by
           where c.barn_id = $1 and rep.ride_id = $2
           order by c.changed_at, c.changes"#,
        barn_id,
        ride_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| RepChange {
            rep_id: row.rep_id,
            taken_back: row.taken_back,
            changed_by: row.changed_by,
            changed_at: row.changed_at.to_jiff(),
        })
        .collect())
}
