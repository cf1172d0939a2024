//! CSV sheets that were brought in. What came of one names it, so that it can be taken back whole.

use std::collections::HashMap;

use cavesson_core::exchange::import::{ImportedBlock, ImportedRide, Made, RideKnown};
use cavesson_core::exchange::sheet::Sheet;
use cavesson_core::ride::{Exertion, Mood, RideEnd};
use jiff::Timestamp;
use jiff_sqlx::ToSqlx;
use serde_json::Value;
use sqlx::PgPool;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;
use crate::stored::read_word;

/// Rows that are stored with one statement.
const AT_ONCE: usize = 5_000;

/// A sheet that was brought in.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Import {
    /// Its id.
    pub import_id: Uuid,
    /// Which sheet it was.
    pub sheet: Sheet,
    /// The name of its file.
    pub name: String,
    /// Its rows.
    pub rows: i32,
    /// What it made.
    pub made: Made,
    /// Who brought it in.
    pub by: String,
    /// When.
    pub at: Timestamp,
    /// When it was taken back; none while it stands.
    pub undone_at: Option<Timestamp>,
}

/// A sheet to be written down as brought in.
#[derive(Debug, Clone, Copy)]
pub struct NewImport<'a> {
    /// Its id.
    pub import_id: Uuid,
    /// Which sheet it is.
    pub sheet: Sheet,
    /// The name of its file.
    pub name: &'a str,
    /// Its rows.
    pub rows: u64,
    /// What it makes.
    pub made: Made,
    /// Who brings it in.
    pub by_id: Uuid,
    /// When.
    pub at: Timestamp,
}

/// Writes down that a sheet is brought in; what comes of it is stored after that.
///
/// # Errors
/// When the query fails.
pub async fn add(barn: &mut BarnTransaction, new: &NewImport<'_>) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    let made = serde_json::to_value(new.made).map_err(StoreError::Unstorable)?;
    sqlx::query!(
        "insert into import (barn_id, import_id, sheet, name, rows, made, by_id, at)
         values ($1, $2, $3, $4, $5, $6, $7, $8)",
        barn_id,
        new.import_id,
        new.sheet.word(),
        new.name.trim(),
        i32::try_from(new.rows).unwrap_or(i32::MAX),
        made,
        new.by_id,
        new.at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Sheets that were brought in, latest first, at most so many.
///
/// # Errors
/// When the query fails.
pub async fn list(barn: &mut BarnTransaction, at_most: i64) -> StoreResult<Vec<Import>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select i.import_id, i.sheet, i.name, i.rows, i.made, p.name as by,
                  i.at as "at: jiff_sqlx::Timestamp", i.undone_at as "undone_at: jiff_sqlx::Timestamp"
           from import i join person p on p.barn_id = i.barn_id and p.person_id = i.by_id
           where i.barn_id = $1 order by i.at desc, i.import_id desc limit $2"#,
        barn_id,
        at_most
    )
    .fetch_all(barn.connection())
    .await?;
    let read = rows.into_iter().filter_map(|row| {
        let sheet = read_word("sheet", &row.sheet, Sheet::from_word)
            .inspect_err(|why| tracing::warn!(%why, "import"))
            .ok()?;
        Some(Import {
            import_id: row.import_id,
            sheet,
            name: row.name,
            rows: row.rows,
            made: serde_json::from_value(row.made).unwrap_or_default(),
            by: row.by,
            at: row.at.to_jiff(),
            undone_at: row.undone_at.map(|at| at.to_jiff()),
        })
    });
    Ok(read.collect())
}

