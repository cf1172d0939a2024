//! Rides.

use cavesson_core::horse::RideMark;
use cavesson_core::ride::{Exertion, Mood, NewRide, RideEnd, RigFrom};
use jiff::{Timestamp, civil::Date};
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::cattle::ride_work;
use crate::tack::ride_share;

/// A ride.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Ride {
    /// Its id.
    pub ride_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// Who rode.
    pub rider: String,
    /// The barn's calendar day of the start.
    pub day: Date,
    /// When it began.
    pub started_at: Timestamp,
    /// The same as the device's clock stood.
    pub device_started_at: Timestamp,
    /// When it was finished.
    pub finished_at: Option<Timestamp>,
    /// How often it was opened again after a finish.
    pub opened_again: u32,
    /// What made it unlike the others.
    pub marks: Vec<RideMark>,
    /// Reps that were not taken back.
    pub asked: i64,
}

struct Row {
    ride_id: Uuid,
    horse_id: Uuid,
    rider: String,
    day: jiff_sqlx::Date,
    started_at: jiff_sqlx::Timestamp,
    device_started_at: jiff_sqlx::Timestamp,
    finished_at: Option<jiff_sqlx::Timestamp>,
    opened_again: i32,
    marks: Vec<String>,
    asked: i64,
}

impl From<Row> for Ride {
    fn from(row: Row) -> Ride {
        Ride {
            ride_id: row.ride_id,
            horse_id: row.horse_id,
            rider: row.rider,
            day: row.day.to_jiff(),
            started_at: row.started_at.to_jiff(),
            device_started_at: row.device_started_at.to_jiff(),
            finished_at: row.finished_at.map(|at| at.to_jiff()),
            opened_again: row.opened_again.unsigned_abs(),
            marks: row
                .marks
                .iter()
                .filter_map(|mark| RideMark::from_word(mark))
                .collect(),
            asked: row.asked,
        }
    }
}

/// The ride of that id; with `owner`, only on that person's horse.
///
/// # Errors
/// When the query fails.
pub async fn find(
    barn: &mut BarnTransaction,
    ride_id: Uuid,
    owner: Option<Uuid>,
) -> StoreResult<Option<Ride>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query_as!(
        Row,
        r#"select r.ride_id, r.horse_id, p.name as rider, r.day, r.started_at, r.device_started_at,
                  r.finished_at, r.opened_again, r.marks,
                  (select count(*) from rep where rep.barn_id = r.barn_id
                   and rep.ride_id = r.ride_id and undone_at is null) as "asked!"
           from ride r
           join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           join horse h on h.barn_id = r.barn_id and h.horse_id = r.horse_id
           where r.barn_id = $1 and r.ride_id = $2 and ($3::uuid is null or h.owner_id = $3)"#,
        barn_id,
        ride_id,
        owner
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(row.map(Ride::from))
}

/// Who rode; none where there is no such ride.
///
/// # Errors
/// When the query fails.
pub async fn rider_of(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Option<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select rider_id from ride where barn_id = $1 and ride_id = $2",
        barn_id,
        ride_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// The rides of a day, earliest first.
///
/// # Errors
/// When the query fails.
pub async fn on_day(barn: &mut BarnTransaction, day: Date) -> StoreResult<Vec<Ride>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_as!(
        Row,
        r#"select r.ride_id, r.horse_id, p.name as rider, r.day, r.started_at, r.device_started_at,
                  r.finished_at, r.opened_again, r.marks,
                  (select count(*) from rep where rep.barn_id = r.barn_id
                   and rep.ride_id = r.ride_id and undone_at is null) as "asked!"
           from ride r
           join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           where r.barn_id = $1 and r.day = $2
           order by r.started_at, r.ride_id"#,
        barn_id,
        day.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows.into_iter().map(Ride::from).collect())
}

/// Rides whose check-over says what is usual for a horse.
const QUIET_RIDES: i64 = 30;

