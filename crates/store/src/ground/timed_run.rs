//! Runs that timing eyes timed.

use cavesson_core::device::timer::EyeFault;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A run that the eyes timed.
#[derive(Debug, Clone, PartialEq)]
pub struct TimedRun {
    /// Its id, made by what carried it here.
    pub timed_id: Uuid,
    /// What the eyes are called.
    pub eyes: String,
    /// When it was over.
    pub at: Timestamp,
    /// Milliseconds from line to line.
    pub time_ms: i32,
    /// What went wrong on the way.
    pub faults: Vec<EyeFault>,
}

/// A time, and whether a run of a ride has taken it.
#[derive(Debug, Clone, PartialEq)]
pub struct Listed {
    /// The time.
    pub timed: TimedRun,
    /// A run has it.
    pub taken: bool,
}

/// Keeps a time; one that is known stays. False when it is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, timed: &TimedRun, made_by: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let faults: Vec<String> = timed
        .faults
        .iter()
        .map(|fault| fault.word().to_owned())
        .collect();
    let done = sqlx::query!(
        "insert into timed_run (barn_id, timed_id, eyes, at, time_ms, faults, made_by)
         values ($1, $2, $3, $4, $5, $6, $7)
         on conflict (barn_id, timed_id) do update set time_ms = excluded.time_ms
         where timed_run.time_ms = excluded.time_ms and timed_run.eyes = excluded.eyes",
        barn_id,
        timed.timed_id,
        timed.eyes.trim(),
        timed.at.to_sqlx() as _,
        timed.time_ms,
        &faults,
        made_by
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The times since then, latest first, at most so many.
///
/// # Errors
/// When the query fails.
pub async fn since(
    barn: &mut BarnTransaction,
    since: Timestamp,
    at_most: i64,
) -> StoreResult<Vec<Listed>> {
    let barn_id = barn.barn_id();
    // A time is taken soon after it was measured: older rides need not be searched.
    let rows = sqlx::query!(
        r#"select timed_id, eyes, at as "at: jiff_sqlx::Timestamp", time_ms, faults,
                  exists (select from rep
                          where rep.barn_id = timed_run.barn_id and rep.undone_at is null
                            and rep.asked_at > $2::timestamptz - interval '1 day'
                            and rep.measure ->> 'timed_id' = timed_run.timed_id::text) as "taken!"
           from timed_run where barn_id = $1 and at >= $2
           order by at desc, timed_id limit $3"#,
        barn_id,
        since.to_sqlx() as _,
        at_most
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Listed {
            timed: TimedRun {
                timed_id: row.timed_id,
                eyes: row.eyes,
                at: row.at.to_jiff(),
                time_ms: row.time_ms,
                faults: row
                    .faults
                    .iter()
                    .filter_map(|word| EyeFault::from_word(word))
                    .collect(),
            },
            taken: row.taken,
        })
        .collect())
}
