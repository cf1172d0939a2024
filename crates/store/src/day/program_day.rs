//! The weekdays a program has a horse ridden: when, by whom, where, for what.

use cavesson_core::ladder::{Level, RungId, SkillId};
use jiff::civil::Time;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A horse's ride on one weekday.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct ProgramDay {
    /// The horse.
    pub horse_id: Uuid,
    /// Barn time.
    pub starts_at: Time,
    /// Who rides.
    pub rider_id: Uuid,
    /// Their name.
    pub rider: String,
    /// Where.
    pub place_id: Uuid,
    /// What people call it.
    pub place: String,
    /// arena, round_pen, cattle_pen or outside.
    pub place_kind: String,
    /// What the ride is for.
    pub level: Level,
}

/// The rides of a weekday (1 is Monday), earliest first; with `owner`, only on
/// that person's horses.
///
/// # Errors
/// When the query fails.
pub async fn list(
    barn: &mut BarnTransaction,
    weekday: i32,
    owner: Option<Uuid>,
) -> StoreResult<Vec<ProgramDay>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select d.horse_id, d.starts_at, d.rider_id, p.name as rider, l.place_id, l.name as place,
                l.kind as place_kind, d.skill, d.rung
         from program_day d
         join person p on p.barn_id = d.barn_id and p.person_id = d.rider_id
         join place l on l.barn_id = d.barn_id and l.place_id = d.place_id
         join horse h on h.barn_id = d.barn_id and h.horse_id = d.horse_id
         where d.barn_id = $1 and d.weekday = $2 and ($3::uuid is null or h.owner_id = $3)
           and h.sent_home_at is null and p.left_at is null and l.put_away_at is null
         order by d.starts_at, h.name",
        barn_id,
        weekday,
        owner
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| ProgramDay {
            horse_id: row.horse_id,
            starts_at: row.starts_at.to_jiff(),
            rider_id: row.rider_id,
            rider: row.rider,
            place_id: row.place_id,
            place: row.place,
            place_kind: row.place_kind,
            level: Level {
                skill: SkillId(row.skill),
                rung: RungId(row.rung),
            },
        })
        .collect())
}

/// A ride to be put on a weekday.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct NewProgramDay {
    /// The horse.
    pub horse_id: Uuid,
    /// 1 is Monday.
    pub weekday: i32,
    /// Barn time.
    pub starts_at: Time,
    /// Who rides.
    pub rider_id: Uuid,
    /// Where.
    pub place_id: Uuid,
    /// What the ride is for.
    pub level: Level,
}

/// Puts a ride on a weekday; what stood there for the horse is replaced.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, day: &NewProgramDay) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into program_day (barn_id, horse_id, weekday, starts_at, rider_id, place_id, skill, rung)
         values ($1, $2, $3, $4, $5, $6, $7, $8)
         on conflict (barn_id, horse_id, weekday) do update
         set starts_at = excluded.starts_at, rider_id = excluded.rider_id,
             place_id = excluded.place_id, skill = excluded.skill, rung = excluded.rung",
        barn_id,
        day.horse_id,
        day.weekday,
        day.starts_at.to_sqlx() as _,
        day.rider_id,
        day.place_id,
        day.level.skill.0,
        day.level.rung.0
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
