//! The best plan out of single choices, with the rides that stay: every rule and every
//! term of the core's score on a grid of time.

use std::collections::BTreeMap;

use cavesson_core::week::plan::instance::STEP_MIN;
use cavesson_core::week::plan::score::{counts_for_spread, is_dense};
use cavesson_core::week::plan::stretches::STILL_READY_MIN;
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};

use crate::milp::{Column, Found, Model, Until};
use crate::options::{Choice, is_booked, there_at};

/// A model over choices.
pub struct Placing<'a> {
    instance: &'a WeekInstance,
    stay: &'a [PlannedRide],
    choices: &'a [Choice],
    columns: Vec<Column>,
    model: Model,
}

impl<'a> Placing<'a> {
    /// Builds it.
    pub fn new(
        instance: &'a WeekInstance,
        stay: &'a [PlannedRide],
        choices: &'a [Choice],
    ) -> Placing<'a> {
        let mut model = Model::default();
        let columns = choices
            .iter()
            .map(|one| model.yes_or_no(one.worth))
            .collect();
        let mut placing = Placing {
            instance,
            stay,
            choices,
            columns,
            model,
        };
        placing.horses();
        placing.hard_days();
        placing.lots();
        placing.riders();
        placing.places();
        placing.stand_by();
        placing.made_ready(WorkKind::Cattle, instance.weights.herd);
        placing.made_ready(WorkKind::Pattern, instance.weights.barrels);
        placing.home();
        placing
    }

    /// The best rides to add to those that stay; `start` is a solution to begin from.
    pub fn solve(self, until: Until, start: &[PlannedRide]) -> Option<(Vec<PlannedRide>, Found)> {
        let begin: Vec<(Column, f64)> = if start.is_empty() {
            Vec::new()
        } else {
            let chosen = |one: &Choice| f64::from(u8::from(start.contains(&one.ride)));
            let values = self.choices.iter().map(chosen);
            self.columns.iter().copied().zip(values).collect()
        };
        let found = self.model.solve(until, &begin)?;
        let values = found.values.as_ref()?;
        let rides = self
            .choices
            .iter()
            .zip(&self.columns)
            .filter(|(_, column)| values[column.index] > 0.5)
            .map(|(one, _)| one.ride)
            .collect();
        Some((rides, found))
    }

    fn of<'b>(
        &'b self,
        is: impl Fn(&Choice) -> bool + 'b,
    ) -> impl Iterator<Item = (f64, Column)> + 'b {
        let both = self.choices.iter().zip(&self.columns);
        both.filter(move |(one, _)| is(one))
            .map(|(_, column)| (1.0, *column))
    }

    fn row(&mut self, parts: Vec<(f64, Column)>, limit: f64) {
        self.model.at_most(parts, limit);
    }

    /// Rides a day and a week, days a week, how often each work; what the rides are worth;
    /// how they are spread.
    fn horses(&mut self) {
        let instance = self.instance;
        for (number, horse) in instance.horses.iter().enumerate() {
            if !self.choices.iter().any(|one| one.horse == number) {
                continue;
            }
            let stays = || {
                let stay = self.stay.iter();
                stay.filter(|one| one.horse_id == horse.horse_id)
            };
            let given = stays().count();
            let staying: Vec<u8> = stays().map(|one| one.day).collect();
            let works: Vec<usize> = (0..horse.works.len())
                .map(|work| stays().filter(|one| usize::from(one.work) == work).count())
                .collect();
            let all: Vec<_> = self.of(|one| one.horse == number).collect();
            let left = usize::from(horse.wanted).saturating_sub(given);
            // The first rides count more: what a ride is worth falls, so the parts fill in
            // their order by themselves.
            let mut sum: Vec<_> = all.iter().map(|(_, one)| (-1.0, *one)).collect();
            for nth in given..usize::from(horse.wanted) {
                let worth = horse.ride_worth(nth as u8, &instance.weights);
                sum.push((1.0, self.model.amount(1.0, worth)));
            }
            self.row(sum, 0.0);
            self.row(all, left as f64);
            for (work, done) in works.iter().enumerate() {
                let parts: Vec<_> = self
                    .of(|one| one.horse == number && usize::from(one.ride.work) == work)
                    .collect();
                let most = usize::from(horse.works[work].at_most).saturating_sub(*done);
                self.row(parts, most as f64);
            }
            self.days_of(number, &staying);
        }
    }

    fn days_of(&mut self, number: usize, staying: &[u8]) {
        let instance = self.instance;
        let horse = &instance.horses[number];
        let days = instance.days.len() as u8;
        // Each day: the choices, whether it is ridden as it stays, and a column for it
        // where there may be two rides.
        let mut on: Vec<Vec<(f64, Column)>> = Vec::new();
        for day in 0..days {
            let parts: Vec<_> = self
                .of(|one| one.horse == number && one.ride.day == day)
                .collect();
            let stays = staying.iter().filter(|one| **one == day).count();
            let most = usize::from(horse.most_rides_a_day).saturating_sub(stays);
            self.row(parts.clone(), most as f64);
            if most > 1 && !parts.is_empty() {
                self.no_two_at_once(number, day);
            }
            let ridden = if horse.most_rides_a_day > 1 && !parts.is_empty() {
                let ridden = self.model.yes_or_no(0.0);
                for part in &parts {
                    self.row(vec![*part, (-1.0, ridden)], 0.0);
                }
                // Counted only where it is: a day cannot be called ridden for nothing.
                let mut not_more: Vec<_> = parts.iter().map(|(_, one)| (-1.0, *one)).collect();
                not_more.push((1.0, ridden));
                self.row(not_more, 0.0);
                vec![(1.0, ridden)]
            } else {
                parts
            };
            on.push(ridden);
        }
        let mut days_stay: Vec<u8> = staying.to_vec();
        days_stay.sort_unstable();
        days_stay.dedup();
        let new_days: Vec<(f64, Column)> = (0..days)
            .filter(|day| !days_stay.contains(day))
            .flat_map(|day| on[usize::from(day)].clone())
            .collect();
        let left = usize::from(horse.most_days).saturating_sub(days_stay.len());
        self.row(new_days, left as f64);
        if horse.wanted == 0 || instance.weights.spread == 0.0 {
            return;
        }
        let dense = is_dense(instance, horse);
        for day in 1..days {
            if !counts_for_spread(instance, horse, day - 1, day) {
                continue;
            }
            let (one, other) = (&on[usize::from(day - 1)], &on[usize::from(day)]);
            let stays = [day - 1, day].map(|day| f64::from(u8::from(days_stay.contains(&day))));
            // A day that stays ridden counts once, whatever is added to it.
            let free = |parts: &Vec<(f64, Column)>, stays: f64| {
                if stays > 0.0 {
                    Vec::new()
                } else {
                    parts.clone()
                }
            };
            let mut parts = free(one, stays[0]);
            parts.extend(free(other, stays[1]));
            let ridden = stays[0] + stays[1];
            let unspread = self.model.amount(1.0, -instance.weights.spread);
            if dense {
                // unspread >= 1 - ridden days of the two
                let mut row: Vec<_> = parts.iter().map(|(times, one)| (-times, *one)).collect();
                row.push((-1.0, unspread));
                self.row(row, ridden - 1.0);
            } else {
                // unspread >= ridden days of the two - 1
                parts.push((-1.0, unspread));
                self.row(parts, 1.0 - ridden);
            }
        }
    }

    fn no_two_at_once(&mut self, number: usize, day: u8) {
        for step in 0..24 * 60 / STEP_MIN {
            let parts: Vec<_> = self
                .of(|one| one.horse == number && one.ride.day == day && one.steps().contains(&step))
                .collect();
            if parts.len() > 1 {
                self.row(parts, 1.0);
            }
        }
    }

    fn hard_days(&mut self) {
        let instance = self.instance;
        for number in 0..instance.horses.len() {
            for day in 1..instance.days.len() as u8 {
                if !instance.are_next(day - 1, day) {
                    continue;
                }
                // Of each day at most one counts: a row for each pair of hard choices would
                // be many, their sums are as strong.
                let hard = |of: u8| {
                    let hard: Vec<_> = self
                        .of(|one| {
                            one.horse == number
                                && one.ride.day == of
                                && one.work(instance).kind.is_hard()
                        })
                        .collect();
                    hard
                };
                let (before, after) = (hard(day - 1), hard(day));
                if before.is_empty() || after.is_empty() {
                    continue;
                }
                if instance.horses[number].most_rides_a_day > 1 {
                    for one in &before {
                        for other in &after {
                            self.row(vec![*one, *other], 1.0);
                        }
                    }
                } else {
                    self.row(before.into_iter().chain(after).collect(), 1.0);
                }
            }
        }
    }

    fn lots(&mut self) {
        let instance = self.instance;
        for lot in &instance.cattle {
            let on_lot = |kind: WorkKind, of: Option<uuid::Uuid>| {
                kind == WorkKind::Cattle && of == Some(lot.lot_id)
            };
            let stays: Vec<u8> = self
                .stay
                .iter()
                .filter(|one| {
                    let work = instance.work(one);
                    work.is_some_and(|work| on_lot(work.kind, work.lot_id))
                })
                .map(|one| one.day)
                .collect();
            let is_on = |one: &Choice| {
                let work = one.work(instance);
                on_lot(work.kind, work.lot_id)
            };
            let all: Vec<_> = self.of(is_on).collect();
            let left = f64::from(lot.works_left) - stays.len() as f64;
            self.row(all, left.max(0.0));
            let Some(most) = lot.works_a_day else {
                continue;
            };
            for day in 0..instance.days.len() as u8 {
                let of_day: Vec<_> = self.of(|one| one.ride.day == day && is_on(one)).collect();
                let stay = stays.iter().filter(|one| **one == day).count();
                self.row(of_day, (f64::from(most) - stay as f64).max(0.0));
            }
        }
    }

    fn riders(&mut self) {
        let instance = self.instance;
        for (number, rider) in instance.riders.iter().enumerate() {
            for hours in &rider.days {
                let day = hours.day;
                let of_day: Vec<_> = self
                    .of(|one| one.rider == number && one.ride.day == day)
                    .collect();
                if of_day.is_empty() {
                    continue;
                }
                let stay = self
                    .stay
                    .iter()
                    .filter(|one| one.day == day && one.person_id == rider.person_id);
                let left = f64::from(hours.most_horses) - stay.count() as f64;
                self.row(of_day, left.max(0.0));
                self.each_step(|one| one.rider == number && one.ride.day == day, |_| 1.0);
            }
        }
    }

    fn places(&mut self) {
        let instance = self.instance;
        for (number, place) in instance.places.iter().enumerate() {
            for day in 0..instance.days.len() as u8 {
                let stay = self.stay;
                let most = f64::from(place.horses_at_once);
                self.each_step(
                    |one| one.place == number && one.ride.day == day,
                    |step| (most - there_at(instance, stay, number, day, step) as f64).max(0.0),
                );
            }
        }
    }

    /// At each step of the grid no more of these than there is room.
    fn each_step(&mut self, is: impl Fn(&Choice) -> bool, room: impl Fn(u16) -> f64) {
        let mut at: BTreeMap<u16, Vec<(f64, Column)>> = BTreeMap::new();
        for (one, column) in self.choices.iter().zip(&self.columns) {
            if is(one) {
                for step in one.steps() {
                    at.entry(step).or_default().push((1.0, *column));
                }
            }
        }
        let mut last: Vec<(f64, Column)> = Vec::new();
        let mut last_room = -1.0;
        for (step, parts) in at {
            let room = room(step);
            // What holds at one step holds at the next with the same choices.
            let same = parts.len() == last.len()
                && parts
                    .iter()
                    .zip(&last)
                    .all(|((_, one), (_, other))| one.index == other.index);
            if (parts.len() as f64) > room && !(same && room == last_room) {
                self.row(parts.clone(), room);
            }
            last = parts;
            last_room = room;
        }
    }

    /// First rides, and what needs a helper: somebody is there all through and on no horse.
    fn stand_by(&mut self) {
        let instance = self.instance;
        for index in 0..self.choices.len() {
            let one = self.choices[index];
            let needs = instance.horses[one.horse].first_rides || one.work(instance).helper;
            if !needs {
                continue;
            }
            let (day, from, to) = (one.ride.day, one.ride.from_min, one.to_min);
            let there: Vec<usize> = (0..instance.riders.len())
                .filter(|other| {
                    let person = &instance.riders[*other];
                    let works = person
                        .on(day)
                        .is_some_and(|hours| hours.from_min <= from && to <= hours.to_min);
                    *other != one.rider
                        && person.role.records()
                        && works
                        && !is_booked(instance, self.stay, person, day, from, to)
                })
                .collect();
            let rides = |other: usize| -> Vec<Column> {
                let meets = |choice: &Choice| {
                    choice.rider == other
                        && choice.ride.day == day
                        && choice.ride.from_min < to
                        && from < choice.to_min
                };
                self.of(meets).map(|(_, column)| column).collect()
            };
            let own = self.columns[index];
            let mut by: Vec<(f64, Column)> = vec![(1.0, own)];
            let mut always = false;
            let mut rows: Vec<Vec<(f64, Column)>> = Vec::new();
            let at_once: Vec<(usize, Vec<Column>)> = there
                .into_iter()
                .map(|other| (other, rides(other)))
                .collect();
            for (_, rides) in at_once {
                if rides.is_empty() {
                    always = true;
                    break;
                }
                let stands = self.model.amount(1.0, 0.0);
                by.push((-1.0, stands));
                for ride in rides {
                    rows.push(vec![(1.0, stands), (1.0, ride)]);
                }
            }
            if always {
                continue;
            }
            self.row(by, 0.0);
            for row in rows {
                self.row(row, 1.0);
            }
        }
    }

    /// Each stretch of cattle or pattern work costs: one begins where none of it went on
    /// shortly before. `weight` is what it costs.
    fn made_ready(&mut self, kind: WorkKind, weight: f64) {
        if weight == 0.0 {
            return;
        }
        let instance = self.instance;
        let still = STILL_READY_MIN;
        for place in 0..instance.places.len() {
            for day in 0..instance.days.len() as u8 {
                let is = |one: &Choice| {
                    one.place == place && one.ride.day == day && one.work(instance).kind == kind
                };
                let own: Vec<(Choice, Column)> = self
                    .choices
                    .iter()
                    .copied()
                    .zip(self.columns.iter().copied())
                    .filter(|(one, _)| is(one))
                    .collect();
                if own.is_empty() {
                    continue;
                }
                let place_id = instance.places[place].place_id;
                let stay: Vec<(u16, u16)> = self
                    .stay
                    .iter()
                    .filter(|one| one.day == day && one.place_id == place_id)
                    .filter(|one| instance.work(one).is_some_and(|work| work.kind == kind))
                    .map(|one| (one.from_min, instance.to_min(one)))
                    .collect();
                // Goes on at `at`, or ended shortly before it; what begins then does not.
                let ready = |from: u16, to: u16, at: u16| from < at && at <= to + still;
                let mut begins: BTreeMap<u16, Vec<(Choice, Column)>> = BTreeMap::new();
                for (one, column) in own.iter().copied() {
                    begins
                        .entry(one.ride.from_min)
                        .or_default()
                        .push((one, column));
                }
                // A stretch that stays begins no more where something is put before it.
                for (from, _) in &stay {
                    begins.entry(*from).or_default();
                }
                for (at, beginning) in begins {
                    if stay.iter().any(|(from, to)| ready(*from, *to, at)) {
                        continue;
                    }
                    let stays = stay.iter().any(|(from, _)| *from == at);
                    let made = self.model.amount(1.0, -weight);
                    let before: Vec<(f64, Column)> = own
                        .iter()
                        .filter(|(one, _)| ready(one.ride.from_min, one.to_min, at))
                        .map(|(_, column)| (-1.0, *column))
                        .collect();
                    let with_before = |mut row: Vec<(f64, Column)>| {
                        row.push((-1.0, made));
                        row.extend(before.iter().copied());
                        row
                    };
                    if stays {
                        let row = with_before(Vec::new());
                        self.row(row, -1.0);
                    } else {
                        // Of each horse at most one begins: its choices share a row.
                        let mut horses: Vec<usize> =
                            beginning.iter().map(|(one, _)| one.horse).collect();
                        horses.dedup();
                        for horse in horses {
                            let own = beginning.iter().filter(|(one, _)| one.horse == horse);
                            let row = with_before(own.map(|(_, column)| (1.0, *column)).collect());
                            self.row(row, 0.0);
                        }
                    }
                }
            }
        }
    }

    /// Quarters of an hour that somebody comes home late.
    fn home(&mut self) {
        let instance = self.instance;
        if instance.weights.home == 0.0 {
            return;
        }
        for (number, rider) in instance.riders.iter().enumerate() {
            let Some(home_by) = rider.home_by_min else {
                continue;
            };
            for day in 0..instance.days.len() as u8 {
                let quarters = |to: u16| f64::from(to.saturating_sub(home_by).div_ceil(15));
                let stay = self
                    .stay
                    .iter()
                    .filter(|one| one.day == day && one.person_id == rider.person_id);
                let already = stay.map(|one| quarters(instance.to_min(one)));
                let already = already.fold(0.0, f64::max);
                let late: Vec<(f64, Column)> = self
                    .choices
                    .iter()
                    .zip(&self.columns)
                    .filter(|(one, _)| one.rider == number && one.ride.day == day)
                    .map(|(one, column)| (quarters(one.to_min) - already, *column))
                    .filter(|(more, _)| *more > 0.0)
                    .collect();
                if late.is_empty() {
                    continue;
                }
                let over = self.model.amount(96.0, -instance.weights.home);
                for (more, column) in late {
                    self.row(vec![(more, column), (-1.0, over)], 0.0);
                }
            }
        }
    }
}
