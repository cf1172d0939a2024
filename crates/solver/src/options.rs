//! Every single ride that the rules allow by itself, given what stays as it is.

use std::ops::Range;

use cavesson_core::person::RideNeeds;
use cavesson_core::week::BookingKind;
use cavesson_core::week::plan::instance::STEP_MIN;
use cavesson_core::week::plan::score::{heat_allows, of_ride};
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WeekRider, Work, WorkKind};

/// Minutes by which places are taken: works are in steps of five.
pub const SLOT_MIN: u16 = 5;

/// A ride that could be in the plan. Horse, rider and place are numbers in the lists of the
/// instance.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Choice {
    /// The ride.
    pub ride: PlannedRide,
    /// Its horse's number.
    pub horse: usize,
    /// Its rider's number.
    pub rider: usize,
    /// Its place's number.
    pub place: usize,
    /// When it ends, in minutes from midnight.
    pub to_min: u16,
    /// What it adds whatever else is in the plan.
    pub worth: f64,
}

impl Choice {
    /// What it is for.
    pub fn work<'a>(&self, instance: &'a WeekInstance) -> &'a Work {
        &instance.horses[self.horse].works[usize::from(self.ride.work)]
    }

    /// The slots of five minutes it takes of its place: what stands there need not lie on
    /// the grid.
    pub fn slots(&self) -> Range<u16> {
        self.ride.from_min / SLOT_MIN..self.to_min.div_ceil(SLOT_MIN)
    }

    /// The steps of the grid it lies on.
    pub fn steps(&self) -> Range<u16> {
        self.ride.from_min / STEP_MIN..self.to_min.div_ceil(STEP_MIN)
    }
}

/// All choices of the horses and days asked for that break nothing by themselves, with the
/// rides that stay.
pub fn choices(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    wanted: &dyn Fn(usize, u8) -> bool,
) -> Vec<Choice> {
    let mut found = Vec::new();
    for (horse, one) in instance.horses.iter().enumerate() {
        if one.check_first || one.wanted == 0 {
            continue;
        }
        for day in 0..instance.days.len() as u8 {
            if one.days_off.contains(&day) || !wanted(horse, day) {
                continue;
            }
            for (number, work) in one.works.iter().enumerate() {
                let hard_next = work.kind.is_hard() && hard_next_to(instance, stay, horse, day);
                if hard_next {
                    continue;
                }
                for rider in 0..instance.riders.len() {
                    of_rider(
                        instance,
                        stay,
                        (horse, number as u8),
                        day,
                        rider,
                        &mut found,
                    );
                }
            }
        }
    }
    found
}

fn hard_next_to(instance: &WeekInstance, stay: &[PlannedRide], horse: usize, day: u8) -> bool {
    let one = &instance.horses[horse];
    if day == 0 && one.hard_before {
        return true;
    }
    let mut hard = instance.hard_days(stay, one.horse_id);
    hard.any(|other| instance.are_next(other, day))
}

fn of_rider(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    (horse, number): (usize, u8),
    day: u8,
    rider: usize,
    found: &mut Vec<Choice>,
) {
    let one = &instance.horses[horse];
    let work = &one.works[usize::from(number)];
    let person = &instance.riders[rider];
    let Some(hours) = person.on(day) else { return };
    let needs = RideNeeds {
        person_id: person.person_id,
        quiet_hands: one.quiet_hands,
        only_riders: one.only_riders.as_deref(),
        horse_id: one.horse_id,
        rig: one.rig,
        cattle: work.kind == WorkKind::Cattle,
        first_rides: one.first_rides,
    };
    if !person.clearance.stops(person.role, &needs).is_empty() || hours.most_horses == 0 {
        return;
    }
    let not_before = instance.days[usize::from(day)].not_before_min;
    let mut from_min = hours.from_min.max(not_before).div_ceil(STEP_MIN) * STEP_MIN;
    let last = hours.to_min.min(24 * 60 - 1);
    while from_min + work.minutes <= last {
        let to_min = from_min + work.minutes;
        if is_free(instance, stay, person, day, from_min, to_min)
            && horse_is_free(instance, stay, horse, day, from_min, to_min)
        {
            for place_id in &work.place_ids {
                let place = instance
                    .places
                    .iter()
                    .position(|place| place.place_id == *place_id);
                let Some(place) = place else { continue };
                let ride = PlannedRide {
                    day,
                    from_min,
                    horse_id: one.horse_id,
                    work: number,
                    person_id: person.person_id,
                    place_id: *place_id,
                };
                if is_open(instance, place, day, from_min, to_min) && heat_allows(instance, &ride) {
                    found.push(Choice {
                        ride,
                        horse,
                        rider,
                        place,
                        to_min,
                        worth: of_ride(instance, &ride).total(),
                    });
                }
            }
        }
        from_min += STEP_MIN;
    }
}

