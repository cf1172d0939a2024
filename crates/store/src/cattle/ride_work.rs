//! Works on cattle and the flag, with their turns.

use cavesson_core::Side;
use cavesson_core::rep::{Measure, Turn};
use cavesson_core::ride::{HowEnded, NewRide, WorkEnd, WorkSaid};
use jiff::Timestamp;
use jiff::civil::Date;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored::read_measure;
use crate::stored::read_word;

/// Adds the works of a ride to those known; an end that was said stays.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, ride: &NewRide) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    for work in ride.works.as_deref().unwrap_or_default() {
        let ms = |ms: u32| i32::try_from(ms).unwrap_or(i32::MAX);
        sqlx::query!(
            "insert into ride_work
               (barn_id, ride_id, work_id, cow_id, after_ms, ended_after_ms, ended_how)
             values ($1, $2, $3, $4, $5, $6, $7)
             on conflict (barn_id, work_id) do update
               set ended_after_ms = excluded.ended_after_ms, ended_how = excluded.ended_how
             where ride_work.ride_id = excluded.ride_id and ride_work.ended_how is null
               and excluded.ended_how is not null",
            barn_id,
            ride.ride_id,
            work.work_id,
            work.cow_id,
            ms(work.after_ms),
            work.ended.map(|end| ms(end.after_ms)),
            work.ended.map(|end| end.how.word())
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// Which works of these rides are known.
///
/// # Errors
/// When the query fails.
pub async fn known(
    barn: &mut BarnTransaction,
    ride_ids: &[Uuid],
) -> StoreResult<Vec<(Uuid, Uuid)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select ride_id, work_id from ride_work where barn_id = $1 and ride_id = any($2)",
        barn_id,
        ride_ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| (row.ride_id, row.work_id))
        .collect())
}

/// A work with what is known round it.
#[derive(Debug, Clone, PartialEq)]
pub struct Work {
    /// The work.
    pub said: WorkSaid,
    /// The ride.
    pub ride_id: Uuid,
    /// The horse, by id and name.
    pub horse: (Uuid, String),
    /// Who rode.
    pub rider: String,
    /// The day.
    pub day: Date,
    /// When the ride began.
    pub started_at: Timestamp,
    /// The tag of the cow; none for the flag.
    pub tag: Option<String>,
    /// Its turns, first to last; those taken back are left out.
    pub turns: Vec<(Side, Turn)>,
}

/// Which works are asked for.
#[derive(Debug, Clone, Copy, Default)]
pub struct Wanted<'a> {
    /// Of this cow.
    pub cow_id: Option<Uuid>,
    /// Of this horse.
    pub horse_id: Option<Uuid>,
    /// Of this ride.
    pub ride_id: Option<Uuid>,
    /// Of these cattle.
    pub cattle: Option<&'a [Uuid]>,
}

/// Works, oldest first.
///
/// # Errors
/// When a query fails.
pub async fn list(barn: &mut BarnTransaction, wanted: Wanted<'_>) -> StoreResult<Vec<Work>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select w.work_id, w.ride_id, w.cow_id, w.after_ms, w.ended_after_ms, w.ended_how,
                  r.horse_id, h.name as horse, p.name as rider, r.day as "day: jiff_sqlx::Date",
                  r.started_at as "started_at: jiff_sqlx::Timestamp", c.tag as "tag?"
           from ride_work w
           join ride r on r.barn_id = w.barn_id and r.ride_id = w.ride_id
           join horse h on h.barn_id = r.barn_id and h.horse_id = r.horse_id
           join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           left join cow c on c.barn_id = w.barn_id and c.cow_id = w.cow_id
           where w.barn_id = $1 and ($2::uuid is null or w.cow_id = $2)
             and ($3::uuid is null or r.horse_id = $3) and ($4::uuid is null or w.ride_id = $4)
             and ($5::uuid[] is null or w.cow_id = any($5))
           order by r.started_at, w.after_ms, w.work_id"#,
        barn_id,
        wanted.cow_id,
        wanted.horse_id,
        wanted.ride_id,
        wanted.cattle
    )
    .fetch_all(barn.connection())
    .await?;
    let ids: Vec<String> = rows.iter().map(|row| row.work_id.to_string()).collect();
    let mut turns = turns(barn, &ids).await?;
    Ok(rows
        .into_iter()
        .map(|row| {
            let ended = row.ended_after_ms.zip(row.ended_how).and_then(|(ms, how)| {
                let how = read_word("ride_work how", &how, HowEnded::from_word)
                    .inspect_err(|why| tracing::warn!(%why, "ride_work"))
                    .ok()?;
                Some(WorkEnd {
                    after_ms: ms.unsigned_abs(),
                    how,
                })
            });
            Work {
                said: WorkSaid {
                    work_id: row.work_id,
                    cow_id: row.cow_id,
                    after_ms: row.after_ms.unsigned_abs(),
                    ended,
                },
                ride_id: row.ride_id,
                horse: (row.horse_id, row.horse),
                rider: row.rider,
                day: row.day.to_jiff(),
                started_at: row.started_at.to_jiff(),
                tag: row.tag,
                turns: turns.remove(&row.work_id).unwrap_or_default(),
            }
        })
        .collect())
}

type Turns = std::collections::HashMap<Uuid, Vec<(Side, Turn)>>;

/// The turns of these works; what this version cannot read is left out.
async fn turns(barn: &mut BarnTransaction, work_ids: &[String]) -> StoreResult<Turns> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select side, measure, measure_form from rep
         where barn_id = $1 and measure ? 'work_id' and measure ->> 'work_id' = any($2)
           and undone_at is null
         order by asked_at, sequence, rep_id",
        barn_id,
        work_ids
    )
    .fetch_all(barn.connection())
    .await?;
    let mut found = Turns::new();
    for row in rows {
        let (Ok(Measure::Turn(turn)), Ok(side)) = (
            read_measure(row.measure_form, row.measure),
            read_word("side", &row.side, Side::from_word),
        ) else {
            continue;
        };
        if let Some(work_id) = turn.work_id {
            found.entry(work_id).or_default().push((side, turn));
        }
    }
    Ok(found)
}

/// An ask on cattle.
#[derive(Debug, Clone, PartialEq)]
pub struct OnCattle {
    /// The horse.
    pub horse_id: Uuid,
    /// The ride.
    pub ride_id: Uuid,
    /// The turn that it was; none for anything else asked on cattle.
    pub turn: Option<Turn>,
}

/// The last asks of these horses in skills that need cattle, first to last; of each horse at most
/// so many.
///
/// # Errors
/// When the query fails.
pub async fn lately(
    barn: &mut BarnTransaction,
    horse_ids: &[Uuid],
    skills: &[String],
    of_each: i64,
) -> StoreResult<Vec<OnCattle>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id as "horse_id!", ride_id as "ride_id!", measure as "measure!",
                  measure_form as "measure_form!"
           from (select horse_id, ride_id, measure, measure_form, asked_at, sequence, rep_id,
                   row_number() over (partition by horse_id
                                      order by asked_at desc, sequence desc, rep_id desc) as place
                 from rep where barn_id = $1 and horse_id = any($2) and skill = any($3)
                   and undone_at is null) asked
           where place <= $4 order by asked_at, sequence, rep_id"#,
        barn_id,
        horse_ids,
        skills,
        of_each
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| OnCattle {
            horse_id: row.horse_id,
            ride_id: row.ride_id,
            turn: match read_measure(row.measure_form, row.measure) {
                Ok(Measure::Turn(turn)) => Some(turn),
                _ => None,
            },
        })
        .collect())
}
