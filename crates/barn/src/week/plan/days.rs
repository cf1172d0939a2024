//! A plan seen day by day, as the day's own rules know a day.

use uuid::Uuid;

use super::instance::{WeekInstance, WeekRider};
use super::planned::PlannedRide;
use crate::day::days_between;
use crate::person::WorkHours;
use crate::week::{Booking, BusyTime, DayHorse, DayPerson, DayPlan};

impl WeekInstance {
    /// One day of a plan. Bookings of rides have ids of their own, the `nth` ride of a
    /// horse on that day always the same.
    pub fn day(&self, rides: &[PlannedRide], day: u8) -> DayPlan {
        DayPlan {
            bookings: self.booked(rides, day),
            people: self.riders.iter().map(|one| person(one, day)).collect(),
            horses: self
                .horses
                .iter()
                .map(|horse| DayHorse {
                    horse_id: horse.horse_id,
                    name: horse.name.clone(),
                    rig: horse.rig,
                    quiet_hands: horse.quiet_hands,
                    only_riders: horse.only_riders.clone(),
                    first_rides: horse.first_rides,
                    most_rides: horse.most_rides_a_day,
                    check_first: horse.check_first,
                    brake: horse.brake.clone(),
                    other_days: self.other_days(rides, horse.horse_id, day, horse.most_days),
                    hard_next_to: self.hard_next_to(rides, horse.horse_id, day),
                })
                .collect(),
            places: self.places.clone(),
            heat: self
                .days
                .get(usize::from(day))
                .map_or_else(Vec::new, |one| one.heat.clone()),
        }
    }

    fn booked(&self, rides: &[PlannedRide], day: u8) -> Vec<Booking> {
        let fixed = self.fixed.iter().filter(|one| one.day == day);
        let mut booked: Vec<Booking> = fixed.map(|one| one.booking).collect();
        for (index, ride) in rides.iter().enumerate().filter(|(_, one)| one.day == day) {
            let Some(work) = self.work(ride) else {
                continue;
            };
            let id = self.seen_as(rides, index);
            booked.push(work.booked(
                id,
                ride.horse_id,
                ride.person_id,
                ride.place_id,
                ride.from_min,
            ));
        }
        booked
    }

    /// The id of a ride's booking in the eyes of the day's rules.
    pub fn seen_as(&self, rides: &[PlannedRide], index: usize) -> Uuid {
        let ride = &rides[index];
        let before = rides[..index].iter();
        let same = before.filter(|one| (one.horse_id, one.day) == (ride.horse_id, ride.day));
        PlannedRide::seen_as(ride.horse_id, ride.day, same.count().min(7) as u8)
    }

    /// Other days of the week on which the horse works, counted so that six of them mean
    /// the day would be one too many.
    fn other_days(&self, rides: &[PlannedRide], horse_id: Uuid, day: u8, most_days: u8) -> u8 {
        let mut days: Vec<u8> = rides
            .iter()
            .filter(|one| one.horse_id == horse_id && one.day != day)
            .map(|one| one.day)
            .collect();
        days.sort_unstable();
        days.dedup();
        let gone = 6u8.saturating_sub(most_days);
        (days.len() as u8 + gone).min(6)
    }

    fn hard_next_to(&self, rides: &[PlannedRide], horse_id: Uuid, day: u8) -> bool {
        let before = self.horse(horse_id).is_some_and(|horse| horse.hard_before);
        if day == 0 && before {
            return true;
        }
        self.hard_days(rides, horse_id)
            .any(|other| other != day && self.are_next(day, other))
    }

    /// The days on which a horse works hard: by the plan, and by what stands already.
    pub fn hard_days(&self, rides: &[PlannedRide], horse_id: Uuid) -> impl Iterator<Item = u8> {
        let planned = rides
            .iter()
            .filter(move |one| one.horse_id == horse_id)
            .filter(|one| self.work(one).is_some_and(|work| work.kind.is_hard()))
            .map(|one| one.day);
        let fixed = self
            .fixed
            .iter()
            .filter(move |one| one.booking.horse_id == Some(horse_id) && one.booking.is_hard())
            .map(|one| one.day);
        planned.chain(fixed)
    }

    /// Whether two days of the week follow each other on the calendar.
    pub fn are_next(&self, one: u8, other: u8) -> bool {
        let date = |day: u8| self.days.get(usize::from(day)).map(|day| day.date);
        match (date(one), date(other)) {
            (Some(one), Some(other)) => days_between(one, other).abs() == 1,
            _ => false,
        }
    }
}

fn person(rider: &WeekRider, day: u8) -> DayPerson {
    let busy = rider.busy.iter().filter(|one| one.day == day);
    DayPerson {
        person_id: rider.person_id,
        name: rider.name.clone(),
        role: rider.role,
        clearance: rider.clearance.clone(),
        hours: rider.on(day).map(|hours| WorkHours {
            weekday: 1,
            from: time_of(hours.from_min),
            to: time_of(hours.to_min),
            most_horses: hours.most_horses,
        }),
        sets_hours: true,
        away: false,
        busy: busy
            .map(|one| BusyTime {
                from_min: one.from_min,
                to_min: one.to_min,
            })
            .collect(),
    }
}

/// A time of day; midnight at the end of a day is its last minute.
fn time_of(minutes: u16) -> jiff::civil::Time {
    let minutes = minutes.min(24 * 60 - 1);
    jiff::civil::time((minutes / 60) as i8, (minutes % 60) as i8, 0, 0)
}
