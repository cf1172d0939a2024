//! Which rides a plan leaves out, and why: day by day, what stood in the way of the
//! attempt that came furthest.

use serde::Serialize;
use uuid::Uuid;

use super::instance::{STEP_MIN, WeekHorse, WeekInstance, WeekRider};
use super::obstacle::{DayObstacle, Obstacle};
use super::planned::PlannedRide;
use super::score::heat_allows;
use super::work::{Work, WorkKind};
use crate::person::RideNeeds;
use crate::week::BookingKind;

/// A horse that gets fewer rides than its program wants.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LeftOutRide {
    /// The horse.
    pub horse_id: Uuid,
    /// Its name.
    pub name: String,
    /// Rides that are wanted.
    pub wanted: u8,
    /// Rides it gets.
    pub given: u8,
    /// What stood in the way on each day it is not ridden.
    pub days: Vec<DayObstacle>,
    /// The same in sentences.
    pub why: Vec<String>,
}

/// The horses that get fewer rides than wanted, the shortest first.
pub fn left_out(instance: &WeekInstance, rides: &[PlannedRide]) -> Vec<LeftOutRide> {
    let mut found: Vec<LeftOutRide> = Vec::new();
    for horse in &instance.horses {
        let own = rides.iter().filter(|one| one.horse_id == horse.horse_id);
        let given = own.count().min(usize::from(u8::MAX)) as u8;
        if given >= horse.wanted {
            continue;
        }
        let attempt = Attempt {
            instance,
            rides,
            horse,
        };
        let days: Vec<DayObstacle> = (0..instance.days.len() as u8)
            .map(|day| DayObstacle {
                day,
                obstacle: attempt.on(day),
            })
            .filter(|one| one.obstacle != Obstacle::RiddenThatDay)
            .collect();
        found.push(LeftOutRide {
            horse_id: horse.horse_id,
            name: horse.name.clone(),
            wanted: horse.wanted,
            given,
            why: super::words::why(instance, horse, &days),
            days,
        });
    }
    found.sort_by_key(|one| std::cmp::Reverse(one.wanted - one.given));
    found
}

struct Attempt<'a> {
    instance: &'a WeekInstance,
    rides: &'a [PlannedRide],
    horse: &'a WeekHorse,
}

