//! First step: who rides what on which day, with whom, in which part of the day. Times are
//! parts of a day and places are sums of room, so that every plan that keeps the rules fits
//! in it: its bound holds for any plan.

use std::collections::{BTreeMap, BTreeSet};

use cavesson_core::week::plan::instance::STEP_MIN;
use cavesson_core::week::plan::score::{counts_for_spread, is_dense};
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};

use crate::milp::{Column, Model, Until};
use crate::options::{Choice, is_free, there_at};

/// Steps of the grid in a day.
const STEPS: u16 = 24 * 60 / STEP_MIN;
/// Rides in parts of a day that the first step takes: the more parts, the nearer its bound.
const MOST_GROUPS: usize = 2000;
/// In how many parts a day may be cut.
const CUTS: [u16; 7] = [24, 12, 8, 6, 4, 3, 2];

/// Where the parts of a day begin, in minutes from midnight.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Parts(Vec<u16>);

impl Parts {
    /// As many as leave a model that is solved soon.
    pub fn of(choices: &[Choice]) -> Parts {
        let begins = choices.iter().map(|one| one.ride.from_min);
        let (Some(first), Some(last)) = (begins.clone().min(), begins.max()) else {
            return Parts(vec![0]);
        };
        let cut = |many: u16| {
            let long = (last - first).div_ceil(STEP_MIN).div_ceil(many).max(1) * STEP_MIN;
            let later = (1..many).map(|part| first + part * long);
            Parts(
                [0].into_iter()
                    .chain(later.filter(|begins| *begins <= last))
                    .collect(),
            )
        };
        let few = |parts: &Parts| {
            let groups: BTreeSet<Group> = choices.iter().map(|one| parts.group(one)).collect();
            groups.len() <= MOST_GROUPS
        };
        CUTS.into_iter()
            .map(cut)
            .find(few)
            .unwrap_or(Parts(vec![0]))
    }

    /// The group of a choice.
    pub fn group(&self, one: &Choice) -> Group {
        Group {
            horse: one.horse,
            work: one.ride.work,
            day: one.ride.day,
            rider: one.rider,
            part: self
                .0
                .partition_point(|begins| *begins <= one.ride.from_min)
                - 1,
        }
    }
}

/// A ride in a part of a day.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord)]
pub struct Group {
    /// The horse's number.
    pub horse: usize,
    /// Which of its works.
    pub work: u8,
    /// The day.
    pub day: u8,
    /// The rider's number.
    pub rider: usize,
    /// The part of the day it begins in.
    pub part: usize,
}

/// What the first step came to.
#[derive(Debug, Clone)]
pub struct FirstStep {
    /// The rides; none when the time was up before there were any.
    pub groups: Vec<Group>,
    /// No plan adds more to the rides that stay.
    pub bound: f64,
}

struct Sum {
    column: Column,
    steps: f64,
    quarters: f64,
}

/// Finds the best days and riders.
pub fn first_step(
    instance: &WeekInstance,
    stay: &[PlannedRide],
    choices: &[Choice],
    until: Until,
) -> Option<FirstStep> {
    let parts = Parts::of(choices);
    let mut best: BTreeMap<Group, (f64, u16, f64)> = BTreeMap::new();
    for one in choices {
        let entry = best
            .entry(parts.group(one))
            .or_insert((f64::MIN, 0, f64::MAX));
        let home_by = instance.riders[one.rider].home_by_min.unwrap_or(u16::MAX);
        let quarters = f64::from(one.to_min.saturating_sub(home_by).div_ceil(15));
        entry.0 = entry.0.max(one.worth);
        entry.1 = one.steps().len() as u16;
        entry.2 = entry.2.min(quarters);
    }
    let mut model = Model::default();
    let groups: BTreeMap<Group, Sum> = best
        .into_iter()
        .map(|(group, (worth, steps, quarters))| {
            let sum = Sum {
                column: model.yes_or_no(worth),
                steps: f64::from(steps),
                quarters,
            };
            (group, sum)
        })
        .collect();
    let mut step = Step {
        instance,
        stay,
        groups,
        model,
        parts,
    };
    step.horses();
    step.lots();
    step.riders();
    step.places();
    step.made_ready(WorkKind::Cattle, instance.weights.herd);
    step.made_ready(WorkKind::Pattern, instance.weights.barrels);
    let found = step.model.solve(until, &[])?;

    let taken = |sum: &Sum| {
        let values = found.values.as_ref();
        values.is_some_and(|values| values[sum.column.index] > 0.5)
    };
    Some(FirstStep {
        groups: step
            .groups
            .iter()
            .filter(|(_, sum)| taken(sum))
            .map(|(group, _)| *group)
            .collect(),
        bound: found.bound,
    })
}

