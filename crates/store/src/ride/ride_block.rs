//! The blocks of a ride: its parts, each of one level.

use cavesson_core::ladder::{Level, RungId, SkillId};
use cavesson_core::ride::NewRide;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A block of a ride.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct RideBlock {
    /// Its ride.
    pub ride_id: Uuid,
    /// Its id, made on the device.
    pub block_id: Uuid,
    /// Its place in the order of the ride.
    pub position: i32,
    /// The level it is for.
    pub level: Level,
}

/// Stores the blocks of a ride that are not known yet; the places in the list of
/// those that are known for another level.
///
/// # Errors
/// When the query fails.
pub async fn put(barn: &mut BarnTransaction, ride: &NewRide) -> StoreResult<Vec<usize>> {
    let barn_id = barn.barn_id();
    let ids: Vec<Uuid> = ride.blocks.iter().map(|block| block.block_id).collect();
    let positions: Vec<i32> = ride
        .blocks
        .iter()
        .map(|block| block.position.try_into().unwrap_or(i32::MAX))
        .collect();
    let skills: Vec<String> = ride.blocks.iter().map(|b| b.skill.0.clone()).collect();
    let rungs: Vec<String> = ride.blocks.iter().map(|b| b.rung.0.clone()).collect();
    sqlx::query!(
        "insert into ride_block (barn_id, ride_id, block_id, position, skill, rung)
         select $1, $2, block_id, position, skill, rung
         from unnest($3::uuid[], $4::integer[], $5::text[], $6::text[])
             as sent (block_id, position, skill, rung)
         on conflict (barn_id, ride_id, block_id) do nothing",
        barn_id,
        ride.ride_id,
        &ids,
        &positions,
        &skills,
        &rungs
    )
    .execute(barn.connection())
    .await?;
    let known = of_rides(barn, &[ride.ride_id]).await?;
    let differs = |sent: &cavesson_core::ride::NewBlock| {
        known
            .iter()
            .any(|block| block.block_id == sent.block_id && block.level != sent.level())
    };
    Ok(ride
        .blocks
        .iter()
        .enumerate()
        .filter(|(_, block)| differs(block))
        .map(|(index, _)| index)
        .collect())
}

/// The blocks of rides, in their order.
///
/// # Errors
/// When the query fails.
pub async fn of_rides(
    barn: &mut BarnTransaction,
    ride_ids: &[Uuid],
) -> StoreResult<Vec<RideBlock>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        "select ride_id, block_id, position, skill, rung from ride_block
         where barn_id = $1 and ride_id = any($2) order by ride_id, position, block_id",
        barn_id,
        ride_ids
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| RideBlock {
            ride_id: row.ride_id,
            block_id: row.block_id,
            position: row.position,
            level: Level {
                skill: SkillId(row.skill),
                rung: RungId(row.rung),
            },
        })
        .collect())
}
