//! The people of a week as the planner sees them: hours, what else they do, whom they know.

use cavesson_core::person::WorkHours;
use cavesson_core::week::booking::minutes_of;
use cavesson_core::week::plan::{Knows, RiderBusy, RiderDay, WeekRider};
use cavesson_store::{BarnTransaction, person, ride, work_hours};
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::what_if::WhatIf;
use crate::day::busy;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;

/// Days looked back for who knows a horse.
const KNOWN_DAYS: i64 = 90;
/// The hours of somebody who set none. Product default.
const USUAL_HOURS: (u16, u16, u8) = (7 * 60, 18 * 60, 20);

/// Those who are here and ride, with their days.
pub(super) async fn of_week(
    barn: &mut BarnTransaction,
    signed: &Signed,
    dates: &[Date],
    what_if: &WhatIf,
) -> Answer<Vec<WeekRider>> {
    let since = signed.today().saturating_sub(KNOWN_DAYS.days());
    let known = ride::riders_since(barn, since).await?;
    let hours: Vec<(Uuid, WorkHours)> = work_hours::list(barn).await?;
    let mut busy_times = Vec::new();
    for date in dates {
        busy_times.push(busy::on_day(barn, signed, *date).await?);
    }
    let now = signed.minutes_of(signed.today(), signed.now().timestamp());
    let members = person::members(barn).await?;
    let here = members
        .into_iter()
        .filter(|one| one.left_at.is_none() && one.person.role.records());
    Ok(here
        .map(|member| {
            let person_id = member.person.person_id;
            let own: Vec<&WorkHours> = hours
                .iter()
                .filter(|(id, _)| *id == person_id)
                .map(|(_, hours)| hours)
                .collect();
            let goes_home = what_if.without_people.contains(&person_id);
            let home_at = goes_home.then_some((signed.today(), now));
            let busy = busy_times.iter().enumerate().flat_map(|(day, times)| {
                let own = busy::of(times, person_id).into_iter();
                own.map(move |one| RiderBusy {
                    day: day as u8,
                    from_min: one.from_min,
                    to_min: one.to_min,
                })
            });
            WeekRider {
                person_id,
                name: member.person.name,
                role: member.person.role,
                clearance: member.clearance,
                days: days_of(&own, dates, home_at),
                busy: busy.collect(),
                home_by_min: member.home_by.map(minutes_of),
                knows: knows(&known, person_id),
            }
        })
        .collect())
}

/// The days on which somebody rides; on the day somebody goes home, until then.
fn days_of(own: &[&WorkHours], dates: &[Date], home_at: Option<(Date, u16)>) -> Vec<RiderDay> {
    let on = |(day, date): (usize, &Date)| {
        let (from_min, to_min, most_horses) = hours_of(own, *date)?;
        let to_min = match home_at {
            Some((today, now)) if today == *date => now.min(to_min),
            _ => to_min,
        };
        (from_min < to_min).then_some(RiderDay {
            day: day as u8,
            from_min,
            to_min,
            most_horses,
        })
    };
    dates.iter().enumerate().filter_map(on).collect()
}

/// From when, to when, and how many horses somebody rides on a day; none on a day off.
fn hours_of(own: &[&WorkHours], date: Date) -> Option<(u16, u16, u8)> {
    if own.is_empty() {
        return Some(USUAL_HOURS);
    }
    let weekday = date.weekday().to_monday_one_offset().unsigned_abs();
    let of_day = own.iter().find(|hours| hours.weekday == weekday)?;
    Some((
        minutes_of(of_day.from),
        minutes_of(of_day.to),
        of_day.most_horses,
    ))
}

/// Somebody's share of the rides of each horse they rode.
fn knows(known: &[(Uuid, Uuid, i64)], person_id: Uuid) -> Vec<Knows> {
    let own = known.iter().filter(|(_, rider, _)| *rider == person_id);
    own.map(|(horse_id, _, rides)| {
        let of_horse = known.iter().filter(|(horse, ..)| horse == horse_id);
        let all: i64 = of_horse.map(|(.., rides)| rides).sum();
        Knows {
            horse_id: *horse_id,
            share: *rides as f64 / all.max(1) as f64,
        }
    })
    .collect()
}
