//! The best plan out of single choices, with the rides that stay: every rule and every
//! term of the core's score on a grid of time.

use std::collections::BTreeMap;
use std::ops::Range;

use cavesson_core::week::plan::stretches::STILL_READY_MIN;
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};

use crate::milp::{Column, Found, Model, Until};
use crate::options::{Choice, SLOT_MIN, is_booked, there_at};
use crate::rules::{Key, RideRules};

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
        placing.whatever_the_time();
        placing.two_rides_a_day();
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

    fn whatever_the_time(&mut self) {
        let keys = self.choices.iter().map(|one| Key {
            horse: one.horse,
            work: one.ride.work,
            day: one.ride.day,
            rider: one.rider,
        });
        let rides: Vec<(Key, Column)> = keys.zip(self.columns.iter().copied()).collect();
        let rules = RideRules {
            instance: self.instance,
            stay: self.stay,
            rides: &rides,
        };
        rules.add_to(&mut self.model);
    }

    /// A horse is in one place at a time.
    fn two_rides_a_day(&mut self) {
        for (number, horse) in self.instance.horses.iter().enumerate() {
            if horse.most_rides_a_day == 1 {
                continue;
            }
            for day in 0..self.instance.days.len() as u8 {
                self.at_once(
                    |one| one.horse == number && one.ride.day == day,
                    Choice::steps,
                    |_| 1.0,
                );
            }
        }
    }

    /// A rider is on one horse at a time.
    fn riders(&mut self) {
        for number in 0..self.instance.riders.len() {
            for day in 0..self.instance.days.len() as u8 {
                self.at_once(
                    |one| one.rider == number && one.ride.day == day,
                    Choice::steps,
                    |_| 1.0,
                );
            }
        }
    }

    fn places(&mut self) {
        let instance = self.instance;
        for (number, place) in instance.places.iter().enumerate() {
            for day in 0..instance.days.len() as u8 {
                let stay = self.stay;
                let most = f64::from(place.horses_at_once);
                self.at_once(
                    |one| one.place == number && one.ride.day == day,
                    Choice::slots,
                    |slot| {
                        let minutes = slot * SLOT_MIN..(slot + 1) * SLOT_MIN;
                        (most - there_at(instance, stay, number, day, minutes) as f64).max(0.0)
                    },
                );
            }
        }
    }

    /// At each of these times no more of these choices than there is room.
    fn at_once(
        &mut self,
        is: impl Fn(&Choice) -> bool,
        times: fn(&Choice) -> Range<u16>,
        room: impl Fn(u16) -> f64,
    ) {
        let mut at: BTreeMap<u16, Vec<(f64, Column)>> = BTreeMap::new();
        for (one, column) in self.choices.iter().zip(&self.columns) {
            if is(one) {
                for time in times(one) {
                    at.entry(time).or_default().push((1.0, *column));
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
        // Who stands by when, for which ride: one at a time.
        let mut standing: Vec<(usize, u8, u16, u16, Column)> = Vec::new();
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
            let mut rows: Vec<Vec<(f64, Column)>> = Vec::new();
            let at_once: Vec<(usize, Vec<Column>)> = there
                .into_iter()
                .map(|other| (other, rides(other)))
                .collect();
            for (other, rides) in at_once {
                let stands = self.model.amount(1.0, 0.0);
                by.push((-1.0, stands));
                standing.push((other, day, from, to, stands));
                for ride in rides {
                    rows.push(vec![(1.0, stands), (1.0, ride)]);
                }
            }
            self.row(by, 0.0);
            for row in rows {
                self.row(row, 1.0);
            }
        }
        self.one_at_a_time(&standing);
    }

    /// Nobody stands by at two rides at once.
    fn one_at_a_time(&mut self, standing: &[(usize, u8, u16, u16, Column)]) {
        let mut begins: Vec<(usize, u8, u16)> =
            standing.iter().map(|one| (one.0, one.1, one.2)).collect();
        begins.sort_unstable();
        begins.dedup();
        for (other, day, at) in begins {
            let at_once: Vec<(f64, Column)> = standing
                .iter()
                .filter(|one| (one.0, one.1) == (other, day) && one.2 <= at && at < one.3)
                .map(|one| (1.0, one.4))
                .collect();
            if at_once.len() > 1 {
                self.row(at_once, 1.0);
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
