//! What is known of a horse, by version: everything that came after a version
//! that is already at hand.

use std::collections::HashMap;
use std::str::FromStr;

use cavesson_core::horse::{CareKind, CareNote, RideMark, Sex};
use cavesson_core::judge::{Overrule, RideFacts, Verdict};
use cavesson_core::ladder::{FaultId, Level, RungId, SkillId};
use cavesson_core::rep::Rep;
use cavesson_core::rig::{RigKind, RigWorn};
use jiff::SignedDuration;
use jiff::civil::Date;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::ride::rep::Row;
use crate::stored::Unreadable;
use crate::stored::read_word;

/// A rep that came after a version.
#[derive(Debug, Clone)]
pub struct NewlyKnown {
    /// Its id.
    pub rep_id: Uuid,
    /// Its level.
    pub level: Level,
    /// The rep; why not, where it was taken back or cannot be read here.
    pub rep: Result<Rep, Left>,
}

/// Why a rep is not judged.
#[derive(Debug, Clone, PartialEq, Eq)]
pub enum Left {
    /// It was taken back.
    Undone,
    /// Another version stored it.
    Unreadable(Unreadable),
}

/// Rows of a table, those aside that this version cannot read.
#[derive(Debug, Clone)]
pub struct Rows<T> {
    /// What can be read.
    pub read: Vec<T>,
    /// How many cannot.
    pub unreadable: usize,
}

impl<T> Rows<T> {
    pub(crate) fn of(what: &str, rows: impl Iterator<Item = Result<T, Unreadable>>) -> Rows<T> {
        let (mut read, mut unreadable) = (Vec::new(), 0);
        for row in rows {
            match row {
                Ok(row) => read.push(row),
                Err(why) => {
                    tracing::warn!(%why, what, "a row of another version");
                    unreadable += 1;
                }
            }
        }
        Rows { read, unreadable }
    }
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

/// The reps of a horse that were stored, taken back or brought back after version
/// `after`, up to version `until`. In a transaction that sees one state, nothing of a
/// later version can be missing from it or be among them.
///
/// # Errors
/// When the query fails.
pub async fn reps_between(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    after: i64,
    until: i64,
) -> StoreResult<Vec<NewlyKnown>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select rep.rep_id, rep.ride_id, rep.skill, rep.rung, rep.side,
                  ride.day as "day: jiff_sqlx::Date", rep.asked_at as "asked_at: jiff_sqlx::Timestamp",
                  rep.measure, rep.measure_form, rep.faults, rep.undone_at is not null as "undone!"
           from rep
           join ride on ride.barn_id = rep.barn_id and ride.ride_id = rep.ride_id
           where rep.barn_id = $1 and rep.horse_id = $2
             and rep.known_version > $3 and rep.known_version <= $4"#,
        barn_id,
        horse_id,
        after,
        until
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| {
            let rep_id = row.rep_id;
            let level = Level::new(&row.skill, &row.rung);
            if row.undone {
                let rep = Err(Left::Undone);
                return NewlyKnown { rep_id, level, rep };
            }
            let row = Row {
                rep_id: row.rep_id,
                ride_id: row.ride_id,
                skill: row.skill,
                rung: row.rung,
                side: row.side,
                day: row.day,
                asked_at: row.asked_at,
                measure: row.measure,
                measure_form: row.measure_form,
                faults: row.faults,
            };
            let rep = row.read().map_err(Left::Unreadable);
            NewlyKnown { rep_id, level, rep }
        })
        .collect())
}

/// The rides of a horse with their marks, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn rides(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<RideFacts>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select ride_id, rider_id, day as "day: jiff_sqlx::Date", marks from ride
           where barn_id = $1 and horse_id = $2 order by started_at, ride_id"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    let mut rigs = rigs(barn, horse_id).await?;
    Ok(rows
        .into_iter()
        .map(|row| RideFacts {
            rigs: rigs.remove(&row.ride_id).unwrap_or_default(),
            ride_id: row.ride_id,
            day: row.day.to_jiff(),
            rider_id: Some(row.rider_id),
            marks: row
                .marks
                .iter()
                .filter_map(|mark| RideMark::from_word(mark))
                .collect(),
        })
        .collect())
}

