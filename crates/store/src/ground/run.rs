//! Runs of the pattern: what the run face recorded, or somebody typed afterward.

use cavesson_core::ladder::Level;
use cavesson_core::rep::{Measure, run::Run};
use jiff::Timestamp;
use jiff::civil::Date;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored::read_measure;

/// A run as it was recorded.
#[derive(Debug, Clone, PartialEq)]
pub struct RecordedRun {
    /// The ask it is.
    pub rep_id: Uuid,
    /// The ride.
    pub ride_id: Uuid,
    /// Who rode.
    pub rider_id: Uuid,
    /// The day.
    pub day: Date,
    /// When the ride began.
    pub started_at: Timestamp,
    /// The level it was asked at.
    pub level: Level,
    /// What was recorded.
    pub run: Run,
}

/// The runs of a horse, latest first, at most so many. One of a newer version is left out.
///
/// # Errors
/// When the query fails.
pub async fn of_horse(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    at_most: i64,
) -> StoreResult<Vec<RecordedRun>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select rep.rep_id, rep.ride_id, ride.rider_id, ride.day as "day: jiff_sqlx::Date",
                  ride.started_at as "started_at: jiff_sqlx::Timestamp",
                  rep.skill, rep.rung, rep.measure, rep.measure_form
           from rep
           join ride on ride.barn_id = rep.barn_id and ride.ride_id = rep.ride_id
           where rep.barn_id = $1 and ride.horse_id = $2 and rep.undone_at is null
             and rep.measure ->> 'kind' = 'run'
           order by ride.day desc, ride.started_at desc, rep.sequence desc, rep.rep_id
           limit $3"#,
        barn_id,
        horse_id,
        at_most
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            let measure = read_measure(row.measure_form, row.measure)
                .inspect_err(|why| tracing::warn!(%why, rep_id = %row.rep_id, "run"))
                .ok()?;
            let Measure::Run(run) = measure else {
                return None;
            };
            Some(RecordedRun {
                rep_id: row.rep_id,
                ride_id: row.ride_id,
                rider_id: row.rider_id,
                day: row.day.to_jiff(),
                started_at: row.started_at.to_jiff(),
                level: Level::new(&row.skill, &row.rung),
                run,
            })
        })
        .collect())
}
