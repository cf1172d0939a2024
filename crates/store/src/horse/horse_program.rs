//! From which day on a horse is on which program, and which version of it holds then.

use jiff::civil::{Date, date};
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;

/// A day before every record.
pub const SINCE_EVER: Date = date(1900, 1, 1);

/// A horse on a program, from a day on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct OnProgram {
    /// The horse.
    pub horse_id: Uuid,
    /// The first day.
    pub from: Date,
    /// The program; none is the ladder as it ships.
    pub program_id: Option<Uuid>,
}

/// A version of a program, from a day on.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct VersionFrom {
    /// The program.
    pub program_id: Uuid,
    /// The version.
    pub version: i32,
    /// The first day on which it holds.
    pub from: Date,
}

/// Puts a horse on a program from that day on; what was said of later days is gone.
///
/// # Errors
/// When the query fails.
pub async fn put(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    program_id: Option<Uuid>,
    from: Date,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    sqlx::query!(
        "insert into horse_program (barn_id, horse_id, from_day, program_id)
         select barn_id, horse_id, $3, program_id from horse
         where barn_id = $1 and horse_id = $2 and not exists (
             select from horse_program where barn_id = $1 and horse_id = $2)",
        barn_id,
        horse_id,
        SINCE_EVER.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "delete from horse_program where barn_id = $1 and horse_id = $2 and from_day >= $3",
        barn_id,
        horse_id,
        from.to_sqlx() as _
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "insert into horse_program (barn_id, horse_id, from_day, program_id)
         values ($1, $2, $3, $4)",
        barn_id,
        horse_id,
        from.to_sqlx() as _,
        program_id
    )
    .execute(barn.connection())
    .await?;
    sqlx::query!(
        "update horse set program_id = $3 where barn_id = $1 and horse_id = $2",
        barn_id,
        horse_id,
        program_id
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}

/// The programs that horses were put on, each horse's in the order of their days. A horse
/// without a row has always been on the one that stands with it.
///
/// # Errors
/// When the query fails.
pub async fn of_horses(
    barn: &mut BarnTransaction,
    horse_ids: &[Uuid],
) -> StoreResult<Vec<OnProgram>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id, from_day as "from_day: jiff_sqlx::Date", program_id
           from horse_program where barn_id = $1 and horse_id = any($2)
           order by horse_id, from_day"#,
        barn_id,
        horse_ids
    )
    .fetch_all(barn.connection())
    .await?;
    let on = rows.into_iter().map(|row| OnProgram {
        horse_id: row.horse_id,
        from: row.from_day.to_jiff(),
        program_id: row.program_id,
    });
    Ok(on.collect())
}

/// From which day on each version of these programs holds, in the order of their versions.
///
/// # Errors
/// When the query fails.
pub async fn versions(
    barn: &mut BarnTransaction,
    program_ids: &[Uuid],
) -> StoreResult<Vec<VersionFrom>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select v.program_id, v.version,
                  coalesce(v.from_day, (v.made_at at time zone b.time_zone)::date)
                      as "from_day!: jiff_sqlx::Date"
           from program_version v join barn b on b.barn_id = v.barn_id
           where v.barn_id = $1 and v.program_id = any($2)
           order by v.program_id, v.version"#,
        barn_id,
        program_ids
    )
    .fetch_all(barn.connection())
    .await?;
    let versions = rows.into_iter().map(|row| VersionFrom {
        program_id: row.program_id,
        version: row.version,
        from: row.from_day.to_jiff(),
    });
    Ok(versions.collect())
}
