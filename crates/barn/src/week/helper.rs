//! Who stands by at rides that need somebody on the ground: a helper is with one of them at a
//! time, on no horse, and not while busy elsewhere.
//!
//! Source: that first rides are never alone is common practice of the trade, no source.

use std::collections::HashSet;

use uuid::Uuid;

use super::booking::{Booking, DayPerson, DayPlan, minutes_of};

/// The rides of a day that need a helper and have one: as many as can be.
pub fn helped(day: &DayPlan) -> HashSet<Uuid> {
    let mut needing: Vec<&Booking> = day.bookings.iter().filter(|one| needs(day, one)).collect();
    needing.sort_by_key(|one| (one.from_min, one.booking_id));
    let mut given = Given {
        day,
        with: Vec::new(),
    };
    for booking in needing {
        given.give(booking, &mut Vec::new());
    }
    given
        .with
        .iter()
        .map(|(booking, _)| booking.booking_id)
        .collect()
}

fn needs(day: &DayPlan, booking: &Booking) -> bool {
    let first_rides = day
        .horse(booking.horse_id)
        .is_some_and(|horse| horse.first_rides);
    booking.kind.is_ridden() && (first_rides || booking.helper)
}

/// Helpers given to rides so far.
struct Given<'a> {
    day: &'a DayPlan,
    with: Vec<(&'a Booking, Uuid)>,
}

impl<'a> Given<'a> {
    /// Gives a ride a helper, moving others to another helper where that makes room.
    fn give(&mut self, booking: &'a Booking, tried: &mut Vec<Uuid>) -> bool {
        for person in &self.day.people {
            let id = person.person_id;
            if tried.contains(&id) || !self.may(person, booking) {
                continue;
            }
            tried.push(id);
            let taken: Vec<&Booking> = self
                .with
                .iter()
                .filter(|(other, helper)| *helper == id && other.overlaps(booking))
                .map(|(other, _)| *other)
                .collect();
            let before = self.with.clone();
            self.with
                .retain(|(other, helper)| *helper != id || !other.overlaps(booking));
            self.with.push((booking, id));
            if taken.into_iter().all(|other| self.give(other, tried)) {
                return true;
            }
            self.with = before;
        }
        false
    }

    /// Whether somebody can stand by all through a ride.
    fn may(&self, person: &DayPerson, booking: &Booking) -> bool {
        let booked = self
            .day
            .bookings
            .iter()
            .any(|other| other.person_id == Some(person.person_id) && other.overlaps(booking));
        let busy = person
            .busy
            .iter()
            .any(|one| one.from_min < booking.to_min() && booking.from_min < one.to_min);
        let works = match person.hours {
            Some(hours) => {
                minutes_of(hours.from) <= booking.from_min
                    && booking.to_min() <= minutes_of(hours.to)
            }
            None => !person.sets_hours,
        };
        person.role.records() && !person.away && works && !booked && !busy
    }
}