/// Stores rides that are new.
///
/// # Errors
/// When a query fails.
pub async fn put_rides(
    barn: &mut BarnTransaction,
    import_id: Uuid,
    rides: &[ImportedRide],
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    for rides in rides.chunks(AT_ONCE) {
        let ids: Vec<Uuid> = rides.iter().map(|one| one.ride.ride_id).collect();
        let horses: Vec<Uuid> = rides.iter().map(|one| one.ride.horse_id).collect();
        let riders: Vec<Uuid> = rides.iter().map(|one| one.rider_id).collect();
        let days: Vec<_> = rides.iter().map(|one| one.day.to_sqlx()).collect();
        let starts: Vec<_> = rides
            .iter()
            .map(|one| one.ride.started_at.to_sqlx())
            .collect();
        let lengths: Vec<f64> = rides
            .iter()
            .map(|one| f64::from(one.ride.finished_after_ms.unwrap_or_default()))
            .collect();
        let marks: Vec<Value> = rides
            .iter()
            .map(|one| {
                let marks = one.ride.marks.iter().flatten();
                marks.map(|mark| mark.word()).collect()
            })
            .collect();
        let notes: Vec<&str> = rides
            .iter()
            .map(|one| one.ride.note.as_deref().unwrap_or_default().trim())
            .collect();
        let ends: Vec<Option<&str>> = rides
            .iter()
            .map(|one| one.ride.ended.map(RideEnd::word))
            .collect();
        let moods: Vec<Option<&str>> = rides
            .iter()
            .map(|one| one.ride.mood.map(Mood::word))
            .collect();
        let exertions: Vec<Option<&str>> = rides
            .iter()
            .map(|one| one.ride.exertion.map(Exertion::word))
            .collect();
        sqlx::query!(
            "insert into ride (barn_id, ride_id, horse_id, rider_id, day, started_at,
                               device_started_at, finished_at, marks, note, ended, mood, exertion,
                               import_id)
             select $1, ride_id, horse_id, rider_id, day, started_at, started_at,
                    started_at + ms * interval '1 millisecond',
                    array(select jsonb_array_elements_text(marks)), note, ended, mood, exertion, $2
             from unnest($3::uuid[], $4::uuid[], $5::uuid[], $6::date[], $7::timestamptz[],
                         $8::float8[], $9::jsonb[], $10::text[], $11::text[], $12::text[],
                         $13::text[])
                 as sent (ride_id, horse_id, rider_id, day, started_at, ms, marks, note, ended,
                          mood, exertion)",
            barn_id,
            import_id,
            &ids,
            &horses,
            &riders,
            &days as _,
            &starts as _,
            &lengths,
            &marks,
            &notes as _,
            &ends as _,
            &moods as _,
            &exertions as _
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// Stores parts of rides.
///
/// # Errors
/// When a query fails.
pub async fn put_blocks(barn: &mut BarnTransaction, blocks: &[ImportedBlock]) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    for blocks in blocks.chunks(AT_ONCE) {
        let rides: Vec<Uuid> = blocks.iter().map(|one| one.ride_id).collect();
        let ids: Vec<Uuid> = blocks.iter().map(|one| one.block.block_id).collect();
        let positions: Vec<i32> = blocks
            .iter()
            .map(|one| one.block.position.try_into().unwrap_or(i32::MAX))
            .collect();
        let skills: Vec<String> = blocks.iter().map(|one| one.block.skill.0.clone()).collect();
        let rungs: Vec<String> = blocks.iter().map(|one| one.block.rung.0.clone()).collect();
        sqlx::query!(
            "insert into ride_block (barn_id, ride_id, block_id, position, skill, rung)
             select $1, ride_id, block_id, position, skill, rung
             from unnest($2::uuid[], $3::uuid[], $4::integer[], $5::text[], $6::text[])
                 as sent (ride_id, block_id, position, skill, rung)",
            barn_id,
            &rides,
            &ids,
            &positions,
            &skills,
            &rungs
        )
        .execute(barn.connection())
        .await?;
    }
    Ok(())
}

/// Says of horses that they came with a sheet.
///
/// # Errors
/// When the query fails.
pub async fn mark_horses(
    barn: &mut BarnTransaction,
    import_id: Uuid,
    ids: &[Uuid],
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update horse set import_id = $2 where barn_id = $1 and horse_id = any($3)",
        barn_id,
        import_id,
        ids
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Says of cattle that they came with a sheet.
///
/// # Errors
/// When the query fails.
pub async fn mark_cattle(
    barn: &mut BarnTransaction,
    import_id: Uuid,
    ids: &[Uuid],
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update cow set import_id = $2 where barn_id = $1 and cow_id = any($3)",
        barn_id,
        import_id,
        ids
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Whether a sheet that was brought in stands; none where there is no such one. Held until the
/// end of the transaction.
///
/// # Errors
/// When the query fails.
pub async fn stands(barn: &mut BarnTransaction, import_id: Uuid) -> StoreResult<Option<bool>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select undone_at is null as "stands!" from import
           where barn_id = $1 and import_id = $2 for update"#,
        barn_id,
        import_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// The horses whose rides or asks came with a sheet.
///
/// # Errors
/// When the query fails.
pub async fn horses_of(barn: &mut BarnTransaction, import_id: Uuid) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        r#"select horse_id as "horse_id!" from ride where barn_id = $1 and import_id = $2
           union
           select horse_id from rep where barn_id = $1 and import_id = $2"#,
        barn_id,
        import_id
    )
    .fetch_all(barn.connection())
    .await?)
}

