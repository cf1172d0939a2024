//! What is known of a horse, by version: everything that came after a version
//! that is already at hand.

use std::str::FromStr;

use cavesson_core::horse::{CareKind, CareNote, RideMark};
use cavesson_core::judge::{Overrule, RideFacts, Verdict};
use cavesson_core::ladder::{FaultId, Level, RungId, SkillId};
use cavesson_core::rep::Rep;
use sqlx::types::Json;
use uuid::Uuid;

use crate::rep::Row;
use crate::{BarnTransaction, StoreError, StoreResult};

/// A rep that came after a version.
#[derive(Debug, Clone)]
pub struct NewlyKnown {
    /// The rep.
    pub rep: Rep,
    /// Taken back.
    pub undone: bool,
}

/// A fault seen in the asks of one level of a ride.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct BlockFault {
    /// The ride.
    pub ride_id: Uuid,
    /// The level.
    pub level: Level,
    /// The fault.
    pub fault: FaultId,
}

/// The reps of a horse that were stored or taken back after `version`.
///
/// # Errors
/// When the query fails.
pub async fn reps_after(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    version: i64,
) -> StoreResult<Vec<NewlyKnown>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select rep.rep_id, rep.ride_id, rep.horse_id, rep.skill, rep.rung, rep.side,
                  ride.day as "day: jiff_sqlx::Date", rep.asked_at as "asked_at: jiff_sqlx::Timestamp",
                  rep.measure as "measure: Json<cavesson_core::rep::Measure>", rep.faults,
                  rep.undone_at is not null as "undone!"
           from rep
           join ride on ride.barn_id = rep.barn_id and ride.ride_id = rep.ride_id
           where rep.barn_id = $1 and rep.horse_id = $2 and rep.known_version > $3"#,
        barn_id,
        horse_id,
        version
    )
    .fetch_all(barn.connection())
    .await?;
    rows.into_iter()
        .map(|row| {
            let undone = row.undone;
            let row = Row {
                rep_id: row.rep_id,
                ride_id: row.ride_id,
                horse_id: row.horse_id,
                skill: row.skill,
                rung: row.rung,
                side: row.side,
                day: row.day,
                asked_at: row.asked_at,
                measure: row.measure,
                faults: row.faults,
            };
            let (_, rep) = row.try_into()?;
            Ok(NewlyKnown { rep, undone })
        })
        .collect()
}

/// The rides of a horse with their marks, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn rides(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<RideFacts>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select ride_id, day as "day: jiff_sqlx::Date", marks from ride
           where barn_id = $1 and horse_id = $2 order by started_at, ride_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| RideFacts {
            ride_id: row.ride_id,
            day: row.day.to_jiff(),
            marks: row
                .marks
                .iter()
                .filter_map(|mark| RideMark::from_word(mark))
                .collect(),
        })
        .collect())
}

/// The faults seen in parts of a horse's rides.
///
/// # Errors
/// When the query fails.
pub async fn block_faults(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
) -> StoreResult<Vec<BlockFault>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select f.ride_id, f.skill, f.rung, f.fault from block_fault f
         join ride r on r.barn_id = f.barn_id and r.ride_id = f.ride_id
         where f.barn_id = $1 and r.horse_id = $2 order by r.started_at, f.fault",
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| BlockFault {
            ride_id: row.ride_id,
            level: Level {
                skill: SkillId(row.skill),
                rung: RungId(row.rung),
            },
            fault: FaultId(row.fault),
        })
        .collect())
}

/// The notes of care of a horse, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn care(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<CareNote>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select care_id, kind, day as "day: jiff_sqlx::Date",
                  cleared_on as "cleared_on: jiff_sqlx::Date", says from care
           where barn_id = $1 and horse_id = $2 order by day, made_at"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    rows.into_iter()
        .map(|row| {
            Ok(CareNote {
                care_id: row.care_id,
                kind: CareKind::from_word(&row.kind).ok_or(StoreError::Unknown {
                    what: "kind of care",
                    found: row.kind,
                })?,
                day: row.day.to_jiff(),
                cleared_on: row.cleared_on.map(|day| day.to_jiff()),
                says: row.says,
            })
        })
        .collect()
}

/// The overrules of a horse that stand, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn overrules(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<Overrule>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select overrule_id, skill, rung, day as "day: jiff_sqlx::Date", judge_said, counts_as, reason
           from overrule
           where barn_id = $1 and horse_id = $2 and withdrawn_at is null order by made_at, overrule_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    rows.into_iter()
        .map(|row| {
            Ok(Overrule {
                overrule_id: row.overrule_id,
                level: Level {
                    skill: SkillId(row.skill),
                    rung: RungId(row.rung),
                },
                day: row.day.to_jiff(),
                judge_said: verdict(row.judge_said)?,
                counts_as: verdict(row.counts_as)?,
                reason: row.reason,
            })
        })
        .collect()
}

/// The verdict of a stored word.
///
/// # Errors
/// A word that is none.
pub fn verdict(word: String) -> StoreResult<Verdict> {
    Verdict::from_word(&word).ok_or(StoreError::Unknown {
        what: "verdict",
        found: word,
    })
}

/// The versions of what is known of the barn's horses, and their programs.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct KnownVersion {
    /// The horse.
    pub horse_id: Uuid,
    /// The version of what is known.
    pub version: i64,
    /// Its program; none is the ladder as it ships.
    pub program_id: Option<Uuid>,
}

/// The versions of the named horses.
///
/// # Errors
/// When the query fails.
pub async fn versions(
    barn: &mut BarnTransaction,
    horse_ids: &[Uuid],
) -> StoreResult<Vec<KnownVersion>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_as!(
        KnownVersion,
        "select horse_id, known_version as version, program_id from horse
         where barn_id = $1 and horse_id = any($2)",
        barn_id,
        horse_ids
    )
    .fetch_all(barn.connection())
    .await?)
}

/// A change of what is known of a horse, as it is told to whoever listens.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Change {
    /// The barn.
    pub barn_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
}

impl FromStr for Change {
    type Err = uuid::Error;

    fn from_str(told: &str) -> Result<Change, uuid::Error> {
        let (barn_id, horse_id) = told.split_once(' ').unwrap_or((told, ""));
        Ok(Change {
            barn_id: barn_id.parse()?,
            horse_id: horse_id.parse()?,
        })
    }
}

/// The channel on which PostgreSQL tells of changes, once they are committed.
pub const CHANNEL: &str = "cavesson_known";
