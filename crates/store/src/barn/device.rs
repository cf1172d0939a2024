//! Devices of a barn that are unplugged.

use cavesson_core::device::Device;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// The devices that are unplugged, and since when.
///
/// # Errors
/// When the query fails.
pub async fn unplugged(barn: &mut BarnTransaction) -> StoreResult<Vec<(Device, Timestamp)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select device, at as "at: jiff_sqlx::Timestamp" from device_unplugged
           where barn_id = $1 order by device"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .filter_map(|row| Some((Device::from_word(&row.device)?, row.at.to_jiff())))
        .collect())
}

/// Whether a device is plugged in.
///
/// # Errors
/// When the query fails.
pub async fn is_plugged_in(barn: &mut BarnTransaction, device: Device) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select not exists (select from device_unplugged where barn_id = $1 and device = $2)
               as "in!""#,
        barn_id,
        device.word()
    )
    .fetch_one(barn.connection())
    .await?)
}

/// Unplugs a device; one that is unplugged stays so since then.
///
/// # Errors
/// When the query fails.
pub async fn unplug(
    barn: &mut BarnTransaction,
    device: Device,
    by_id: Uuid,
    at: Timestamp,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into device_unplugged (barn_id, device, by_id, at) values ($1, $2, $3, $4)
         on conflict do nothing",
        barn_id,
        device.word(),
        by_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Plugs a device in again.
///
/// # Errors
/// When the query fails.
pub async fn plug_in(barn: &mut BarnTransaction, device: Device) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "delete from device_unplugged where barn_id = $1 and device = $2",
        barn_id,
        device.word()
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