struct Step<'a> {
    instance: &'a WeekInstance,
    stay: &'a [PlannedRide],
    groups: BTreeMap<Group, Sum>,
    model: Model,
    parts: Parts,
}

impl Step<'_> {
    fn of(&self, is: impl Fn(&Group) -> bool) -> Vec<(f64, Column)> {
        let groups = self.groups.iter().filter(|(group, _)| is(group));
        groups.map(|(_, sum)| (1.0, sum.column)).collect()
    }

    fn kind(&self, group: &Group) -> WorkKind {
        self.instance.horses[group.horse].works[usize::from(group.work)].kind
    }

    fn horses(&mut self) {
        let instance = self.instance;
        let days = instance.days.len() as u8;
        for (number, horse) in instance.horses.iter().enumerate() {
            let all = self.of(|one| one.horse == number);
            if all.is_empty() {
                continue;
            }
            let stays: Vec<&PlannedRide> = self
                .stay
                .iter()
                .filter(|one| one.horse_id == horse.horse_id)
                .collect();
            let given = stays.len();
            let mut sum: Vec<_> = all.iter().map(|(_, one)| (-1.0, *one)).collect();
            for nth in given..usize::from(horse.wanted) {
                let worth = horse.ride_worth(nth as u8, &instance.weights);
                sum.push((1.0, self.model.amount(1.0, worth)));
            }
            self.model.at_most(sum, 0.0);
            let left = usize::from(horse.wanted).saturating_sub(given);
            self.model.at_most(all, left as f64);
            for (work, one) in horse.works.iter().enumerate() {
                let done = stays
                    .iter()
                    .filter(|ride| usize::from(ride.work) == work)
                    .count();
                let parts = self.of(|one| one.horse == number && usize::from(one.work) == work);
                let most = usize::from(one.at_most).saturating_sub(done);
                self.model.at_most(parts, most as f64);
            }
            let mut days_stay: Vec<u8> = stays.iter().map(|one| one.day).collect();
            days_stay.sort_unstable();
            days_stay.dedup();
            let mut on: Vec<Vec<(f64, Column)>> = Vec::new();
            for day in 0..days {
                let parts = self.of(|one| one.horse == number && one.day == day);
                let stay = stays.iter().filter(|one| one.day == day).count();
                let most = usize::from(horse.most_rides_a_day).saturating_sub(stay);
                self.model.at_most(parts.clone(), most as f64);
                let ridden = if horse.most_rides_a_day > 1 && !parts.is_empty() {
                    let ridden = self.model.yes_or_no(0.0);
                    for part in &parts {
                        self.model.at_most(vec![*part, (-1.0, ridden)], 0.0);
                    }
                    let mut not_more: Vec<_> = parts.iter().map(|(_, one)| (-1.0, *one)).collect();
                    not_more.push((1.0, ridden));
                    self.model.at_most(not_more, 0.0);
                    vec![(1.0, ridden)]
                } else {
                    parts
                };
                on.push(ridden);
                if day > 0 && instance.are_next(day - 1, day) && horse.most_rides_a_day == 1 {
                    let hard = self.of(|one| {
                        one.horse == number
                            && (one.day == day || one.day == day - 1)
                            && self.kind(one).is_hard()
                    });
                    self.model.at_most(hard, 1.0);
                }
            }
            let new_days: Vec<(f64, Column)> = (0..days)
                .filter(|day| !days_stay.contains(day))
                .flat_map(|day| on[usize::from(day)].clone())
                .collect();
            let left = usize::from(horse.most_days).saturating_sub(days_stay.len());
            self.model.at_most(new_days, left as f64);
            self.spread(number, &on, &days_stay);
        }
    }

    fn spread(&mut self, number: usize, on: &[Vec<(f64, Column)>], days_stay: &[u8]) {
        let instance = self.instance;
        let horse = &instance.horses[number];
        let dense = is_dense(instance, horse);
        for day in 1..instance.days.len() as u8 {
            if !counts_for_spread(instance, horse, day - 1, day) || instance.weights.spread == 0.0 {
                continue;
            }
            let mut parts: Vec<(f64, Column)> = Vec::new();
            let mut ridden = 0.0;
            for of in [day - 1, day] {
                if days_stay.contains(&of) {
                    ridden += 1.0;
                } else {
                    parts.extend(on[usize::from(of)].iter().copied());
                }
            }
            let unspread = self.model.amount(1.0, -instance.weights.spread);
            if dense {
                let mut row: Vec<_> = parts.iter().map(|(times, one)| (-times, *one)).collect();
                row.push((-1.0, unspread));
                self.model.at_most(row, ridden - 1.0);
            } else {
                parts.push((-1.0, unspread));
                self.model.at_most(parts, 1.0 - ridden);
            }
        }
    }

    fn lots(&mut self) {
        let instance = self.instance;
        for lot in &instance.cattle {
            let is_on = |group: &Group| {
                let work = &instance.horses[group.horse].works[usize::from(group.work)];
                work.kind == WorkKind::Cattle && work.lot_id == Some(lot.lot_id)
            };
            let stays: Vec<u8> = self
                .stay
                .iter()
                .filter(|one| {
                    instance.work(one).is_some_and(|work| {
                        work.kind == WorkKind::Cattle && work.lot_id == Some(lot.lot_id)
                    })
                })
                .map(|one| one.day)
                .collect();
            let left = f64::from(lot.works_left) - stays.len() as f64;
            let all = self.of(is_on);
            self.model.at_most(all, left.max(0.0));
            for day in 0..instance.days.len() as u8 {
                let Some(most) = lot.works_a_day else { break };
                let stay = stays.iter().filter(|one| **one == day).count() as f64;
                let of_day = self.of(|one| one.day == day && is_on(one));
                self.model
                    .at_most(of_day, (f64::from(most) - stay).max(0.0));
            }
        }
    }

    fn riders(&mut self) {
        let instance = self.instance;
        for (number, rider) in instance.riders.iter().enumerate() {
            for hours in &rider.days {
                let day = hours.day;
                let is = |one: &Group| one.rider == number && one.day == day;
                let parts = self.of(is);
                if parts.is_empty() {
                    continue;
                }
                let stay = self
                    .stay
                    .iter()
                    .filter(|one| one.day == day && one.person_id == rider.person_id);
                let stay: Vec<&PlannedRide> = stay.collect();
                let left = f64::from(hours.most_horses) - stay.len() as f64;
                self.model.at_most(parts, left.max(0.0));
                let free: Vec<bool> = (0..STEPS)
                    .map(|step| {
                        let from = step * STEP_MIN;
                        let inside =
                            hours.from_min.div_ceil(STEP_MIN) <= step && from < hours.to_min;
                        inside && is_free(instance, self.stay, rider, day, from, from + STEP_MIN)
                    })
                    .collect();
                self.room(
                    &is,
                    &|step| f64::from(u8::from(free[usize::from(step)])),
                    1.0,
                );
                self.home(number, day, &free, &stay);
            }
        }
    }

    /// Whoever rides longer than there is time until home comes home late.
    fn home(&mut self, number: usize, day: u8, free: &[bool], stay: &[&PlannedRide]) {
        let instance = self.instance;
        let Some(home_by) = instance.riders[number].home_by_min else {
            return;
        };
        let late = |to: u16| f64::from(to.saturating_sub(home_by).div_ceil(15));
        let already = stay.iter().map(|one| late(instance.to_min(one)));
        let already = already.fold(0.0, f64::max);
        let over = self.model.amount(96.0, -instance.weights.home);
        let before_home =
            (0..STEPS).filter(|step| free[usize::from(*step)] && step * STEP_MIN < home_by);
        let before_home = before_home.count() as f64 + already * 15.0 / f64::from(STEP_MIN);
        let mut all: Vec<(f64, Column)> = Vec::new();
        let mut rows = Vec::new();
        for (group, sum) in &self.groups {
            if group.rider == number && group.day == day {
                all.push((sum.steps, sum.column));
                if sum.quarters > already {
                    rows.push(vec![(sum.quarters - already, sum.column), (-1.0, over)]);
                }
            }
        }
        for row in rows {
            self.model.at_most(row, 0.0);
        }
        all.push((-15.0 / f64::from(STEP_MIN), over));
        self.model.at_most(all, before_home);
    }

    /// What begins in a part of the day or later has to fit in what is left of the day;
    /// what begins in it or earlier in what has passed, and what lasts beyond.
    fn room(&mut self, is: &dyn Fn(&Group) -> bool, at: &dyn Fn(u16) -> f64, at_once: f64) {
        let longest = self
            .groups
            .iter()
            .filter(|(group, _)| is(group))
            .map(|(_, sum)| sum.steps)
            .fold(0.0, f64::max);
        let cuts = self.parts.0.clone();
        let begins = |part: usize| cuts.get(part).map_or(STEPS, |begins| begins / STEP_MIN);
        let free = |from: u16, to: u16| (from..to).map(at).sum::<f64>();
        for first in 0..cuts.len() {
            for last in first..cuts.len() {
                // Rows of every stretch are strong, and many: of long cuts all, of short
                // ones those to an end of the day.
                if cuts.len() > 8 && first > 0 && last + 1 < cuts.len() && last > first + 1 {
                    continue;
                }
                let parts: Vec<(f64, Column)> = self
                    .groups
                    .iter()
                    .filter(|(group, _)| is(group) && (first..=last).contains(&group.part))
                    .map(|(_, sum)| (sum.steps, sum.column))
                    .collect();
                let beyond = if last + 1 == cuts.len() {
                    0.0
                } else {
                    at_once * (longest - 1.0).max(0.0)
                };
                let limit = free(begins(first), begins(last + 1)) + beyond;
                let most: f64 = parts.iter().map(|(steps, _)| steps).sum();
                if most > limit {
                    self.model.at_most(parts, limit);
                }
            }
        }
    }

    /// Work that fits in these places only shares their room.
    fn places(&mut self) {
        let instance = self.instance;
        let mut sets: Vec<Vec<usize>> = Vec::new();
        for horse in &instance.horses {
            for work in &horse.works {
                let set = self.set_of(&work.place_ids);
                if !sets.contains(&set) {
                    sets.push(set);
                }
            }
        }
        for set in &sets {
            let at_once = set
                .iter()
                .map(|place| f64::from(instance.places[*place].horses_at_once))
                .sum::<f64>();
            for day in 0..instance.days.len() as u8 {
                let within: Vec<Group> = self
                    .groups
                    .keys()
                    .filter(|group| {
                        let work = &instance.horses[group.horse].works[usize::from(group.work)];
                        group.day == day
                            && self
                                .set_of(&work.place_ids)
                                .iter()
                                .all(|one| set.contains(one))
                    })
                    .copied()
                    .collect();
                let at: Vec<f64> = (0..STEPS)
                    .map(|step| {
                        let each = set.iter().map(|place| self.room_at(*place, day, step));
                        each.sum::<f64>()
                    })
                    .collect();
                self.room(
                    &|group| within.binary_search(group).is_ok(),
                    &|step| at[usize::from(step)],
                    at_once,
                );
            }
        }
    }

    fn set_of(&self, place_ids: &[uuid::Uuid]) -> Vec<usize> {
        let places = self.instance.places.iter().enumerate();
        places
            .filter(|(_, place)| place_ids.contains(&place.place_id))
            .map(|(number, _)| number)
            .collect()
    }

    fn room_at(&self, place: usize, day: u8, step: u16) -> f64 {
        let instance = self.instance;
        let (from, to) = (step * STEP_MIN, (step + 1) * STEP_MIN);
        let sheet = &instance.places[place];
        let closed = sheet.opens_min.is_some_and(|opens| to <= opens)
            || sheet.closes_min.is_some_and(|closes| from >= closes);
        if closed {
            return 0.0;
        }
        let there = there_at(instance, self.stay, place, day, step) as f64;
        (f64::from(sheet.horses_at_once) - there).max(0.0)
    }

    /// The herd is gathered, barrels are set, once a day at the least where it is used:
    /// once for all places that could stand in for each other.
    fn made_ready(&mut self, kind: WorkKind, weight: f64) {
        let instance = self.instance;
        if weight == 0.0 {
            return;
        }
        let mut joined: Vec<Vec<usize>> = Vec::new();
        for horse in &instance.horses {
            for work in horse.works.iter().filter(|work| work.kind == kind) {
                let mut set = self.set_of(&work.place_ids);
                joined.retain(|other| {
                    let meets = other.iter().any(|place| set.contains(place));
                    if meets {
                        set.extend(other.iter().copied());
                    }
                    !meets
                });
                set.sort_unstable();
                set.dedup();
                joined.push(set);
            }
        }
        for set in joined {
            for day in 0..instance.days.len() as u8 {
                let is = |group: &Group| {
                    let work = &instance.horses[group.horse].works[usize::from(group.work)];
                    group.day == day
                        && work.kind == kind
                        && self
                            .set_of(&work.place_ids)
                            .iter()
                            .all(|one| set.contains(one))
                };
                // Stays have made it ready already, perhaps for all.
                let stays = self.stay.iter().any(|one| {
                    one.day == day && instance.work(one).is_some_and(|work| work.kind == kind)
                });
                let using: Vec<Group> = self.groups.keys().filter(|one| is(one)).copied().collect();
                if using.is_empty() || stays {
                    continue;
                }
                let made = self.model.amount(1.0, -weight);
                let mut horses: Vec<usize> = using.iter().map(|one| one.horse).collect();
                horses.dedup();
                for horse in horses {
                    let mut row: Vec<(f64, Column)> = using
                        .iter()
                        .filter(|one| one.horse == horse)
                        .map(|one| (1.0, self.groups[one].column))
                        .collect();
                    if instance.horses[horse].most_rides_a_day > 1 {
                        for part in row {
                            self.model.at_most(vec![part, (-1.0, made)], 0.0);
                        }
                        continue;
                    }
                    row.push((-1.0, made));
                    self.model.at_most(row, 0.0);
                }
            }
        }
    }
}
