//! Rides that stand in the days as rides of a plan.

use cavesson_core::week::plan::{PlannedRide, WeekInstance, Work, WorkKind};
use cavesson_core::week::{Booking as DayBooking, BookingKind};
use cavesson_store::booking::Booking;
use jiff::civil::Date;
use uuid::Uuid;

use crate::day::day_plan::{as_seen, is_fast};
use crate::http::signed_in::Signed;

/// Works of a horse that an instance may hold.
const MOST_WORKS: usize = 8;

/// A ride that stands.
#[derive(Debug, Clone)]
pub struct Stood {
    /// As a ride of a plan.
    pub ride: PlannedRide,
    /// Its booking.
    pub booking_id: Uuid,
    /// It stays where it stands.
    pub pinned: bool,
    /// It has begun: nothing is changed about it.
    pub begun: bool,
}

/// The rides that stand in these days. What a ride is for is looked up among the horse's
/// works, and put there where it is not.
pub fn stand_in(
    instance: &mut WeekInstance,
    signed: &Signed,
    near: &[Booking],
    dates: &[Date],
) -> Vec<Stood> {
    let now = signed.now().timestamp();
    let stands = near
        .iter()
        .filter(|one| one.skipped_because.is_none() && one.kind.is_ridden());
    let mut found = Vec::new();
    for one in stands {
        let Some(day) = dates.iter().position(|date| *date == one.day) else {
            continue;
        };
        let (Some(horse_id), Some(person_id), Some(place_id)) =
            (one.horse_id, one.person_id, one.place_id)
        else {
            continue;
        };
        let known = instance.rider(person_id).is_some() && instance.place(place_id).is_some();
        let seen = as_seen(signed, one.day, one);
        let Some(work) = work_of(instance, one, &seen).filter(|_| known) else {
            continue;
        };
        found.push(Stood {
            ride: PlannedRide {
                day: day as u8,
                from_min: seen.from_min,
                horse_id,
                work,
                person_id,
                place_id,
            },
            booking_id: one.booking_id,
            pinned: one.pinned,
            begun: one.from <= now,
        });
    }
    found.sort_by_key(|one| one.ride);
    found
}

/// Which of the horse's works a booking is; a work like it is added where there is none.
fn work_of(instance: &mut WeekInstance, stored: &Booking, seen: &DayBooking) -> Option<u8> {
    let kind = match seen.kind {
        BookingKind::Outing => WorkKind::Outing,
        _ if seen.cattle => WorkKind::Cattle,
        _ if seen.pattern => WorkKind::Pattern,
        _ => WorkKind::Ride,
    };
    let any_lot = instance.cattle.first().map(|lot| lot.lot_id);
    let horse = instance
        .horses
        .iter_mut()
        .find(|horse| Some(horse.horse_id) == stored.horse_id)?;
    let minutes = (seen.minutes.div_ceil(5) * 5).clamp(5, 480);
    let place_id = stored.place_id?;
    let same = horse.works.iter().position(|work| {
        work.kind == kind && work.level == stored.level && work.minutes == minutes
    });
    if let Some(same) = same {
        // Where it stands it can be done.
        let places = &mut horse.works[same].place_ids;
        if !places.contains(&place_id) {
            places.push(place_id);
        }
        return Some(same as u8);
    }
    let alike = horse.works.iter().position(|work| work.kind == kind);
    if horse.works.len() >= MOST_WORKS {
        return alike.map(|work| work as u8);
    }
    let mut place_ids = alike.map_or_else(Vec::new, |work| horse.works[work].place_ids.clone());
    if !place_ids.contains(&place_id) {
        place_ids.push(place_id);
    }
    horse.works.push(Work {
        kind,
        minutes,
        place_ids,
        lot_id: alike
            .and_then(|work| horse.works[work].lot_id)
            .or(any_lot)
            .filter(|_| kind == WorkKind::Cattle),
        helper: false,
        fast: stored.level.as_ref().is_some_and(is_fast),
        at_most: if kind == WorkKind::Ride { 12 } else { 2 },
        gate_soon: false,
        worth: 0.0,
        name: alike.map_or_else(
            || {
                stored
                    .level
                    .as_ref()
                    .map_or_else(String::new, ToString::to_string)
            },
            |work| horse.works[work].name.clone(),
        ),
        level: stored.level.clone(),
    });
    Some((horse.works.len() - 1) as u8)
}
