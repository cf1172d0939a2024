//! A plan under way: what is taken, what a further ride would add, and whether it fits.

use cavesson_core::week::plan::instance::STEP_MIN;
use cavesson_core::week::plan::score::{counts_for_spread, is_dense};
use cavesson_core::week::plan::stretches::STILL_READY_MIN;
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};

use crate::options::{Choice, SLOT_MIN};

/// Slots of a day.
const SLOTS: usize = (24 * 60 / SLOT_MIN) as usize;

/// Steps of the grid as bits.
type Steps = u128;

/// A plan under way.
#[derive(Clone)]
pub struct Room<'a> {
    instance: &'a WeekInstance,
    /// Rides put in, beside those that stay.
    pub rides: Vec<Choice>,
    /// What they add to those that stay.
    pub worth: f64,
    riders: Vec<[Steps; 7]>,
    /// Booked elsewhere, so that they cannot stand by.
    booked: Vec<[Steps; 7]>,
    ridden_by: Vec<[u8; 7]>,
    horses: Vec<[Steps; 7]>,
    rides_of: Vec<[u8; 7]>,
    works_of: Vec<[u8; 8]>,
    hard_of: Vec<[u8; 7]>,
    given: Vec<u8>,
    places: Vec<Vec<u8>>,
    lots: Vec<[u16; 7]>,
    lot_of: Vec<Vec<Option<usize>>>,
    made_ready: Vec<[Vec<Span>; 2]>,
    late: Vec<Vec<u16>>,
    /// Rides that need somebody by: day, from, to, rider.
    with_helper: Vec<(u8, u16, u16, usize)>,
}

type Span = (u16, u16);

/// The steps a stretch of minutes touches.
fn mask(from_min: u16, to_min: u16) -> Steps {
    let (from, to) = (from_min / STEP_MIN, to_min.div_ceil(STEP_MIN).min(96));
    let below = |step: u16| (1u128 << step) - 1;
    below(to) & !below(from)
}