/// Minutes until the horse was quiet before its last rides before a day, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn quiet_minutes(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    before: Date,
) -> StoreResult<Vec<f64>> {
    let barn_id = barn.barn_id();
    let mut minutes = sqlx::query_scalar!(
        r#"select quiet_after_s / 60 as "minutes!" from ride
           where barn_id = $1 and horse_id = $2 and day < $3 and quiet_after_s is not null
           order by started_at desc, ride_id limit $4"#,
        barn_id,
        horse_id,
        before.to_sqlx() as _,
        QUIET_RIDES
    )
    .fetch_all(barn.connection())
    .await?;
    minutes.reverse();
    Ok(minutes)
}

/// The days on which each horse was ridden, from one day to another.
///
/// # Errors
/// When the query fails.
pub async fn ridden_days(
    barn: &mut BarnTransaction,
    from: Date,
    to: Date,
) -> StoreResult<Vec<(Uuid, Date)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select distinct horse_id, day as "day: jiff_sqlx::Date" from ride
           where barn_id = $1 and day between $2 and $3"#,
        barn_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| (row.horse_id, row.day.to_jiff()))
        .collect())
}

/// How often each person rode each horse since a day: horse, rider, rides.
///
/// # Errors
/// When the query fails.
pub async fn riders_since(
    barn: &mut BarnTransaction,
    from: Date,
) -> StoreResult<Vec<(Uuid, Uuid, i64)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id, rider_id, count(*) as "rides!" from ride
           where barn_id = $1 and day >= $2 group by horse_id, rider_id"#,
        barn_id,
        from.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| (row.horse_id, row.rider_id, row.rides))
        .collect())
}

/// What a rep needs to know of its ride.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct RideOfRep {
    /// The ride.
    pub ride_id: Uuid,
    /// Its horse.
    pub horse_id: Uuid,
    /// When it began, on the server's clock.
    pub started_at: Timestamp,
}

/// Those of `ride_ids` that are in the barn.
///
/// # Errors
/// When the query fails.
pub async fn of_reps(barn: &mut BarnTransaction, ride_ids: &[Uuid]) -> StoreResult<Vec<RideOfRep>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select ride_id, horse_id, started_at as "started_at: jiff_sqlx::Timestamp" from ride
           where barn_id = $1 and ride_id = any($2)"#,
        barn_id,
        ride_ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| RideOfRep {
            ride_id: row.ride_id,
            horse_id: row.horse_id,
            started_at: row.started_at.to_jiff(),
        })
        .collect())
}

/// A ride on the server's clock and the barn's calendar.
#[derive(Debug, Clone, Copy)]
pub struct PlacedRide<'a> {
    /// The ride as it was sent.
    pub ride: &'a NewRide,
    /// When it began. Of a ride that is known, what is known stays.
    pub started_at: Timestamp,
    /// The barn's calendar day of the start.
    pub day: Date,
    /// Who rode.
    pub rider_id: Uuid,
}

/// Stores a ride, or what is newer of one that is known: finish, marks, note,
/// faults. False when it is known with another horse or start.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, placed: &PlacedRide<'_>) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let ride = placed.ride;
    let marks: Option<Vec<String>> = ride
        .marks
        .as_ref()
        .map(|marks| marks.iter().map(|mark| mark.word().to_owned()).collect());
    let intake = ride
        .intake
        .as_ref()
        .map(serde_json::to_value)
        .transpose()
        .map_err(StoreError::Unstorable)?;
    let done = sqlx::query_file!(
        "queries/put_ride.sql",
        barn_id,
        ride.ride_id,
        ride.horse_id,
        placed.rider_id,
        placed.day.to_sqlx() as _,
        placed.started_at.to_sqlx() as _,
        ride.started_at.to_sqlx() as _,
        ride.finished_after_ms.map(f64::from),
        i32::try_from(ride.opened_again).unwrap_or(i32::MAX),
        marks.as_deref(),
        ride.note.as_deref().map(str::trim),
        ride.quiet_after_s,
        ride.ended.map(RideEnd::word),
        ride.mood.map(Mood::word),
        intake,
        ride.present.as_deref().map(str::trim),
        ride.exertion.map(Exertion::word),
        ride.from_tape.is_some()
    )
    .execute(barn.connection())
    .await?;
    if done.rows_affected() != 1 {
        return Ok(false);
    }
    put_faults(barn, ride).await?;
    put_rigs(barn, ride).await?;
    ride_share::put(barn, ride).await?;
    ride_work::put(barn, ride).await?;
    Ok(true)
}

