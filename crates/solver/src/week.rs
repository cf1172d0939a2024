//! First step: who rides what on which day, with whom, in which part of the day. Times are
//! parts of a day and places are sums of room, so that every plan that keeps the rules fits
//! in it: its bound holds for any plan.

use std::collections::BTreeMap;

use cavesson_core::week::plan::instance::STEP_MIN;
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};

use crate::milp::{Column, Model, Until};
use crate::options::{Choice, is_free, there_at};
use crate::parts::{Group, Parts};
use crate::rules::{Key, RideRules};

/// Steps of the grid in a day.
const STEPS: u16 = 24 * 60 / STEP_MIN;

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
    step.whatever_the_time();
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
    fn whatever_the_time(&mut self) {
        let rides: Vec<(Key, Column)> = self
            .groups
            .iter()
            .map(|(group, sum)| (group.key(), sum.column))
            .collect();
        let rules = RideRules {
            instance: self.instance,
            stay: self.stay,
            rides: &rides,
        };
        rules.add_to(&mut self.model);
    }

    fn riders(&mut self) {
        let instance = self.instance;
        for (number, rider) in instance.riders.iter().enumerate() {
            for hours in &rider.days {
                let day = hours.day;
                let is = |one: &Group| one.rider == number && one.day == day;
                if !self.groups.keys().any(is) {
                    continue;
                }
                let stay = self
                    .stay
                    .iter()
                    .filter(|one| one.day == day && one.person_id == rider.person_id);
                let stay: Vec<&PlannedRide> = stay.collect();
                // A ride may end in the middle of a step, before something begins there:
                // what counts is the step's first minute.
                let free: Vec<bool> = (0..STEPS)
                    .map(|step| {
                        let from = step * STEP_MIN;
                        let inside =
                            hours.from_min.div_ceil(STEP_MIN) <= step && from < hours.to_min;
                        inside && is_free(instance, self.stay, rider, day, from, from + 1)
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
        let cuts = self.parts.begin().to_vec();
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
        let there = there_at(instance, self.stay, place, day, from..from + 1) as f64;
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