impl Attempt<'_> {
    /// What stands in the way of one more ride on a day.
    fn on(&self, day: u8) -> Obstacle {
        let horse = self.horse;
        if horse.check_first {
            return Obstacle::CheckFirst;
        }
        if horse.days_off.contains(&day) {
            return Obstacle::HorseOff;
        }
        let own = || {
            self.rides
                .iter()
                .filter(|one| one.horse_id == horse.horse_id)
        };
        let that_day = own().filter(|one| one.day == day).count();
        if that_day >= usize::from(horse.most_rides_a_day) {
            return Obstacle::RiddenThatDay;
        }
        let mut days: Vec<u8> = own().map(|one| one.day).collect();
        days.sort_unstable();
        days.dedup();
        if that_day == 0 && days.len() >= usize::from(horse.most_days) {
            return Obstacle::DayOff;
        }
        let works = horse.works.iter().enumerate();
        let furthest = works.map(|(number, work)| self.work_on(day, number as u8, work));
        furthest.max().unwrap_or(Obstacle::NoWork)
    }

    fn work_on(&self, day: u8, number: u8, work: &Work) -> Obstacle {
        let horse = self.horse;
        let own = self
            .rides
            .iter()
            .filter(|one| one.horse_id == horse.horse_id);
        if own.filter(|one| one.work == number).count() >= usize::from(work.at_most) {
            return Obstacle::TooOften;
        }
        if let Some(obstacle) = self.no_works_left(day, work) {
            return obstacle;
        }
        let hard_before = day == 0 && horse.hard_before;
        let mut hard_days = self.instance.hard_days(self.rides, horse.horse_id);
        let hard_next = hard_days.any(|other| self.instance.are_next(day, other));
        if work.kind.is_hard() && (hard_before || hard_next) {
            return Obstacle::HardDays;
        }
        let cleared = self.instance.riders.iter().filter(|rider| {
            let needs = RideNeeds {
                person_id: rider.person_id,
                horse_id: horse.horse_id,
                rig: horse.rig,
                cattle: work.kind == WorkKind::Cattle,
                first_rides: horse.first_rides,
                quiet_hands: horse.quiet_hands,
                only_riders: horse.only_riders.as_deref(),
            };
            rider.on(day).is_some() && rider.clearance.stops(rider.role, &needs).is_empty()
        });
        let mut furthest = Obstacle::NobodyCleared;
        for rider in cleared {
            furthest = furthest.max(self.by(day, number, work, rider));
        }
        furthest
    }

    fn no_works_left(&self, day: u8, work: &Work) -> Option<Obstacle> {
        let lots = &self.instance.cattle;
        let lot = lots.iter().find(|lot| Some(lot.lot_id) == work.lot_id)?;
        let on_lot = |one: &&PlannedRide| {
            let other = self.instance.work(one);
            other.is_some_and(|other| {
                other.kind == WorkKind::Cattle && other.lot_id == Some(lot.lot_id)
            })
        };
        let all = self.rides.iter().filter(on_lot).count();
        if all >= usize::from(lot.works_left) {
            return Some(Obstacle::WorksLeft);
        }
        let of_day = self.rides.iter().filter(on_lot);
        let of_day = of_day.filter(|one| one.day == day).count();
        lot.works_a_day
            .is_some_and(|most| of_day >= usize::from(most))
            .then_some(Obstacle::WorksLeftThatDay)
    }

    fn by(&self, day: u8, number: u8, work: &Work, rider: &WeekRider) -> Obstacle {
        let Some(hours) = rider.on(day) else {
            return Obstacle::NobodyCleared;
        };
        let of_rider = self
            .rides
            .iter()
            .filter(|one| one.day == day && one.person_id == rider.person_id);
        if of_rider.count() >= usize::from(hours.most_horses) {
            return Obstacle::MostHorses;
        }
        let first = self.instance.days[usize::from(day)].not_before_min;
        let first = hours.from_min.max(first).div_ceil(STEP_MIN) * STEP_MIN;
        let mut furthest = Obstacle::NoTime;
        let mut any_cool = false;
        let mut from_min = first;
        while from_min + work.minutes <= hours.to_min {
            for place_id in &work.place_ids {
                let ride = PlannedRide {
                    day,
                    from_min,
                    horse_id: self.horse.horse_id,
                    work: number,
                    person_id: rider.person_id,
                    place_id: *place_id,
                };
                if heat_allows(self.instance, &ride) {
                    any_cool = true;
                    furthest = furthest.max(self.at(&ride, rider));
                }
            }
            from_min += STEP_MIN;
        }
        if any_cool || furthest > Obstacle::NoTime {
            furthest
        } else if first + work.minutes <= hours.to_min {
            Obstacle::TooHot
        } else {
            Obstacle::NoTime
        }
    }

    fn at(&self, ride: &PlannedRide, rider: &WeekRider) -> Obstacle {
        let (from, to) = (ride.from_min, self.instance.to_min(ride));
        let meets = |a: u16, b: u16| a < to && from < b;
        let of_day = || self.rides.iter().filter(|one| one.day == ride.day);
        let fixed = || self.instance.fixed.iter().filter(|one| one.day == ride.day);
        let taken = |person_id: Uuid| {
            of_day().any(|one| {
                one.person_id == person_id && meets(one.from_min, self.instance.to_min(one))
            }) || fixed().any(|one| {
                one.booking.person_id == Some(person_id)
                    && meets(one.booking.from_min, one.booking.to_min())
            })
        };
        let busy = rider.busy.iter();
        let mut busy = busy.filter(|one| one.day == ride.day);
        let horse_taken = fixed().any(|one| {
            one.booking.horse_id == Some(ride.horse_id)
                && meets(one.booking.from_min, one.booking.to_min())
        }) || of_day().any(|one| {
            one.horse_id == ride.horse_id && meets(one.from_min, self.instance.to_min(one))
        });
        if horse_taken || taken(rider.person_id) || busy.any(|one| meets(one.from_min, one.to_min))
        {
            return Obstacle::NoTime;
        }
        if !self.has_room(ride, from, to) {
            return Obstacle::NoPlace;
        }
        let needs_somebody =
            self.horse.first_rides || self.instance.work(ride).is_some_and(|work| work.helper);
        let stands_by = self.instance.riders.iter().any(|other| {
            other.person_id != rider.person_id
                && other.role.records()
                && other
                    .on(ride.day)
                    .is_some_and(|hours| hours.from_min <= from && to <= hours.to_min)
                && !taken(other.person_id)
        });
        if needs_somebody && !stands_by {
            return Obstacle::NobodyBy;
        }
        Obstacle::NotWorth
    }

    fn has_room(&self, ride: &PlannedRide, from: u16, to: u16) -> bool {
        let Some(place) = self.instance.place(ride.place_id) else {
            return false;
        };
        if place.opens_min.is_some_and(|opens| from < opens)
            || place.closes_min.is_some_and(|closes| to > closes)
        {
            return false;
        }
        let booked = self.instance.day(self.rides, ride.day).bookings;
        let there: Vec<_> = booked
            .iter()
            .filter(|one| one.place_id == Some(ride.place_id))
            .filter(|one| one.from_min < to && from < one.to_min())
            .collect();
        if there
            .iter()
            .any(|one| one.kind == BookingKind::GroundDragged)
        {
            return false;
        }
        let with_horse = || there.iter().filter(|one| one.horse_id.is_some());
        let starts = with_horse().map(|one| one.from_min.max(from));
        starts.chain([from]).all(|at| {
            let at_once = with_horse().filter(|one| one.from_min <= at && at < one.to_min());
            at_once.count() < usize::from(place.horses_at_once)
        })
    }
}
