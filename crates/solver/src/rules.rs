//! The rules and terms that know no time of day: rides a day and a week, days off, hard days,
//! works left, horses a day, what rides are worth and how they are spread. Both models have
//! them: single choices, and rides in parts of a day.

use cavesson_core::week::plan::score::{counts_for_spread, is_dense};
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};
use uuid::Uuid;

use crate::milp::{Column, Model};

/// A ride whatever its time.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Key {
    /// The horse's number.
    pub horse: usize,
    /// Which of its works.
    pub work: u8,
    /// The day.
    pub day: u8,
    /// The rider's number.
    pub rider: usize,
}

/// Rides that can be chosen, each with its column, beside those that stay.
pub struct RideRules<'a> {
    /// What there is.
    pub instance: &'a WeekInstance,
    /// Rides that stay.
    pub stay: &'a [PlannedRide],
    /// Rides that can be chosen.
    pub rides: &'a [(Key, Column)],
}

type Parts = Vec<(f64, Column)>;

impl RideRules<'_> {
    /// Adds them all to a model.
    pub fn add_to(&self, model: &mut Model) {
        for number in 0..self.instance.horses.len() {
            if self.rides.iter().any(|(key, _)| key.horse == number) {
                self.rides_of(number, model);
                self.days_of(number, model);
                self.hard_days_of(number, model);
            }
        }
        self.lots(model);
        self.horses_a_day(model);
    }

    fn of(&self, is: impl Fn(&Key) -> bool) -> Parts {
        let own = self.rides.iter().filter(|(key, _)| is(key));
        own.map(|(_, column)| (1.0, *column)).collect()
    }

    fn staying(&self, horse: usize) -> impl Iterator<Item = &PlannedRide> {
        let horse_id = self.instance.horses[horse].horse_id;
        self.stay.iter().filter(move |one| one.horse_id == horse_id)
    }

    /// Rides a week and how often each work; what the rides are worth.
    fn rides_of(&self, number: usize, model: &mut Model) {
        let horse = &self.instance.horses[number];
        let given = self.staying(number).count();
        let all = self.of(|key| key.horse == number);
        // The first rides count more: what a ride is worth falls, so the parts fill in
        // their order by themselves.
        let mut sum: Parts = all.iter().map(|(_, one)| (-1.0, *one)).collect();
        for nth in given..usize::from(horse.wanted) {
            let worth = horse.ride_worth(nth as u8, &self.instance.weights);
            sum.push((1.0, model.amount(1.0, worth)));
        }
        model.at_most(sum, 0.0);
        let left = usize::from(horse.wanted).saturating_sub(given);
        model.at_most(all, left as f64);
        for (work, sheet) in horse.works.iter().enumerate() {
            let is = |of: u8| usize::from(of) == work;
            let done = self.staying(number).filter(|one| is(one.work)).count();
            let parts = self.of(|key| key.horse == number && is(key.work));
            let most = usize::from(sheet.at_most).saturating_sub(done);
            model.at_most(parts, most as f64);
        }
    }

    /// Rides a day, days a week, and how they are spread.
    fn days_of(&self, number: usize, model: &mut Model) {
        let horse = &self.instance.horses[number];
        let days = self.instance.days.len() as u8;
        let mut days_stay: Vec<u8> = self.staying(number).map(|one| one.day).collect();
        // Whether each day is ridden: a sum, or a column where there may be two rides.
        let mut on: Vec<Parts> = Vec::new();
        for day in 0..days {
            let parts = self.of(|key| key.horse == number && key.day == day);
            let stays = days_stay.iter().filter(|one| **one == day).count();
            let most = usize::from(horse.most_rides_a_day).saturating_sub(stays);
            model.at_most(parts.clone(), most as f64);
            on.push(if horse.most_rides_a_day > 1 && !parts.is_empty() {
                let ridden = model.yes_or_no(0.0);
                for part in &parts {
                    model.at_most(vec![*part, (-1.0, ridden)], 0.0);
                }
                // Counted only where it is: no day can be called ridden for nothing.
                let mut not_more: Parts = parts.iter().map(|(_, one)| (-1.0, *one)).collect();
                not_more.push((1.0, ridden));
                model.at_most(not_more, 0.0);
                vec![(1.0, ridden)]
            } else {
                parts
            });
        }
        days_stay.sort_unstable();
        days_stay.dedup();
        let new_days: Parts = (0..days)
            .filter(|day| !days_stay.contains(day))
            .flat_map(|day| on[usize::from(day)].clone())
            .collect();
        let left = usize::from(horse.most_days).saturating_sub(days_stay.len());
        model.at_most(new_days, left as f64);
        self.spread_of(number, &on, &days_stay, model);
    }

    fn spread_of(&self, number: usize, on: &[Parts], days_stay: &[u8], model: &mut Model) {
        let horse = &self.instance.horses[number];
        let weight = self.instance.weights.spread;
        if horse.wanted == 0 || weight == 0.0 {
            return;
        }
        let dense = is_dense(self.instance, horse);
        for day in 1..self.instance.days.len() as u8 {
            if !counts_for_spread(self.instance, horse, day - 1, day) {
                continue;
            }
            // A day that stays ridden counts once, whatever is added to it.
            let (mut parts, mut ridden) = (Parts::new(), 0.0);
            for of in [day - 1, day] {
                if days_stay.contains(&of) {
                    ridden += 1.0;
                } else {
                    parts.extend(on[usize::from(of)].iter().copied());
                }
            }
            let unspread = model.amount(1.0, -weight);
            if dense {
                // unspread >= 1 - ridden days of the two
                let mut row: Parts = parts.iter().map(|(times, one)| (-times, *one)).collect();
                row.push((-1.0, unspread));
                model.at_most(row, ridden - 1.0);
            } else {
                // unspread >= ridden days of the two - 1
                parts.push((-1.0, unspread));
                model.at_most(parts, 1.0 - ridden);
            }
        }
    }

    fn hard_days_of(&self, number: usize, model: &mut Model) {
        let horse = &self.instance.horses[number];
        let hard = |of: u8| {
            self.of(|key| {
                key.horse == number
                    && key.day == of
                    && horse.works[usize::from(key.work)].kind.is_hard()
            })
        };
        for day in 1..self.instance.days.len() as u8 {
            if !self.instance.are_next(day - 1, day) {
                continue;
            }
            let (before, after) = (hard(day - 1), hard(day));
            if before.is_empty() || after.is_empty() {
                continue;
            }
            // With one ride a day their sum is as strong as every pair of them.
            if horse.most_rides_a_day == 1 {
                model.at_most(before.into_iter().chain(after), 1.0);
                continue;
            }
            for one in &before {
                for other in &after {
                    model.at_most(vec![*one, *other], 1.0);
                }
            }
        }
    }

    fn lots(&self, model: &mut Model) {
        for lot in &self.instance.cattle {
            let is_on = |kind: WorkKind, of: Option<Uuid>| {
                kind == WorkKind::Cattle && of == Some(lot.lot_id)
            };
            let stay = self.stay.iter().filter(|one| {
                let work = self.instance.work(one);
                work.is_some_and(|work| is_on(work.kind, work.lot_id))
            });
            let stay: Vec<u8> = stay.map(|one| one.day).collect();
            let chosen = |key: &Key| {
                let work = &self.instance.horses[key.horse].works[usize::from(key.work)];
                is_on(work.kind, work.lot_id)
            };
            let left = f64::from(lot.works_left) - stay.len() as f64;
            model.at_most(self.of(chosen), left.max(0.0));
            let Some(most) = lot.works_a_day else {
                continue;
            };
            for day in 0..self.instance.days.len() as u8 {
                let stays = stay.iter().filter(|one| **one == day).count() as f64;
                let of_day = self.of(|key| key.day == day && chosen(key));
                model.at_most(of_day, (f64::from(most) - stays).max(0.0));
            }
        }
    }

    fn horses_a_day(&self, model: &mut Model) {
        for (number, rider) in self.instance.riders.iter().enumerate() {
            for hours in &rider.days {
                let of_day = self.of(|key| key.rider == number && key.day == hours.day);
                let stay = self
                    .stay
                    .iter()
                    .filter(|one| one.day == hours.day && one.person_id == rider.person_id);
                let left = f64::from(hours.most_horses) - stay.count() as f64;
                model.at_most(of_day, left.max(0.0));
            }
        }
    }
}