/// The rigs of a horse's rides, first to last in each.
async fn rigs(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
) -> StoreResult<HashMap<Uuid, Vec<RigWorn>>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select g.ride_id, r.started_at as "started_at: jiff_sqlx::Timestamp", g.after_ms, g.kind,
                  g.name, g.gear_id
           from ride_rig g join ride r on r.barn_id = g.barn_id and r.ride_id = g.ride_id
           where g.barn_id = $1 and r.horse_id = $2 order by g.ride_id, g.after_ms"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    let mut rigs: HashMap<Uuid, Vec<RigWorn>> = HashMap::new();
    for row in rows {
        let Some(kind) = RigKind::from_word(&row.kind) else {
            continue;
        };
        let after = SignedDuration::from_millis(row.after_ms.into());
        let started_at = row.started_at.to_jiff();
        rigs.entry(row.ride_id).or_default().push(RigWorn {
            from: started_at.checked_add(after).unwrap_or(started_at),
            kind,
            gear_id: row.gear_id,
            name: row.name,
        });
    }
    Ok(rigs)
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
pub async fn care(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Rows<CareNote>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select care_id, kind, day as "day: jiff_sqlx::Date",
                  cleared_on as "cleared_on: jiff_sqlx::Date", text, again_days from care
           where barn_id = $1 and horse_id = $2 order by day, made_at"#,
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?;
    let notes = rows.into_iter().map(|row| {
        Ok(CareNote {
            care_id: row.care_id,
            kind: read_word("kind of care", &row.kind, CareKind::from_word)?,
            day: row.day.to_jiff(),
            cleared_on: row.cleared_on.map(|day| day.to_jiff()),
            text: row.text,
            again_days: row.again_days.and_then(|days| days.try_into().ok()),
        })
    });
    Ok(Rows::of("care", notes))
}

/// The overrules of a horse that stand, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn overrules(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Rows<Overrule>> {
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
    let overrules = rows.into_iter().map(|row| {
        Ok(Overrule {
            overrule_id: row.overrule_id,
            level: Level {
                skill: SkillId(row.skill),
                rung: RungId(row.rung),
            },
            day: row.day.to_jiff(),
            judge_said: verdict(&row.judge_said)?,
            counts_as: verdict(&row.counts_as)?,
            reason: row.reason,
        })
    });
    Ok(Rows::of("overrule", overrules))
}

/// The verdict of a stored word.
///
/// # Errors
/// A word that this version does not know.
pub fn verdict(word: &str) -> Result<Verdict, Unreadable> {
    read_word("verdict", word, Verdict::from_word)
}

/// The versions of what is known of the barn's horses, and their programs.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct KnownVersion {
    /// The horse.
    pub horse_id: Uuid,
    /// The version of what is known.
    pub version: i64,
    /// Mare, gelding or stallion; none for a word of another version.
    pub sex: Option<Sex>,
    /// Its program; none is the ladder as it ships.
    pub program_id: Option<Uuid>,
    /// The last day up to which what was said of it has been kept.
    pub judged_until: Option<Date>,
    /// What is known of it in this version or an older one is read anew: something was taken out.
    pub forgotten_until: i64,
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
    let rows = sqlx::query!(
        r#"select horse_id, known_version, sex, program_id, judged_until as "judged_until: jiff_sqlx::Date",
                  coalesce(forgotten_until, -1) as "forgotten_until!"
           from horse where barn_id = $1 and horse_id = any($2)"#,
        barn_id,
        horse_ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| KnownVersion {
            horse_id: row.horse_id,
            version: row.known_version,
            sex: Sex::of_word(&row.sex),
            program_id: row.program_id,
            judged_until: row.judged_until.map(|day| day.to_jiff()),
            forgotten_until: row.forgotten_until,
        })
        .collect())
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
