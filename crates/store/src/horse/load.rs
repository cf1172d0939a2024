//! What the load of a horse's rides is made of.

use cavesson_core::id::Level;
use cavesson_core::ride::Exertion;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A ride as far as load goes.
#[derive(Debug, Clone, PartialEq)]
pub struct LoadRide {
    /// Its day.
    pub day: Date,
    /// Minutes from start to finish; none while it is not finished.
    pub minutes: Option<f64>,
    /// How hard the rider said it was.
    pub exertion: Option<Exertion>,
    /// Its asks: minutes after the start, and the level.
    pub asks: Vec<(f64, Level)>,
}

/// The rides of a horse from `from` to `to`, oldest first.
///
/// # Errors
/// When a query fails.
pub async fn rides(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    from: Date,
    to: Date,
) -> StoreResult<Vec<LoadRide>> {
    let barn_id = barn.barn_id();
    let rides = sqlx::query!(
        r#"select ride_id, day as "day: jiff_sqlx::Date", exertion,
                  (extract(epoch from finished_at - started_at) / 60)::float8 as minutes
           from ride where barn_id = $1 and horse_id = $2 and day between $3 and $4
           order by started_at, ride_id"#,
        barn_id,
        horse_id,
        from.to_sqlx() as _,
        to.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    let ids: Vec<Uuid> = rides.iter().map(|ride| ride.ride_id).collect();
    let asks = sqlx::query!(
        r#"select p.ride_id, p.skill, p.rung,
                  (extract(epoch from p.asked_at - r.started_at) / 60)::float8 as "after_min!"
           from rep p join ride r on r.barn_id = p.barn_id and r.ride_id = p.ride_id
           where p.barn_id = $1 and p.ride_id = any($2) and p.undone_at is null
           order by p.ride_id, p.asked_at"#,
        barn_id,
        &ids
    )
    .fetch_all(barn.connection())
    .await?;
    let mut by_ride: std::collections::HashMap<Uuid, Vec<(f64, Level)>> =
        std::collections::HashMap::new();
    for ask in asks {
        let level = Level::new(&ask.skill, &ask.rung);
        let of_ride = by_ride.entry(ask.ride_id).or_default();
        of_ride.push((ask.after_min.max(0.0), level));
    }
    Ok(rides
        .into_iter()
        .map(|ride| LoadRide {
            day: ride.day.to_jiff(),
            minutes: ride.minutes,
            exertion: ride.exertion.as_deref().and_then(Exertion::from_word),
            asks: by_ride.remove(&ride.ride_id).unwrap_or_default(),
        })
        .collect())
}
