//! Shares of the bosal along rides, and what horses asked for.

use cavesson_core::gear::two_rein::TwoReinAsk;
use cavesson_core::ride::{HorseAsked, NewRide, RigFrom, RigKind, ShareSaid};
use jiff::civil::Date;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

fn ask_word(ask: TwoReinAsk) -> &'static str {
    match ask {
        TwoReinAsk::ForBridle => "for_bridle",
        TwoReinAsk::Back => "back",
    }
}

fn ask_of(word: &str) -> Option<TwoReinAsk> {
    [TwoReinAsk::ForBridle, TwoReinAsk::Back]
        .into_iter()
        .find(|ask| ask_word(*ask) == word)
}

/// Adds shares and asks of a ride to those known. An ask that was taken back stays so.
///
/// # Errors
/// When a query fails.
pub async fn put(barn: &mut BarnTransaction, ride: &NewRide) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    for share in ride.shares.as_deref().unwrap_or_default() {
        sqlx::query!(
            "insert into ride_share (barn_id, ride_id, after_ms, bosal_pct) values ($1, $2, $3, $4)
             on conflict (barn_id, ride_id, after_ms) do update set bosal_pct = excluded.bosal_pct",
            barn_id,
            ride.ride_id,
            i32::try_from(share.after_ms).unwrap_or(i32::MAX),
            share.bosal_pct
        )
        .execute(barn.connection())
        .await?;
    }
    for one in ride.horse_asked.as_deref().unwrap_or_default() {
        sqlx::query!(
            "insert into horse_asked (barn_id, ride_id, ask_id, after_ms, ask, undone)
             values ($1, $2, $3, $4, $5, $6)
             on conflict (barn_id, ride_id, ask_id) do update
               set undone = horse_asked.undone or excluded.undone",
            barn_id,
            ride.ride_id,
            one.ask_id,
            i32::try_from(one.after_ms).unwrap_or(i32::MAX),
            ask_word(one.ask),
            one.undone
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// A ride as the two-rein looks at it.
#[derive(Debug, Clone, PartialEq)]
pub struct RideInRig {
    /// The ride.
    pub ride_id: Uuid,
    /// The day.
    pub day: Date,
    /// Who rode.
    pub rider: String,
    /// Its last moment that is known, in milliseconds from its start.
    pub ended_ms: u32,
    /// The rigs, first to last.
    pub rigs: Vec<RigFrom>,
    /// Shares, first to last.
    pub shares: Vec<ShareSaid>,
    /// What the horse asked for.
    pub asked: Vec<HorseAsked>,
}

/// The rides of a horse whose rig somebody said, oldest first.
///
/// # Errors
/// When a query fails.
pub async fn rides(barn: &mut BarnTransaction, horse_id: Uuid) -> StoreResult<Vec<RideInRig>> {
    read(barn, Some(horse_id), None).await
}

/// One ride, where somebody said its rig.
///
/// # Errors
/// When a query fails.
pub async fn of_ride(barn: &mut BarnTransaction, ride_id: Uuid) -> StoreResult<Option<RideInRig>> {
    Ok(read(barn, None, Some(ride_id)).await?.pop())
}

async fn read(
    barn: &mut BarnTransaction,
    horse_id: Option<Uuid>,
    ride_id: Option<Uuid>,
) -> StoreResult<Vec<RideInRig>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select r.ride_id, r.day as "day: jiff_sqlx::Date", p.name as rider,
                  greatest(coalesce(extract(epoch from r.finished_at - r.started_at) * 1000, 0),
                           coalesce((select max(asked_after_ms) from rep
                                     where rep.barn_id = r.barn_id and rep.ride_id = r.ride_id), 0))::float8
                      as "ended_ms!"
           from ride r join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           where r.barn_id = $1 and ($2::uuid is null or r.horse_id = $2)
             and ($3::uuid is null or r.ride_id = $3)
             and exists (select from ride_rig g where g.barn_id = r.barn_id and g.ride_id = r.ride_id)
           order by r.started_at, r.ride_id"#,
        barn_id,
        horse_id,
        ride_id
    )
    .fetch_all(barn.connection())
    .await?;
    let ids: Vec<Uuid> = rows.iter().map(|row| row.ride_id).collect();
    let rigs = rigs_of(barn, &ids).await?;
    let shares = sqlx::query!(
        "select ride_id, after_ms, bosal_pct from ride_share
         where barn_id = $1 and ride_id = any($2) order by after_ms",
        barn_id,
        &ids
    )
    .fetch_all(barn.connection())
    .await?;
    let asked = sqlx::query!(
        "select ride_id, ask_id, after_ms, ask, undone from horse_asked
         where barn_id = $1 and ride_id = any($2) order by after_ms, ask_id",
        barn_id,
        &ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| RideInRig {
            ride_id: row.ride_id,
            day: row.day.to_jiff(),
            rider: row.rider,
            ended_ms: row.ended_ms.clamp(0.0, f64::from(u32::MAX)) as u32,
            rigs: own_rigs(&rigs, row.ride_id),
            shares: shares
                .iter()
                .filter(|share| share.ride_id == row.ride_id)
                .map(|share| ShareSaid {
                    after_ms: share.after_ms.unsigned_abs(),
                    bosal_pct: share.bosal_pct,
                })
                .collect(),
            asked: asked
                .iter()
                .filter(|one| one.ride_id == row.ride_id)
                .filter_map(|one| {
                    Some(HorseAsked {
                        ask_id: one.ask_id,
                        after_ms: one.after_ms.unsigned_abs(),
                        ask: ask_of(&one.ask)?,
                        undone: one.undone,
                    })
                })
                .collect(),
        })
        .collect())
}

fn own_rigs(rigs: &[(Uuid, RigFrom)], ride_id: Uuid) -> Vec<RigFrom> {
    let own = rigs.iter().filter(|(id, _)| *id == ride_id);
    own.map(|(_, rig)| rig.clone()).collect()
}

/// The rigs of these rides, first to last in each.
///
/// # Errors
/// When the query fails.
pub async fn rigs_of(
    barn: &mut BarnTransaction,
    ride_ids: &[Uuid],
) -> StoreResult<Vec<(Uuid, RigFrom)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select ride_id, after_ms, kind, name, gear_id from ride_rig
         where barn_id = $1 and ride_id = any($2) order by ride_id, after_ms",
        barn_id,
        ride_ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| {
            let rig = RigFrom {
                after_ms: row.after_ms.try_into().ok()?,
                kind: RigKind::from_word(&row.kind)?,
                gear_id: row.gear_id,
                name: row.name,
            };
            Some((row.ride_id, rig))
        })
        .collect())
}
