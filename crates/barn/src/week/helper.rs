//! Who stands by at rides that need somebody on the ground: a helper is with one of them at a
//! time, on no horse, and not while busy elsewhere.
//!
//! # Algorithm
//! Rides in the order they begin. Who is free first is given first; where that leaves a ride
//! alone, all ways of giving helpers are gone through, each state of who is taken until when
//! once. Beyond [`MOST_STATES`] of them what was found first stands: a ride may then be said to
//! be alone that need not be, never the other way round.
//!
//! Source: that first rides are never alone is common practice of the trade, no source.

use std::collections::{HashMap, HashSet};

use uuid::Uuid;

use super::booking::{Booking, DayPerson, DayPlan, minutes_of};

/// States looked at for one day.
const MOST_STATES: usize = 10_000;

/// The rides of a day that need a helper and have one: as many as can be.
pub fn helped(day: &DayPlan) -> HashSet<Uuid> {
    let mut needing: Vec<&Booking> = day.bookings.iter().filter(|one| needs(day, one)).collect();
    needing.sort_by_key(|one| (one.from_min, one.booking_id));
    let who_may = |booking: &&Booking| -> Vec<usize> {
        let people = day.people.iter().enumerate();
        let may = people.filter(|(_, person)| may(day, person, booking));
        may.map(|(number, _)| number).collect()
    };
    let rides: Vec<Ride> = needing
        .iter()
        .map(|booking| Ride {
            from: booking.from_min,
            to: booking.to_min(),
            may: who_may(booking),
        })
        .collect();
    let free = vec![0; day.people.len()];
    let mut given = first_free(&rides, free.clone());
    if given.contains(&false) {
        let mut ways = Ways {
            rides: &rides,
            known: HashMap::new(),
        };
        given = ways.best_way(free).unwrap_or(given);
    }
    let all = needing.iter().zip(given);
    all.filter(|(_, given)| *given)
        .map(|(booking, _)| booking.booking_id)
        .collect()
}

fn needs(day: &DayPlan, booking: &Booking) -> bool {
    let first_rides = day
        .horse(booking.horse_id)
        .is_some_and(|horse| horse.first_rides);
    booking.kind.is_ridden() && (first_rides || booking.helper)
}

/// Whether somebody can stand by all through a ride.
fn may(day: &DayPlan, person: &DayPerson, booking: &Booking) -> bool {
    let booked = day
        .bookings
        .iter()
        .any(|other| other.person_id == Some(person.person_id) && other.overlaps(booking));
    let busy = person
        .busy
        .iter()
        .any(|one| one.from_min < booking.to_min() && booking.from_min < one.to_min);
    let works = match person.hours {
        Some(hours) => {
            minutes_of(hours.from) <= booking.from_min && booking.to_min() <= minutes_of(hours.to)
        }
        None => !person.sets_hours,
    };
    person.role.records() && !person.away && works && !booked && !busy
}

/// A ride that needs a helper, and who may stand by at it.
struct Ride {
    from: u16,
    to: u16,
    may: Vec<usize>,
}

/// Until when each person is taken, in minutes from midnight.
type Taken = Vec<u16>;

/// Whether each ride has a helper, when whoever is free first is given first.
fn first_free(rides: &[Ride], mut taken: Taken) -> Vec<bool> {
    let give = |ride: &Ride| {
        let found = ride.may.iter().find(|person| taken[**person] <= ride.from);
        if let Some(person) = found {
            taken[*person] = ride.to;
        }
        found.is_some()
    };
    rides.iter().map(give).collect()
}

/// All ways of giving helpers.
struct Ways<'a> {
    rides: &'a [Ride],
    /// How many of the rides from one on can have a helper, by who is taken until when.
    known: HashMap<(usize, Taken), usize>,
}

impl Ways<'_> {
    /// Whether each ride has a helper in the best way; none where there are too many ways.
    fn best_way(&mut self, mut taken: Taken) -> Option<Vec<bool>> {
        let mut given = Vec::with_capacity(self.rides.len());
        for index in 0..self.rides.len() {
            let best = self.most(index, taken.clone())?;
            let ride = &self.rides[index];
            let mut next = None;
            for person in ride.may.iter().filter(|one| taken[**one] <= ride.from) {
                let mut with = taken.clone();
                with[*person] = ride.to;
                if 1 + self.most(index + 1, with.clone())? == best {
                    next = Some(with);
                    break;
                }
            }
            given.push(next.is_some());
            taken = next.unwrap_or(taken);
        }
        Some(given)
    }

    fn most(&mut self, index: usize, mut taken: Taken) -> Option<usize> {
        let Some(ride) = self.rides.get(index) else {
            return Some(0);
        };
        for until in &mut taken {
            if *until <= ride.from {
                *until = 0;
            }
        }
        if let Some(most) = self.known.get(&(index, taken.clone())) {
            return Some(*most);
        }
        if self.known.len() >= MOST_STATES {
            return None;
        }
        let left = self.rides.len() - index;
        let mut most = 0;
        for person in ride.may.iter().filter(|one| taken[**one] == 0) {
            let mut with = taken.clone();
            with[*person] = ride.to;
            most = most.max(1 + self.most(index + 1, with)?);
            if most == left {
                break;
            }
        }
        if most < left {
            most = most.max(self.most(index + 1, taken.clone())?);
        }
        self.known.insert((index, taken), most);
        Some(most)
    }
}
