//! Overrules: kept with reason and author; withdrawn, never deleted.

use cavesson_core::judge::Overrule;
use cavesson_core::ladder::{Level, RungId, SkillId};
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// An overrule with its author, as it is listed.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KeptOverrule {
    /// The overrule.
    pub overrule: Overrule,
    /// The horse.
    pub horse_id: Uuid,
    /// Who made it.
    pub made_by: String,
    /// When it was taken back.
    pub withdrawn_at: Option<Timestamp>,
}

/// Keeps an overrule; false when its id is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    overrule: &Overrule,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into overrule (barn_id, overrule_id, horse_id, skill, rung, day, judge_said, counts_as, reason, made_by)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
         on conflict (barn_id, overrule_id) do update set reason = excluded.reason
         where overrule.horse_id = excluded.horse_id and overrule.skill = excluded.skill
           and overrule.rung = excluded.rung and overrule.counts_as = excluded.counts_as
           and overrule.reason = excluded.reason",
        barn_id,
        overrule.overrule_id,
        horse_id,
        overrule.level.skill.0,
        overrule.level.rung.0,
        overrule.day.to_sqlx() as _,
        overrule.judge_said.word(),
        overrule.counts_as.word(),
        overrule.reason.trim(),
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The horse of an overrule.
///
/// # Errors
/// When the query fails.
pub async fn horse_of(barn: &mut BarnTransaction, overrule_id: Uuid) -> StoreResult<Option<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select horse_id from overrule where barn_id = $1 and overrule_id = $2",
        barn_id,
        overrule_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// Takes an overrule back; whether there was one to take back.
///
/// # Errors
/// When the query fails.
pub async fn withdraw(barn: &mut BarnTransaction, overrule_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "update overrule set withdrawn_at = now()
         where barn_id = $1 and overrule_id = $2 and withdrawn_at is null",
        barn_id,
        overrule_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// All overrules of the barn, latest first; with `owner`, only on that person's horses.
///
/// # Errors
/// When the query fails.
pub async fn list(
    barn: &mut BarnTransaction,
    owner: Option<Uuid>,
) -> StoreResult<Vec<KeptOverrule>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select o.overrule_id, o.horse_id, o.skill, o.rung, o.day as "day: jiff_sqlx::Date",
                  o.judge_said, o.counts_as, o.reason, p.name as made_by,
                  o.withdrawn_at as "withdrawn_at: jiff_sqlx::Timestamp"
           from overrule o
           join person p on p.barn_id = o.barn_id and p.person_id = o.made_by
           join horse h on h.barn_id = o.barn_id and h.horse_id = o.horse_id
           where o.barn_id = $1 and ($2::uuid is null or h.owner_id = $2)
           order by o.day desc, o.made_at desc, o.overrule_id"#,
        barn_id,
        owner
    )
    .fetch_all(barn.connection())
    .await?;
    // A verdict of another version is passed over: it says nothing here.
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            Some(KeptOverrule {
                overrule: Overrule {
                    overrule_id: row.overrule_id,
                    level: Level {
                        skill: SkillId(row.skill),
                        rung: RungId(row.rung),
                    },
                    day: row.day.to_jiff(),
                    judge_said: crate::horse::known::verdict(&row.judge_said).ok()?,
                    counts_as: crate::horse::known::verdict(&row.counts_as).ok()?,
                    reason: row.reason,
                },
                horse_id: row.horse_id,
                made_by: row.made_by,
                withdrawn_at: row.withdrawn_at.map(|at| at.to_jiff()),
            })
        })
        .collect())
}