impl<'a> Room<'a> {
    /// With the rides that stay.
    pub fn new(instance: &'a WeekInstance, stay: &[PlannedRide]) -> Room<'a> {
        let (riders, horses) = (instance.riders.len(), instance.horses.len());
        let days = instance.days.len();
        let mut room = Room {
            instance,
            rides: Vec::new(),
            worth: 0.0,
            riders: vec![[0; 7]; riders],
            booked: vec![[0; 7]; riders],
            ridden_by: vec![[0; 7]; riders],
            horses: vec![[0; 7]; horses],
            rides_of: vec![[0; 7]; horses],
            works_of: vec![[0; 8]; horses],
            hard_of: vec![[0; 7]; horses],
            given: vec![0; horses],
            places: vec![vec![0; SLOTS]; instance.places.len() * days],
            lots: vec![[0; 7]; instance.cattle.len()],
            lot_of: instance
                .horses
                .iter()
                .map(|horse| {
                    let works = horse.works.iter();
                    works
                        .map(|work| {
                            let is_lot = work.kind == WorkKind::Cattle;
                            let mut lots = instance.cattle.iter();
                            lots.position(|lot| is_lot && Some(lot.lot_id) == work.lot_id)
                        })
                        .collect()
                })
                .collect(),
            made_ready: vec![Default::default(); instance.places.len() * days],
            late: vec![Vec::new(); riders * days],
            with_helper: Vec::new(),
        };
        for one in &instance.fixed {
            let day = usize::from(one.day);
            let steps = mask(one.booking.from_min, one.booking.to_min());
            let person = one.booking.person_id;
            if let Some(rider) = instance
                .riders
                .iter()
                .position(|r| Some(r.person_id) == person)
            {
                room.booked[rider][day] |= steps;
            }
            let place_id = one.booking.place_id;
            let place = instance
                .places
                .iter()
                .position(|p| Some(p.place_id) == place_id);
            if let Some(place) = place.filter(|_| one.booking.horse_id.is_some()) {
                let from = usize::from(one.booking.from_min / SLOT_MIN);
                let to = usize::from(one.booking.to_min().div_ceil(SLOT_MIN)).min(SLOTS);
                for there in &mut room.places[place * days + day][from.min(to)..to] {
                    *there += 1;
                }
            }
            let horse_id = one.booking.horse_id;
            let horse = instance
                .horses
                .iter()
                .position(|h| Some(h.horse_id) == horse_id);
            if let Some(horse) = horse.filter(|_| one.booking.is_hard()) {
                room.hard_of[horse][day] += 1;
            }
        }
        for ride in stay {
            if let Some(choice) = as_choice(instance, ride) {
                room.change(&choice, true);
            }
        }
        room
    }

    fn place_day(&self, one: &Choice) -> usize {
        one.place * self.instance.days.len() + usize::from(one.ride.day)
    }

    fn rider_day(&self, one: &Choice) -> usize {
        one.rider * self.instance.days.len() + usize::from(one.ride.day)
    }

    /// Puts a ride in.
    pub fn put(&mut self, one: Choice) {
        self.worth += self.adds(&one);
        self.change(&one, true);
        self.rides.push(one);
    }

    /// Takes the ride at `index` out.
    pub fn take(&mut self, index: usize) -> Choice {
        let one = self.rides.swap_remove(index);
        self.change(&one, false);
        self.worth -= self.adds(&one);
        one
    }

    fn change(&mut self, one: &Choice, put: bool) {
        let day = usize::from(one.ride.day);
        let work = one.work(self.instance);
        let steps = mask(one.ride.from_min, one.to_min);
        let count = |value: &mut u8| {
            *value = if put { *value + 1 } else { *value - 1 };
        };
        if put {
            self.riders[one.rider][day] |= steps;
            self.horses[one.horse][day] |= steps;
        } else {
            self.riders[one.rider][day] &= !steps;
            self.horses[one.horse][day] &= !steps;
        }
        count(&mut self.ridden_by[one.rider][day]);
        count(&mut self.rides_of[one.horse][day]);
        count(&mut self.works_of[one.horse][usize::from(one.ride.work)]);
        count(&mut self.given[one.horse]);
        if work.kind.is_hard() {
            count(&mut self.hard_of[one.horse][day]);
        }
        let place_day = self.place_day(one);
        for slot in one.slots() {
            count(&mut self.places[place_day][usize::from(slot)]);
        }
        if let Some(lot) = self.lot_of[one.horse][usize::from(one.ride.work)] {
            let works = &mut self.lots[lot][day];
            *works = if put { *works + 1 } else { *works - 1 };
        }
        let span = (one.ride.from_min, one.to_min);
        if let Some(kind) = ready_kind(work.kind) {
            keep(&mut self.made_ready[place_day][kind], span, put);
        }
        let rider_day = self.rider_day(one);
        keep(&mut self.late[rider_day], one.to_min, put);
        if self.instance.horses[one.horse].first_rides || work.helper {
            let helper = (one.ride.day, one.ride.from_min, one.to_min, one.rider);
            keep(&mut self.with_helper, helper, put);
        }
    }

    /// Whether a ride can be put in.
    pub fn fits(&self, one: &Choice) -> bool {
        let instance = self.instance;
        let (horse, day) = (one.horse, usize::from(one.ride.day));
        let sheet = &instance.horses[horse];
        let steps = mask(one.ride.from_min, one.to_min);
        if self.riders[one.rider][day] & steps != 0
            || self.horses[horse][day] & steps != 0
            || self.rides_of[horse][day] >= sheet.most_rides_a_day
            || self.given[horse] >= sheet.wanted
        {
            return false;
        }
        let work = one.work(instance);
        if self.works_of[horse][usize::from(one.ride.work)] >= work.at_most {
            return false;
        }
        let days = self.rides_of[horse].iter().filter(|rides| **rides > 0);
        if self.rides_of[horse][day] == 0 && days.count() >= usize::from(sheet.most_days) {
            return false;
        }
        let hours = instance.riders[one.rider].on(one.ride.day);
        if hours.is_none_or(|hours| self.ridden_by[one.rider][day] >= hours.most_horses) {
            return false;
        }
        if work.kind.is_hard() {
            let hard = |other: usize| {
                self.hard_of[horse].get(other).is_some_and(|hard| *hard > 0)
                    && instance.are_next(day as u8, other as u8)
            };
            if (day > 0 && hard(day - 1)) || hard(day + 1) {
                return false;
            }
        }
        if let Some(lot) = self.lot_of[horse][usize::from(one.ride.work)] {
            let sheet = &instance.cattle[lot];
            let all: u16 = self.lots[lot].iter().sum();
            if all >= sheet.works_left
                || sheet
                    .works_a_day
                    .is_some_and(|most| self.lots[lot][day] >= most)
            {
                return false;
            }
        }
        let most = instance.places[one.place].horses_at_once;
        let there = &self.places[self.place_day(one)];
        if one.slots().any(|slot| there[usize::from(slot)] >= most) {
            return false;
        }
        self.somebody_by(one, steps)
    }

    /// Somebody stands by where that is needed, for this ride and for those that need it: one
    /// helper a ride. More helpers than rides at once are always enough to give each its own.
    fn somebody_by(&self, one: &Choice, steps: Steps) -> bool {
        let needs = self.instance.horses[one.horse].first_rides || one.work(self.instance).helper;
        let day = usize::from(one.ride.day);
        let at_once = |steps: Steps| {
            let of_day = self
                .with_helper
                .iter()
                .filter(|of| usize::from(of.0) == day);
            of_day.filter(|of| mask(of.1, of.2) & steps != 0).count()
        };
        let span = (one.ride.from_min, one.to_min);
        if needs && self.who_are_by(one.ride.day, span, one.rider, None) <= at_once(steps) {
            return false;
        }
        self.with_helper.iter().all(|(of, from, to, rider)| {
            let other = mask(*from, *to);
            if usize::from(*of) != day || other & steps == 0 {
                return true;
            }
            let needing = at_once(other) + usize::from(needs);
            self.who_are_by(*of, (*from, *to), *rider, Some(one.rider)) >= needing
        })
    }

    /// How many other than the rider, and not `without`, are there and on no horse.
    fn who_are_by(&self, day: u8, (from, to): Span, rider: usize, without: Option<usize>) -> usize {
        let steps = mask(from, to);
        let of = usize::from(day);
        let people = self.instance.riders.iter().enumerate();
        let by = people.filter(|(other, person)| {
            *other != rider
                && Some(*other) != without
                && person.role.records()
                && person
                    .on(day)
                    .is_some_and(|hours| hours.from_min <= from && to <= hours.to_min)
                && (self.riders[*other][of] | self.booked[*other][of]) & steps == 0
        });
        by.count()
    }

    /// What a ride adds to the plan.
    pub fn adds(&self, one: &Choice) -> f64 {
        let instance = self.instance;
        let weights = &instance.weights;
        let horse = &instance.horses[one.horse];
        let day = usize::from(one.ride.day);
        let mut adds = one.worth + horse.ride_worth(self.given[one.horse], weights);
        if self.rides_of[one.horse][day] == 0 && weights.spread > 0.0 {
            adds += self.spread_added(one.horse, day);
        }
        if let Some(kind) = ready_kind(one.work(instance).kind) {
            let weight = if kind == 0 {
                weights.herd
            } else {
                weights.barrels
            };
            let spans = &self.made_ready[self.place_day(one)][kind];
            let before = count_stretches(spans, None);
            let after = count_stretches(spans, Some((one.ride.from_min, one.to_min)));
            adds -= weight * (f64::from(after) - f64::from(before));
        }
        if let Some(home_by) = instance.riders[one.rider].home_by_min {
            let quarters = |to: u16| f64::from(to.saturating_sub(home_by).div_ceil(15));
            let ends = &self.late[self.rider_day(one)];
            let last = ends.iter().copied().max().unwrap_or(0);
            adds -= weights.home * (quarters(one.to_min) - quarters(last)).max(0.0);
        }
        adds
    }

    fn spread_added(&self, horse: usize, day: usize) -> f64 {
        let instance = self.instance;
        let sheet = &instance.horses[horse];
        let dense = is_dense(instance, sheet);
        let mut added = 0.0;
        let pairs = [(day.wrapping_sub(1), day), (day, day + 1)];
        for (one, other) in pairs {
            if one >= instance.days.len() || other >= instance.days.len() {
                continue;
            }
            if !counts_for_spread(instance, sheet, one as u8, other as u8) {
                continue;
            }
            let beside = if one == day { other } else { one };
            let ridden = self.rides_of[horse][beside] > 0;
            // Two idle days no more; or two ridden ones.
            if dense && !ridden {
                added += instance.weights.spread;
            } else if !dense && ridden {
                added -= instance.weights.spread;
            }
        }
        added
    }

    /// What a ride is for.
    pub fn kind(&self, one: &Choice) -> WorkKind {
        one.work(self.instance).kind
    }

    /// Days of the week.
    pub fn days(&self) -> u8 {
        self.instance.days.len() as u8
    }

    /// Whether a horse is short of rides.
    pub fn is_short(&self, horse: usize) -> bool {
        self.given[horse] < self.instance.horses[horse].wanted
    }
}

/// Only cattle and patterns have a place made ready.
fn ready_kind(kind: WorkKind) -> Option<usize> {
    match kind {
        WorkKind::Cattle => Some(0),
        WorkKind::Pattern => Some(1),
        WorkKind::Ride | WorkKind::Outing => None,
    }
}

fn keep<T: PartialEq>(list: &mut Vec<T>, one: T, put: bool) {
    if put {
        list.push(one);
    } else if let Some(at) = list.iter().position(|other| *other == one) {
        list.swap_remove(at);
    }
}

fn count_stretches(spans: &[Span], with: Option<Span>) -> u32 {
    let mut spans: Vec<Span> = spans.iter().copied().chain(with).collect();
    spans.sort_unstable();
    let (mut until, mut count) = (None, 0);
    for (from, to) in spans {
        if until.is_none_or(|until: u16| from > until + STILL_READY_MIN) {
            count += 1;
        }
        until = Some(until.unwrap_or(0).max(to));
    }
    count
}

fn as_choice(instance: &WeekInstance, ride: &PlannedRide) -> Option<Choice> {
    let horse = |one: &cavesson_core::week::plan::WeekHorse| one.horse_id == ride.horse_id;
    Some(Choice {
        ride: *ride,
        horse: instance.horses.iter().position(horse)?,
        rider: instance
            .riders
            .iter()
            .position(|one| one.person_id == ride.person_id)?,
        place: instance
            .places
            .iter()
            .position(|one| one.place_id == ride.place_id)?,
        to_min: instance.to_min(ride),
        worth: 0.0,
    })
}
