//! The week as the planner sees it: days, horses, people, places, cattle, what stands.

use std::sync::Arc;

use cavesson_core::day::week_of;
use cavesson_core::week::DayPlace;
use cavesson_core::week::booking::minutes_of;
use cavesson_core::week::plan::{FixedBooking, PlannedRide, WeekInstance, Weights};
use cavesson_store::barn::place;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use jiff::ToSpan;
use jiff::civil::Date;

use super::horses::{HorsesOfWeek, Week};
use super::standing_rides::{Stood, stand_in};
use super::what_if::WhatIf;
use super::{days, people};
use crate::App;
use crate::cattle::herd;
use crate::day::day_plan::{self, as_seen};
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::plan::roads;
use crate::plan::roads::road_cache;

/// A week of a barn.
pub struct WeekOfBarn {
    /// Its first day, a Monday.
    pub monday: Date,
    /// What there is. The plan as it stands is what it should stay close to.
    pub instance: WeekInstance,
    /// The rides that stand, in the order of the plan.
    pub stood: Vec<Stood>,
}

/// Reads a week; its days are laid out first. Days that have passed are not planned.
///
/// # Errors
/// When the week has passed, or a query fails.
pub async fn read(app: &App, signed: &Signed, day: Date, what_if: &WhatIf) -> Answer<WeekOfBarn> {
    let (monday, dates) = planned(signed, day, what_if)?;
    for date in &dates {
        day_plan::lay_out(app, signed, *date).await?;
    }
    let roads = match roads::road_input::read(app, signed.look().await?, signed.today()).await? {
        Some(read) => road_cache::all(app, signed.barn.barn_id, Arc::new(read), None).await?,
        None => Vec::new(),
    };
    let mut barn = signed.look().await?;
    let (before, sunday) = (monday.saturating_sub(1.day()), week_of(day).1);
    let near = booking::on_days(&mut barn, before, sunday).await?;
    let herd = herd::in_use(&mut barn, dates.first().copied().unwrap_or(monday)).await?;
    let mut places = place::list(&mut barn).await?;
    places.retain(|place| place.put_away_at.is_none());
    let riders = people::of_week(&mut barn, signed, &dates, what_if).await?;
    let days = days::of_week(&mut barn, signed, &dates, what_if).await?;
    let horses = HorsesOfWeek::read(&mut barn, signed, (monday, sunday)).await?;
    let judged = app
        .known
        .judged(barn, &horses.ids(), signed.today())
        .await?;
    let mut instance = WeekInstance {
        days,
        horses: horses.asked(
            &judged,
            &Week {
                signed,
                monday,
                dates: &dates,
                near: &near,
                places: &places,
                herd: &herd,
                roads: &roads,
                what_if,
            },
        ),
        riders,
        places: places.iter().map(day_place).collect(),
        cattle: herd.week_lots(dates.len()),
        fixed: fixed(signed, &near, &dates),
        pins: Vec::new(),
        before: Vec::new(),
        weights: Weights::default(),
    };
    let stood = stand_in(&mut instance, signed, &near, &dates);
    instance.before = stood.iter().map(|one| one.ride).collect();
    instance.pins = pinned(&stood, what_if);
    Ok(WeekOfBarn {
        monday,
        instance,
        stood,
    })
}

/// The week's Monday, and those of its days that are planned.
fn planned(signed: &Signed, day: Date, what_if: &WhatIf) -> Answer<(Date, Vec<Date>)> {
    let (monday, sunday) = week_of(day);
    let today = signed.today();
    if sunday < today {
        return Err(Problem::not_found(
            "that week has passed; plan this one or one that comes",
        ));
    }
    let first = what_if.only_day.unwrap_or(monday).max(today);
    let last = what_if.only_day.unwrap_or(sunday);
    let dates = first
        .series(1.day())
        .take_while(|day| *day <= last)
        .collect();
    Ok((monday, dates))
}

fn day_place(place: &place::Place) -> DayPlace {
    DayPlace {
        place_id: place.place_id,
        name: place.sheet.name.clone(),
        horses_at_once: place.sheet.horses_at_once,
        opens_min: place.sheet.opens.map(minutes_of),
        closes_min: place.sheet.closes.map(minutes_of),
    }
}

/// What nobody moves: rides that have begun, and those that were pinned, but for who and what
/// is not there.
fn pinned(stood: &[Stood], what_if: &WhatIf) -> Vec<PlannedRide> {
    let moves = |one: &Stood| {
        what_if.without_horses.contains(&one.ride.horse_id)
            || what_if.without_people.contains(&one.ride.person_id)
    };
    stood
        .iter()
        .filter(|one| one.begun || (one.pinned && !moves(one)))
        .map(|one| one.ride)
        .collect()
}

/// What stands and is no ride: farrier, vet, lessons, dragging.
fn fixed(signed: &Signed, near: &[Booking], dates: &[Date]) -> Vec<FixedBooking> {
    let stands = near
        .iter()
        .filter(|one| one.skipped_because.is_none() && !one.kind.is_ridden());
    stands
        .filter_map(|one| {
            let day = dates.iter().position(|date| *date == one.day)?;
            Some(FixedBooking {
                day: day as u8,
                booking: as_seen(signed, one.day, one),
            })
        })
        .collect()
}
