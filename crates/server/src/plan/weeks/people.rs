//! The people of a week as the planner sees them: hours, what else they do, whom they know.

use cavesson_core::person::WorkHours;
use cavesson_core::week::booking::minutes_of;
use cavesson_core::week::plan::week_rider::{KNOWN_DAYS, RodeLately, days_of, knows};
use cavesson_core::week::plan::{RiderBusy, WeekRider};
use cavesson_store::BarnTransaction;
use cavesson_store::barn::person;
use cavesson_store::barn::work_hours;
use cavesson_store::ride::rides;
use jiff::ToSpan;
use jiff::civil::Date;
use uuid::Uuid;

use super::what_if::WhatIf;
use crate::day::busy;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;

/// Those who are here and ride, with their days.
pub(super) async fn of_week(
    barn: &mut BarnTransaction,
    signed: &Signed,
    dates: &[Date],
    what_if: &WhatIf,
) -> Answer<Vec<WeekRider>> {
    let since = signed.today().saturating_sub(KNOWN_DAYS.days());
    let rode: Vec<RodeLately> = rides::riders_since(barn, since)
        .await?
        .into_iter()
        .map(|(horse_id, person_id, rides)| RodeLately {
            horse_id,
            person_id,
            rides,
        })
        .collect();
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
            let own = hours.iter().filter(|(id, _)| *id == person_id);
            let own: Vec<WorkHours> = own.map(|(_, hours)| *hours).collect();
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
                knows: knows(&rode, person_id),
            }
        })
        .collect())
}
