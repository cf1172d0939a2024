//! Who stands by: as many rides as can be have a helper, against trying every way there is.

use std::collections::HashSet;

use cavesson_barn::person::{Role, WorkHours};
use cavesson_barn::week::helper::helped;
use cavesson_barn::week::{Booking, DayPlan};
use jiff::civil::{Time, time};
use proptest::prelude::*;
use uuid::Uuid;

use super::{horse, person, ride};

/// A day with two people on the ground and rides that need one of them, by start and end.
fn day_of(rides: &[(u16, u16)], helpers: u128) -> DayPlan {
    let numbered = rides.iter().zip(1u128..);
    DayPlan {
        bookings: numbered
            .map(|((from, to), number)| Booking {
                helper: true,
                ..ride(number, number, 100 + number, 1, *from, to - from)
            })
            .collect(),
        people: (1..=helpers)
            .map(|number| person(number, Role::Helper))
            .collect(),
        horses: (1..=rides.len() as u128).map(horse).collect(),
        ..DayPlan::default()
    }
}

/// Found as a search for a week's plan once came upon it: whoever stood by at the second ride
/// was moved about until nobody was left to try for the third, though one was free.
#[test]
fn a_helper_who_is_free_again_is_given_and_not_overlooked() {
    let day = day_of(&[(480, 510), (495, 555), (540, 570)], 2);
    assert_eq!(helped(&day).len(), 3);
}

#[test]
fn nobody_is_with_two_rides_at_once() {
    let day = day_of(&[(480, 510), (495, 555), (500, 520)], 2);
    assert_eq!(helped(&day).len(), 2);
    // One may begin as the other ends.
    assert_eq!(helped(&day_of(&[(480, 510), (510, 540)], 1)).len(), 2);
}

#[test]
fn a_day_of_many_rides_and_many_helpers_is_answered() {
    let rides: Vec<(u16, u16)> = (0..120).map(|n| (480 + n % 60, 560 + n % 60)).collect();
    for helpers in [1, 8, 20, 60] {
        let found = helped(&day_of(&rides, helpers)).len();
        assert_eq!(found as u128, helpers, "all of them overlap");
    }
}

/// Whether the person works all through the ride and is on no horse, read off the plan.
fn is_there(day: &DayPlan, number: usize, booking: &Booking) -> bool {
    let person = &day.people[number];
    let rides = day.bookings.iter().any(|other| {
        other.person_id == Some(person.person_id)
            && other.from_min < booking.from_min + booking.minutes
            && booking.from_min < other.from_min + other.minutes
    });
    let minute =
        |at: Time| u16::from(at.hour().unsigned_abs()) * 60 + u16::from(at.minute().unsigned_abs());
    let works = person.hours.is_none_or(|hours| {
        minute(hours.from) <= booking.from_min
            && booking.from_min + booking.minutes <= minute(hours.to)
    });
    works && !rides
}

/// Every way there is: each ride with each person, or alone.
fn most(day: &DayPlan, rides: &[&Booking], given: &mut Vec<(usize, u16, u16)>) -> usize {
    let Some((first, rest)) = rides.split_first() else {
        return 0;
    };
    let mut best = most(day, rest, given);
    let (from, to) = (first.from_min, first.from_min + first.minutes);
    for number in 0..day.people.len() {
        let taken = given
            .iter()
            .any(|(who, start, end)| *who == number && *start < to && from < *end);
        if !taken && is_there(day, number, first) {
            given.push((number, from, to));
            best = best.max(1 + most(day, rest, given));
            given.pop();
        }
    }
    best
}

/// A ride: from, minutes, who rides, whether it needs a helper.
type RideOf = (u16, u16, u128, bool);

prop_compose! {
    fn any_day()(
        rides in prop::collection::vec((0u16..20, 1u16..8, 1u128..7, prop::bool::weighted(0.8)), 1..7),
        helpers in prop::collection::vec(prop::option::of((7i8..10, 10i8..14)), 1..4),
    ) -> DayPlan {
        let booked = |((from, minutes, rider, helper), number): (&RideOf, u128)| Booking {
            helper: *helper,
            ..ride(number, number, *rider, 1, 480 + 15 * from, 15 * minutes)
        };
        DayPlan {
            bookings: rides.iter().zip(1u128..).map(booked).collect(),
            people: helpers.iter().zip(1u128..).map(|(hours, number)| {
                let mut one = person(number, Role::Helper);
                one.sets_hours = hours.is_some();
                one.hours = hours.map(|(from, to)| WorkHours {
                    weekday: 1, from: time(from, 0, 0, 0), to: time(to, 0, 0, 0), most_horses: 20,
                });
                one
            }).collect(),
            horses: (1..=rides.len() as u128).map(horse).collect(),
            ..DayPlan::default()
        }
    }
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 2000, ..ProptestConfig::default() })]

    #[test]
    fn as_many_rides_as_can_be_have_a_helper(day in any_day()) {
        let needing: Vec<&Booking> = day.bookings.iter().filter(|one| one.helper).collect();
        let found = helped(&day);
        prop_assert_eq!(found.len(), most(&day, &needing, &mut Vec::new()));
        let known: HashSet<Uuid> = needing.iter().map(|one| one.booking_id).collect();
        prop_assert!(found.is_subset(&known));
    }
}