/// Whether somebody is nowhere else: no booking, not busy, on no horse that stays.
pub fn is_free(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    person: &WeekRider,
    day: u8,
    from_min: u16,
    to_min: u16,
) -> bool {
    let meets = |a: u16, b: u16| a < to_min && from_min < b;
    let busy = person.busy.iter();
    let mut busy = busy.filter(|one| one.day == day);
    !busy.any(|one| meets(one.from_min, one.to_min))
        && !is_booked(instance, stay, person, day, from_min, to_min)
}

/// Whether somebody is in a booking or on a horse that stays.
pub fn is_booked(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    person: &WeekRider,
    day: u8,
    from_min: u16,
    to_min: u16,
) -> bool {
    let meets = |a: u16, b: u16| a < to_min && from_min < b;
    let mut fixed = instance.fixed.iter().filter(|one| one.day == day);
    let mut rides = stay.iter().filter(|one| one.day == day);
    fixed.any(|one| {
        one.booking.person_id == Some(person.person_id)
            && meets(one.booking.from_min, one.booking.to_min())
    }) || rides
        .any(|one| one.person_id == person.person_id && meets(one.from_min, instance.to_min(one)))
}

fn horse_is_free(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    horse: usize,
    day: u8,
    from_min: u16,
    to_min: u16,
) -> bool {
    let meets = |a: u16, b: u16| a < to_min && from_min < b;
    let horse_id = instance.horses[horse].horse_id;
    let mut fixed = instance.fixed.iter().filter(|one| one.day == day);
    let mut rides = stay.iter().filter(|one| one.day == day);
    !fixed.any(|one| {
        one.booking.horse_id == Some(horse_id) && meets(one.booking.from_min, one.booking.to_min())
    }) && !rides.any(|one| one.horse_id == horse_id && meets(one.from_min, instance.to_min(one)))
}

fn is_open(instance: &WeekInstance, place: usize, day: u8, from_min: u16, to_min: u16) -> bool {
    let place = &instance.places[place];
    if place.opens_min.is_some_and(|opens| from_min < opens)
        || place.closes_min.is_some_and(|closes| to_min > closes)
    {
        return false;
    }
    let mut fixed = instance.fixed.iter().filter(|one| one.day == day);
    !fixed.any(|one| {
        one.booking.kind == BookingKind::GroundDragged
            && one.booking.place_id == Some(place.place_id)
            && one.booking.from_min < to_min
            && from_min < one.booking.to_min()
    })
}

/// How many horses are in a place in these minutes: bookings that stand and rides that stay.
pub fn there_at(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    place: usize,
    day: u8,
    minutes: Range<u16>,
) -> usize {
    let place_id = instance.places[place].place_id;
    let meets = |from: u16, to: u16| from < minutes.end && minutes.start < to;
    let fixed = instance.fixed.iter().filter(|one| {
        one.day == day
            && one.booking.place_id == Some(place_id)
            && one.booking.horse_id.is_some()
            && meets(one.booking.from_min, one.booking.to_min())
    });
    let rides = stay.iter().filter(|one| {
        one.day == day && one.place_id == place_id && meets(one.from_min, instance.to_min(one))
    });
    fixed.count() + rides.count()
}
