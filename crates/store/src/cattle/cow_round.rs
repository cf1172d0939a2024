//! Rounds on the cow of the trainer.

use cavesson_core::cattle::cow_model::{CowLevel, CowRound};
use cavesson_core::cattle::round::Steered;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// A round as it was ridden.
#[derive(Debug, Clone, PartialEq)]
pub struct Ridden {
    /// Its id, made where it was ridden.
    pub round_id: Uuid,
    /// Who rode.
    pub person_id: Uuid,
    /// When it came here.
    pub at: Timestamp,
    /// The round.
    pub round: CowRound,
    /// What it came to.
    pub score: f64,
    /// What was steered.
    pub steered: Vec<Steered>,
}

/// Keeps a round; one that is known stays. False when it is known of somebody else.
///
/// # Errors
/// When the query fails.
pub async fn add(barn: &mut BarnTransaction, ridden: &Ridden) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let steered = serde_json::to_value(&ridden.steered).map_err(StoreError::Unstorable)?;
    let done = sqlx::query!(
        "insert into cow_round (barn_id, round_id, person_id, at, level, stale, seed, score, steered)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
         on conflict (barn_id, round_id) do update set score = excluded.score
         where cow_round.person_id = excluded.person_id and cow_round.steered = excluded.steered
           and cow_round.seed = excluded.seed",
        barn_id,
        ridden.round_id,
        ridden.person_id,
        ridden.at.to_sqlx() as _,
        ridden.round.level.word(),
        ridden.round.stale,
        i64::from(ridden.round.seed),
        ridden.score,
        steered
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The best round of each rider at each level, best first; one of a newer version is left out.
///
/// # Errors
/// When the query fails.
pub async fn best(barn: &mut BarnTransaction) -> StoreResult<Vec<Ridden>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select distinct on (level, stale, person_id)
                  round_id, person_id, at as "at: jiff_sqlx::Timestamp", level, stale, seed, score, steered
           from cow_round where barn_id = $1
           order by level, stale, person_id, score desc, at, round_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    let mut best: Vec<Ridden> = rows
        .into_iter()
        .filter_map(|row| {
            Some(Ridden {
                round_id: row.round_id,
                person_id: row.person_id,
                at: row.at.to_jiff(),
                round: CowRound {
                    seed: row.seed.try_into().ok()?,
                    level: CowLevel::from_word(&row.level)?,
                    stale: row.stale,
                },
                score: row.score,
                steered: serde_json::from_value(row.steered)
                    .inspect_err(|why| tracing::warn!(%why, "cow round"))
                    .ok()?,
            })
        })
        .collect();
    best.sort_by(|a, b| b.score.total_cmp(&a.score).then(a.at.cmp(&b.at)));
    Ok(best)
}