/// Adds the rigs of a ride to those known: rider and helper may both have said one.
async fn put_rigs(barn: &mut BarnTransaction, ride: &NewRide) -> StoreResult<()> {
    let rigs = ride.rigs.as_deref().unwrap_or_default();
    let barn_id = barn.barn_id();
    for rig in rigs {
        sqlx::query!(
            "insert into ride_rig (barn_id, ride_id, after_ms, kind, name, gear_id)
             values ($1, $2, $3, $4, $5, $6)
             on conflict (barn_id, ride_id, after_ms)
             do update set kind = excluded.kind, name = excluded.name, gear_id = excluded.gear_id",
            barn_id,
            ride.ride_id,
            i32::try_from(rig.after_ms).unwrap_or(i32::MAX),
            rig.kind.word(),
            rig.name.trim(),
            rig.gear_id
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// What was said of a ride beside its reps.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Said {
    /// How it ended.
    pub ended: Option<RideEnd>,
    /// The horse's mood.
    pub mood: Option<Mood>,
    /// How hard it was on the horse.
    pub exertion: Option<Exertion>,
    /// One line for next time; empty where there is none.
    pub note: String,
    /// Seconds until it was quiet before mounting.
    pub quiet_after_s: Option<f64>,
    /// The rigs it was ridden in, first to last.
    pub rigs: Vec<RigFrom>,
    /// Who else was there, where somebody said.
    pub present: Option<String>,
    /// It was logged from a film.
    pub from_tape: bool,
}

/// What was said of a ride.
///
/// # Errors
/// When the query fails.
pub async fn said(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Said> {
    let barn_id = barn.barn_id();
    let row = sqlx::query!(
        "select ended, mood, exertion, note, quiet_after_s, present, from_tape from ride where barn_id = $1 and ride_id = $2",
        barn_id,
        ride_id
    )
    .fetch_optional(barn.connection())
    .await?;
    let rigs = ride_share::rigs_of(barn, &[ride_id]).await?;
    let rigs = rigs.into_iter().map(|(_, rig)| rig).collect();
    Ok(row.map_or_else(Said::default, |row| Said {
        ended: row.ended.as_deref().and_then(RideEnd::from_word),
        mood: row.mood.as_deref().and_then(Mood::from_word),
        exertion: row.exertion.as_deref().and_then(Exertion::from_word),
        note: row.note,
        quiet_after_s: row.quiet_after_s,
        rigs,
        present: row.present,
        from_tape: row.from_tape,
    }))
}

/// The line that was said for next time on the last ride of a horse before a day, with
/// that ride's day.
///
/// # Errors
/// When the query fails.
pub async fn last_note(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    before: Date,
) -> StoreResult<Option<(Date, String)>> {
    let barn_id = barn.barn_id();
    let row = sqlx::query!(
        r#"select day as "day: jiff_sqlx::Date", note from ride
           where barn_id = $1 and horse_id = $2 and day < $3
           order by started_at desc, ride_id limit 1"#,
        barn_id,
        horse_id,
        before.to_sqlx() as _
    )
    .fetch_optional(barn.connection())
    .await?;
    Ok(row
        .filter(|row| !row.note.is_empty())
        .map(|row| (row.day.to_jiff(), row.note)))
}

/// The faults seen in parts of a ride take the place of those known, where the
/// device says any.
async fn put_faults(barn: &mut BarnTransaction, ride: &NewRide) -> StoreResult<()> {
    let Some(faults) = &ride.faults else {
        return Ok(());
    };
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from block_fault where barn_id = $1 and ride_id = $2",
        barn_id,
        ride.ride_id
    )
    .execute(barn.connection())
    .await?;
    for chip in faults {
        sqlx::query!(
            "insert into block_fault (barn_id, ride_id, skill, rung, fault) values ($1, $2, $3, $4, $5)
             on conflict do nothing",
            barn_id,
            ride.ride_id,
            chip.skill.0,
            chip.rung.0,
            chip.fault.0
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}
