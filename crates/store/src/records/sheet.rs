//! Rows of the sheets of a barn, as texts, read one after the other: nothing is gathered.

use cavesson_core::ladder::Level;
use cavesson_core::rep::Measure;
use futures_util::{Stream, StreamExt};
use uuid::Uuid;

use crate::BarnTransaction;
use crate::StoreResult;
use crate::stored::read_measure;

/// A row as it stands in its sheet.
pub type Cells = Vec<Option<String>>;

/// Horses by name.
///
/// # Errors
/// When the query fails.
pub async fn horses(barn: &mut BarnTransaction) -> StoreResult<Vec<Cells>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_scalar!(
        r#"select array[
                h.name, h.sex, h.foaled::text, h.color, h.markings, h.note, p.name,
                (select v.content ->> 'name' from program_version v
                 where v.barn_id = h.barn_id and v.program_id = h.program_id
                 order by v.version desc limit 1),
                (h.sent_home_at at time zone b.time_zone)::date::text
           ] as "cells!: Vec<Option<String>>"
           from horse h
           join barn b on b.barn_id = h.barn_id
           left join person p on p.barn_id = h.barn_id and p.person_id = h.owner_id
           where h.barn_id = $1 order by h.name, h.horse_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows)
}

/// Cattle by lot and tag.
///
/// # Errors
/// When the query fails.
pub async fn herd(barn: &mut BarnTransaction) -> StoreResult<Vec<Cells>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_scalar!(
        r#"select array[
                l.name, c.tag, c.kind, c.weight_lb::text, c.came::text, c.tempo, c.handling, c.note,
                case when c.done then 'yes' end,
                (c.put_away_at at time zone b.time_zone)::date::text
           ] as "cells!: Vec<Option<String>>"
           from cow c
           join barn b on b.barn_id = c.barn_id
           join cattle_lot l on l.barn_id = c.barn_id and l.lot_id = c.lot_id
           where c.barn_id = $1 order by l.name, c.tag, c.cow_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows)
}

/// Rides, oldest first.
pub fn rides(barn: &mut BarnTransaction) -> impl Stream<Item = StoreResult<Cells>> + Send + '_ {
    let barn_id = barn.barn_id();
    sqlx::query_scalar!(
        r#"select array[
                r.ride_id::text, r.day::text,
                to_char(r.started_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
                round(extract(epoch from r.finished_at - r.started_at) / 60)::text,
                h.name, p.name,
                (select count(*) from rep where rep.barn_id = r.barn_id
                 and rep.ride_id = r.ride_id and rep.undone_at is null)::text,
                r.ended, r.mood, r.exertion, array_to_string(r.marks, ' '), r.note
           ] as "cells!: Vec<Option<String>>"
           from ride r
           join horse h on h.barn_id = r.barn_id and h.horse_id = r.horse_id
           join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           where r.barn_id = $1 order by r.started_at, r.ride_id"#,
        barn_id
    )
    .fetch(barn.connection())
    .map(|row| Ok(row?))
}

/// Runs of the pattern, oldest first.
///
/// # Errors
/// When the query fails.
pub async fn runs(barn: &mut BarnTransaction) -> StoreResult<Vec<Cells>> {
    let barn_id = barn.barn_id();
    let rows = sqlx::query_scalar!(
        r#"select array[
                rep.rep_id::text, rep.ride_id::text, r.day::text, h.name, p.name,
                rep.skill, rep.rung, rep.measure ->> 'time_s',
                (select string_agg(split, ' ' order by number)
                 from jsonb_array_elements_text(rep.measure -> 'splits_s')
                      with ordinality as all_splits (split, number)),
                (select string_agg(number::text, ' ' order by number)
                 from jsonb_array_elements(rep.measure -> 'barrels')
                      with ordinality as barrels (barrel, number)
                 where barrel ->> 'tipped' = 'true'),
                case when rep.measure ->> 'broken' = 'true' then 'yes' end,
                rep.measure ->> 'path_ft', c.name, rep.measure ->> 'footing', rep.measure::text
           ] as "cells!: Vec<Option<String>>"
           from rep
           join ride r on r.barn_id = rep.barn_id and r.ride_id = rep.ride_id
           join horse h on h.barn_id = r.barn_id and h.horse_id = r.horse_id
           join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           left join course c on c.barn_id = rep.barn_id
                and c.course_id::text = rep.measure ->> 'course_id'
           where rep.barn_id = $1 and rep.undone_at is null and rep.measure ->> 'kind' = 'run'
           order by rep.asked_at, rep.rep_id"#,
        barn_id
    )
    .fetch_all(barn.connection())
    .await?;
    Ok(rows)
}

/// An ask as its sheet has it.
pub struct AskOfSheet {
    /// Id, ride, day, moment, horse, rider, skill, rung, side, sequence.
    pub cells: Cells,
    /// The horse.
    pub horse_id: Uuid,
    /// The level it was asked at.
    pub level: Level,
    /// What was measured; none of a version that this one cannot read.
    pub measure: Option<Measure>,
    /// The same as JSON.
    pub measured: String,
    /// Faults that were seen.
    pub faults: Vec<String>,
    /// It was taken back.
    pub taken_back: bool,
}

/// Asks in the order of asking.
pub fn asks(barn: &mut BarnTransaction) -> impl Stream<Item = StoreResult<AskOfSheet>> + Send + '_ {
    let barn_id = barn.barn_id();
    sqlx::query!(
        r#"select array[
                rep.rep_id::text, rep.ride_id::text, r.day::text,
                to_char(rep.asked_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
                h.name, p.name, rep.skill, rep.rung, rep.side, rep.sequence::text
           ] as "cells!: Vec<Option<String>>",
                  rep.horse_id, rep.skill, rep.rung, rep.measure, rep.measure_form, rep.faults,
                  rep.undone_at is not null as "taken_back!"
           from rep
           join ride r on r.barn_id = rep.barn_id and r.ride_id = rep.ride_id
           join horse h on h.barn_id = rep.barn_id and h.horse_id = rep.horse_id
           join person p on p.barn_id = r.barn_id and p.person_id = r.rider_id
           where rep.barn_id = $1 order by rep.asked_at, rep.rep_id"#,
        barn_id
    )
    .fetch(barn.connection())
    .map(|row| {
        let row = row?;
        Ok(AskOfSheet {
            cells: row.cells,
            horse_id: row.horse_id,
            level: Level::new(&row.skill, &row.rung),
            measured: row.measure.to_string(),
            measure: read_measure(row.measure_form, row.measure).ok(),
            faults: row.faults,
            taken_back: row.taken_back,
        })
    })
}
