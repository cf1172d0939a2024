//! Herds that were settled.

use cavesson_core::cattle::settle::Settling;
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A herd that was settled.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Settled {
    /// Its id, made where it was written down.
    pub settling_id: Uuid,
    /// The lot.
    pub lot_id: Uuid,
    /// How it went.
    pub settling: Settling,
    /// Who wrote it down.
    pub by: String,
}

/// Keeps it in the place of what was said of it; false when it is known of another lot.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    settling_id: Uuid,
    lot_id: Uuid,
    settling: &Settling,
    made_by: Uuid,
    at: Timestamp,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into settling
           (barn_id, settling_id, lot_id, day, minutes, put_back, stands, note, made_by, made_at)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
         on conflict (barn_id, settling_id) do update
           set day = excluded.day, minutes = excluded.minutes, put_back = excluded.put_back,
               stands = excluded.stands, note = excluded.note
         where settling.lot_id = excluded.lot_id",
        barn_id,
        settling_id,
        lot_id,
        settling.day.to_sqlx() as _,
        i32::from(settling.minutes),
        i32::from(settling.put_back),
        settling.stands,
        settling.note.trim(),
        made_by,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Takes it out; false when there is none.
///
/// # Errors
/// When the query fails.
pub async fn take_out(barn: &mut BarnTransaction, settling_id: Uuid) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "delete from settling where barn_id = $1 and settling_id = $2",
        barn_id,
        settling_id
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// Those of all lots, or of one, first to last; of each lot at most so many of the latest.
///
/// # Errors
/// When the query fails.
pub async fn list(
    barn: &mut BarnTransaction,
    lot_id: Option<Uuid>,
    of_each: i64,
) -> StoreResult<Vec<Settled>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select s.settling_id, s.lot_id, s.day as "day: jiff_sqlx::Date", s.minutes, s.put_back,
                  s.stands, s.note, p.name as by
           from (select *, row_number() over (partition by lot_id order by day desc, made_at desc)
                   as place from settling where barn_id = $1 and ($2::uuid is null or lot_id = $2)) s
           join person p on p.barn_id = s.barn_id and p.person_id = s.made_by
           where s.place <= $3 order by s.lot_id, s.place desc"#,
        barn_id,
        lot_id,
        of_each
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows
        .into_iter()
        .map(|row| Settled {
            settling_id: row.settling_id,
            lot_id: row.lot_id,
            settling: Settling {
                day: row.day.to_jiff(),
                minutes: row.minutes.try_into().unwrap_or(1),
                put_back: row.put_back.try_into().unwrap_or(0),
                stands: row.stands,
                note: row.note,
            },
            by: row.by,
        })
        .collect())
}
