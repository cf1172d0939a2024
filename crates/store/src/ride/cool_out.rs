//! Cool-out sheets: pulse and breathing after work.

use cavesson_core::heat::CoolReading;
use jiff::Timestamp;
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A cool-out sheet.
#[derive(Debug, Clone, PartialEq)]
pub struct CoolOut {
    /// Its id.
    pub cool_out_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// When the work ended: minute 0.
    pub started_at: Timestamp,
    /// The barn's calendar day of that.
    pub day: Date,
    /// In your words.
    pub note: String,
    /// What was taken, by the minute.
    pub readings: Vec<CoolReading>,
}

/// Keeps a sheet; a reading of a minute that is known is replaced, others are added: two
/// people may have taken them. False when the sheet is known of another horse or begin.
///
/// # Errors
/// When a query fails.
pub async fn put(barn: &mut BarnTransaction, sheet: &CoolOut, made_by: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into cool_out (barn_id, cool_out_id, horse_id, started_at, day, note, made_by)
         values ($1, $2, $3, $4, $5, $6, $7)
         on conflict (barn_id, cool_out_id) do update set note = excluded.note
         where cool_out.horse_id = excluded.horse_id and cool_out.started_at = excluded.started_at",
        barn_id,
        sheet.cool_out_id,
        sheet.horse_id,
        sheet.started_at.to_sqlx() as _,
        sheet.day.to_sqlx() as _,
        sheet.note.trim(),
        made_by
    )
    .execute(barn.connection())
    .await?;
    if done.rows_affected() != 1 {
        return Ok(false);
    }
    for reading in &sheet.readings {
        sqlx::query!(
            "insert into cool_reading (barn_id, cool_out_id, minute, pulse, breaths, temperature_f)
             values ($1, $2, $3, $4, $5, $6)
             on conflict (barn_id, cool_out_id, minute) do update
               set pulse = excluded.pulse, breaths = excluded.breaths,
                   temperature_f = excluded.temperature_f",
            barn_id,
            sheet.cool_out_id,
            i32::from(reading.minute),
            i32::from(reading.pulse),
            i32::from(reading.breaths),
            reading.temperature_f
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(true)
}

/// The last sheets of a horse, latest first.
///
/// # Errors
/// When a query fails.
pub async fn of_horse(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    most: i64,
) -> StoreResult<Vec<CoolOut>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select cool_out_id, started_at as "started_at: jiff_sqlx::Timestamp",
                  day as "day: jiff_sqlx::Date", note
           from cool_out where barn_id = $1 and horse_id = $2
           order by started_at desc, cool_out_id limit $3"#,
        barn_id,
        horse_id,
        most
    )
    .fetch_all(barn.connection())
    .await?;
    let ids: Vec<Uuid> = rows.iter().map(|row| row.cool_out_id).collect();
    let readings = sqlx::query!(
        "select cool_out_id, minute, pulse, breaths, temperature_f from cool_reading
         where barn_id = $1 and cool_out_id = any($2) order by minute",
        barn_id,
        &ids
    )
    .fetch_all(barn.connection())
    .await?;
    let small = |figure: i32| u16::try_from(figure).unwrap_or(u16::MAX);
    Ok(rows
        .into_iter()
        .map(|row| CoolOut {
            cool_out_id: row.cool_out_id,
            horse_id,
            started_at: row.started_at.to_jiff(),
            day: row.day.to_jiff(),
            note: row.note,
            readings: readings
                .iter()
                .filter(|one| one.cool_out_id == row.cool_out_id)
                .map(|one| CoolReading {
                    minute: small(one.minute),
                    pulse: small(one.pulse),
                    breaths: small(one.breaths),
                    temperature_f: one.temperature_f,
                })
                .collect(),
        })
        .collect())
}
