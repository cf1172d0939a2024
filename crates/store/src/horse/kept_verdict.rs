//! What the judge said, each time it said something else than before. A kept
//! verdict names the versions of ladder and program it was made with.

use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// One verdict to keep.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KeptVerdict {
    /// The skill.
    pub skill: String,
    /// The rung.
    pub rung: String,
    /// What the judge said.
    pub verdict: &'static str,
    /// Where the level stood.
    pub state: String,
}

/// What a batch of verdicts was made with.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct MadeWith {
    /// The horse.
    pub horse_id: Uuid,
    /// The version of what was known of it.
    pub known_version: i64,
    /// The day.
    pub day: Date,
    /// The version of the ladder.
    pub ladder_version: i32,
    /// The program and its version; none for the ladder as it ships.
    pub program: Option<(Uuid, i32)>,
}

/// Keeps those verdicts that differ from the last one kept of their level.
/// Returns how many did.
///
/// # Errors
/// When the query fails.
pub async fn keep(
    barn: &mut BarnTransaction,
    with: &MadeWith,
    verdicts: &[KeptVerdict],
) -> StoreResult<u64> {
    let barn_id = barn.barn_id();
    let skills: Vec<String> = verdicts.iter().map(|v| v.skill.clone()).collect();
    let rungs: Vec<String> = verdicts.iter().map(|v| v.rung.clone()).collect();
    let said: Vec<String> = verdicts.iter().map(|v| v.verdict.to_owned()).collect();
    let states: Vec<String> = verdicts.iter().map(|v| v.state.clone()).collect();
    let done = sqlx::query_file!(
        "queries/keep_verdicts.sql",
        barn_id,
        with.horse_id,
        with.known_version,
        with.day.to_sqlx() as _,
        with.ladder_version,
        with.program.map(|(program, _)| program),
        with.program.map(|(_, version)| version),
        &skills,
        &rungs,
        &said,
        &states
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected())
}

/// Notes that what was said of a horse is kept up to `day`.
///
/// # Errors
/// When the query fails.
pub async fn kept_until(barn: &mut BarnTransaction, horse_id: Uuid, day: Date) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update horse set judged_until = greatest(judged_until, $3)
         where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id,
        day.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// A verdict as it was kept.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct VerdictOfDay {
    /// The horse.
    pub horse_id: Uuid,
    /// The skill.
    pub skill: String,
    /// The rung.
    pub rung: String,
    /// The day.
    pub day: Date,
    /// What the judge said.
    pub verdict: String,
    /// The version of the ladder.
    pub ladder_version: i32,
    /// The version of the program; none for the ladder as it ships.
    pub program_version: Option<i32>,
}

/// Kept verdicts of that word, latest first; with `owner`, only on that person's
/// horses.
///
/// # Errors
/// When the query fails.
pub async fn with_verdict(
    barn: &mut BarnTransaction,
    word: &str,
    owner: Option<Uuid>,
) -> StoreResult<Vec<VerdictOfDay>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select k.horse_id, k.skill, k.rung, k.day as "day: jiff_sqlx::Date", k.verdict,
                  k.ladder_version, k.program_version
           from kept_verdict k
           join horse h on h.barn_id = k.barn_id and h.horse_id = k.horse_id
           where k.barn_id = $1 and k.verdict = $2 and ($3::uuid is null or h.owner_id = $3)
           order by k.day desc, k.horse_id, k.skill, k.rung"#,
        barn_id,
        word,
        owner
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| VerdictOfDay {
            horse_id: row.horse_id,
            skill: row.skill,
            rung: row.rung,
            day: row.day.to_jiff(),
            verdict: row.verdict,
            ladder_version: row.ladder_version,
            program_version: row.program_version,
        })
        .collect())
}

/// How a level stood when a verdict of it was kept last.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct KeptState {
    /// The skill.
    pub skill: String,
    /// The rung.
    pub rung: String,
    /// The state, as it was stored.
    pub state: String,
}

/// How the levels of a horse stood when verdicts were kept last.
///
/// # Errors
/// When the query fails.
pub async fn latest_states(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
) -> StoreResult<Vec<KeptState>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_as!(
        KeptState,
        "select distinct on (skill, rung) skill, rung, state from kept_verdict
         where barn_id = $1 and horse_id = $2
         order by skill, rung, known_version desc, day desc, kept_at desc",
        barn_id,
        horse_id
    )
    .fetch_all(barn.connection())
    .await?)
}