/// Takes back everything that came with a sheet. Raise the versions of its horses first.
/// `horse_ids` are those whose rides or asks came with it.
///
/// # Errors
/// [`StoreError::InUse`] when something that was recorded since rests on it; nothing is to be
/// committed then.
pub async fn undo(
    barn: &mut BarnTransaction,
    import_id: Uuid,
    horse_ids: &[Uuid],
    at: Timestamp,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    // An older version is not enough to go on from.
    sqlx::query!(
        "update horse set forgotten_until = known_version where barn_id = $1 and horse_id = any($2)",
        barn_id,
        horse_ids
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "delete from rep_change where barn_id = $1
         and rep_id in (select rep_id from rep where barn_id = $1 and import_id = $2)",
        barn_id,
        import_id
    )
    .execute(barn.connection())
    .await
    .map_err(StoreError::of_use)?;
    let blocks = sqlx::query_scalar!(
        "with gone as (delete from rep where barn_id = $1 and import_id = $2 returning block_id)
         select distinct block_id from gone",
        barn_id,
        import_id
    )
    .fetch_all(barn.connection())
    .await
    .map_err(StoreError::of_use)?;
    sqlx::query!(
        "delete from ride_block b where b.barn_id = $1 and b.block_id = any($2)
         and not exists (select from rep where rep.barn_id = b.barn_id
                         and rep.ride_id = b.ride_id and rep.block_id = b.block_id)",
        barn_id,
        &blocks
    )
    .execute(barn.connection())
    .await
    .map_err(StoreError::of_use)?;
    sqlx::query!(
        "delete from ride where barn_id = $1 and import_id = $2",
        barn_id,
        import_id
    )
    .execute(barn.connection())
    .await
    .map_err(StoreError::of_use)?;
    sqlx::query!(
        "delete from cow where barn_id = $1 and import_id = $2",
        barn_id,
        import_id
    )
    .execute(barn.connection())
    .await
    .map_err(StoreError::of_use)?;
    undo_horses(barn, import_id).await?;
    sqlx::query!(
        "update import set undone_at = $3 where barn_id = $1 and import_id = $2",
        barn_id,
        import_id,
        at.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// Takes out the horses of a sheet. What the product worked out of them goes with them, and who
/// changed what of them stays.
async fn undo_horses(barn: &mut BarnTransaction, import_id: Uuid) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "update deed set horse_id = null where barn_id = $1
         and horse_id in (select horse_id from horse where barn_id = $1 and import_id = $2)",
        barn_id,
        import_id
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "delete from kept_verdict where barn_id = $1
         and horse_id in (select horse_id from horse where barn_id = $1 and import_id = $2)",
        barn_id,
        import_id
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "delete from horse where barn_id = $1 and import_id = $2",
        barn_id,
        import_id
    )
    .execute(barn.connection())
    .await
    .map_err(StoreError::of_use)?;
    Ok(())
}

/// Which of these asks the barn has.
///
/// # Errors
/// When the query fails.
pub async fn reps_known(barn: &mut BarnTransaction, ids: &[Uuid]) -> StoreResult<Vec<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select rep_id from rep where barn_id = $1 and rep_id = any($2)",
        barn_id,
        ids
    )
    .fetch_all(barn.connection())
    .await?)
}

/// Which of these rides the barn has.
///
/// # Errors
/// When the query fails.
pub async fn rides_known(
    barn: &mut BarnTransaction,
    ids: &[Uuid],
) -> StoreResult<HashMap<Uuid, RideKnown>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select ride_id, horse_id, day as "day: jiff_sqlx::Date",
                  started_at as "started_at: jiff_sqlx::Timestamp"
           from ride where barn_id = $1 and ride_id = any($2)"#,
        barn_id,
        ids
    )
    .fetch_all(barn.connection())
    .await?;
    let known = rows.into_iter().map(|row| {
        let ride = RideKnown {
            horse_id: row.horse_id,
            day: row.day.to_jiff(),
            started_at: row.started_at.to_jiff(),
        };
        (row.ride_id, ride)
    });
    Ok(known.collect())
}

/// Has the database look at how large its tables are now. After a large sheet it would otherwise
/// go on for a minute as if they were small, and read them again and again.
///
/// # Errors
/// When the query fails.
pub async fn look_at_tables(pool: &PgPool) -> StoreResult<()> {
    sqlx::query!("analyze ride, ride_block, rep")
        .execute(pool)
        .await?;
    Ok(())
}
