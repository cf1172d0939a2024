//! Care: flags and checks of a horse.

use std::collections::HashMap;

use cavesson_core::horse::{CareKind, CareNote, RideMark};
use jiff::civil::Date;
use jiff_sqlx::ToSqlx;
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreError;
use crate::StoreResult;

/// The last note of each kind of each horse that is here, with the horse.
///
/// # Errors
/// When the query fails.
pub async fn last_of_each(
    barn: &mut BarnTransaction,
    owner: Option<Uuid>,
) -> StoreResult<Vec<(Uuid, CareNote)>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select distinct on (c.horse_id, c.kind) c.horse_id, c.care_id, c.kind,
                  c.day as "day: jiff_sqlx::Date", c.cleared_on as "cleared_on: jiff_sqlx::Date",
                  c.text, c.again_days
           from care c join horse h on h.barn_id = c.barn_id and h.horse_id = c.horse_id
           where c.barn_id = $1 and h.sent_home_at is null
             and ($2::uuid is null or h.owner_id = $2)
           order by c.horse_id, c.kind, c.day desc, c.made_at desc"#,
        barn_id,
        owner
    )
    .fetch_all(barn.connection())
    .await?;
    let notes = rows.into_iter().filter_map(|row| {
        // A kind of another version is kept, and not reminded of.
        let kind = CareKind::from_word(&row.kind)?;
        let note = CareNote {
            care_id: row.care_id,
            kind,
            day: row.day.to_jiff(),
            cleared_on: row.cleared_on.map(|day| day.to_jiff()),
            text: row.text,
            again_days: row.again_days.and_then(|days| days.try_into().ok()),
        };
        Some((row.horse_id, note))
    });
    Ok(notes.collect())
}

/// Days since `since` on which mares were seen in season, noted or ridden, by horse.
///
/// # Errors
/// When the query fails.
pub async fn days_in_season(
    barn: &mut BarnTransaction,
    since: Date,
) -> StoreResult<HashMap<Uuid, Vec<Date>>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query!(
        r#"select horse_id as "horse_id!", day as "day!: jiff_sqlx::Date" from care
           where barn_id = $1 and kind = $2 and day >= $4
           union
           select horse_id, day from ride
           where barn_id = $1 and $3 = any (marks) and day >= $4
           order by 1, 2"#,
        barn_id,
        CareKind::InSeason.word(),
        RideMark::InSeason.word(),
        since.to_sqlx() as _
    )
    .fetch_all(barn.connection())
    .await?;
    let mut days: HashMap<Uuid, Vec<Date>> = HashMap::new();
    for row in rows {
        let of_horse = days.entry(row.horse_id).or_default();
        of_horse.push(row.day.to_jiff());
    }
    Ok(days)
}

/// Says after how many days a note's care comes again; none for what is usual. False when
/// it is a flag, which does not come again.
///
/// # Errors
/// When the query fails.
pub async fn set_again(
    barn: &mut BarnTransaction,
    care_id: Uuid,
    again_days: Option<u16>,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let kind = sqlx::query_scalar!(
        "select kind from care where barn_id = $1 and care_id = $2",
        barn_id,
        care_id
    )
    .fetch_one(barn.connection())
    .await?;
    let kind = CareKind::from_word(&kind).ok_or(StoreError::Unknown {
        what: "kind of care",
        found: kind,
    })?;
    if kind.is_flag() {
        return Ok(false);
    }
    sqlx::query!(
        "update care set again_days = $3 where barn_id = $1 and care_id = $2",
        barn_id,
        care_id,
        again_days.map(i32::from)
    )
    .execute(barn.connection())
    .await?;
    Ok(true)
}

/// Keeps a note; false when its id is known with other content.
///
/// # Errors
/// When the query fails.
pub async fn add(
    barn: &mut BarnTransaction,
    horse_id: Uuid,
    note: &CareNote,
    made_by: Uuid,
) -> StoreResult<bool> {
    let barn_id = barn.barn_id();
    let done = sqlx::query!(
        "insert into care (barn_id, care_id, horse_id, kind, day, text, made_by, again_days)
         values ($1, $2, $3, $4, $5, $6, $7, $8)
         on conflict (barn_id, care_id) do update set text = excluded.text
         where care.horse_id = excluded.horse_id and care.kind = excluded.kind
           and care.day = excluded.day and care.text = excluded.text",
        barn_id,
        note.care_id,
        horse_id,
        note.kind.word(),
        note.day.to_sqlx() as _,
        note.text.trim(),
        made_by,
        note.again_days.map(i32::from)
    )
    .execute(barn.connection())
    .await?;
    Ok(done.rows_affected() == 1)
}

/// The horse of a note.
///
/// # Errors
/// When the query fails.
pub async fn horse_of(barn: &mut BarnTransaction, care_id: Uuid) -> StoreResult<Option<Uuid>> {
    let barn_id = barn.barn_id();
    Ok(sqlx::query_scalar!(
        "select horse_id from care where barn_id = $1 and care_id = $2",
        barn_id,
        care_id
    )
    .fetch_optional(barn.connection())
    .await?)
}

/// Clears a flag, or opens it again with none.
///
/// # Errors
/// When the query fails.
pub async fn clear(
    barn: &mut BarnTransaction,
    care_id: Uuid,
    cleared_on: Option<Date>,
) -> StoreResult<()> {
    let barn_id = barn.barn_id();
    // greatest() passes over null: opening again must not clear as of the note's day.
    sqlx::query!(
        "update care set cleared_on = case when $3::date is null then null else greatest(day, $3::date) end
         where barn_id = $1 and care_id = $2",
        barn_id,
        care_id,
        cleared_on.map(|day| day.to_sqlx()) as _
    )
    .execute(barn.connection())
    .await?;
    Ok(())
}
