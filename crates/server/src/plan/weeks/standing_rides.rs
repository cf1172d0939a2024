//! Rides that stand in the days as rides of a plan.

use cavesson_core::week::plan::{PlannedRide, WeekInstance};
use cavesson_store::day::booking::Booking;
use jiff::civil::Date;
use uuid::Uuid;

use crate::day::day_plan::as_seen;
use crate::http::signed_in::Signed;

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
        let Some(work) = instance
            .work_of(&seen, one.level.as_ref())
            .filter(|_| known)
        else {
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
