//! What a plan of a week breaks: every day by the day's own rules, and what only the week
//! can see: works left, how often something is ridden, days off, hours that have passed.

use serde::Serialize;

use super::instance::WeekInstance;
use super::planned::PlannedRide;
use super::work::WorkKind;
use crate::week::rule::{self, Broken, Rule};
use crate::wording::{clock_of_minutes, count, weekday};

/// A rule that a plan breaks on a day.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BrokenInWeek {
    /// The day, 0 for the first of the week.
    pub day: u8,
    /// The rides of the plan it is about, by their place in it.
    pub rides: Vec<usize>,
    /// What is broken.
    pub broken: Broken,
}

/// Everything a plan breaks; times in words by a clock of 24 hours or of 12.
pub fn broken(instance: &WeekInstance, rides: &[PlannedRide], hours24: bool) -> Vec<BrokenInWeek> {
    let days = 0..instance.days.len() as u8;
    let by_day = days.flat_map(|day| {
        let plan = instance.day(rides, day);
        rule::broken(&plan, hours24)
            .into_iter()
            .map(move |broken| BrokenInWeek {
                day,
                rides: rides_of(instance, rides, &broken),
                broken,
            })
    });
    let mut found: Vec<BrokenInWeek> = by_day.collect();
    let walk = Walk {
        instance,
        rides,
        hours24,
    };
    for index in 0..rides.len() {
        walk.alone(index, &mut found);
    }
    walk.lots(&mut found);
    walk.too_often(&mut found);
    found
}

/// The rides whose bookings something is about.
fn rides_of(instance: &WeekInstance, rides: &[PlannedRide], broken: &Broken) -> Vec<usize> {
    (0..rides.len())
        .filter(|index| broken.bookings.contains(&instance.seen_as(rides, *index)))
        .collect()
}

struct Walk<'a> {
    instance: &'a WeekInstance,
    rides: &'a [PlannedRide],
    hours24: bool,
}

impl Walk<'_> {
    fn say(&self, rule: Rule, rides: &[usize], text: String, found: &mut Vec<BrokenInWeek>) {
        let Some(first) = rides.first() else { return };
        found.push(BrokenInWeek {
            day: self.rides[*first].day,
            rides: rides.to_vec(),
            broken: Broken {
                rule,
                hard: rule.is_hard(),
                bookings: rides
                    .iter()
                    .map(|index| self.instance.seen_as(self.rides, *index))
                    .collect(),
                text,
            },
        });
    }

    fn name(&self, ride: &PlannedRide) -> &str {
        self.instance
            .horse(ride.horse_id)
            .map_or("The horse", |horse| &horse.name)
    }

    fn alone(&self, index: usize, found: &mut Vec<BrokenInWeek>) {
        let ride = &self.rides[index];
        let name = self.name(ride);
        let horse = self.instance.horse(ride.horse_id);
        let Some((horse, work)) = horse.zip(self.instance.work(ride)) else {
            return;
        };
        if horse.days_off.contains(&ride.day) {
            let text = format!("{name} is off on {}.", self.day_name(ride.day));
            self.say(Rule::HorseAway, &[index], text, found);
        }
        if !work.place_ids.contains(&ride.place_id) {
            let place = self.instance.place(ride.place_id);
            let place = place.map_or("That place", |place| &place.name);
            let text = format!("{place} has not what {name} needs for this work.");
            self.say(Rule::PlaceFits, &[index], text, found);
        }
        let day = self.instance.days.get(usize::from(ride.day));
        if let Some(day) = day.filter(|day| ride.from_min < day.not_before_min) {
            let clock = clock_of_minutes(day.not_before_min, self.hours24);
            let text = format!("It is past that hour: {name} can be ridden from {clock}.");
            self.say(Rule::HourPassed, &[index], text, found);
        }
    }

    fn day_name(&self, day: u8) -> String {
        let day = self.instance.days.get(usize::from(day));
        day.map_or_else(|| "that day".to_owned(), |day| weekday(day.date))
    }

    /// Works of each lot: in the week, and a day.
    fn lots(&self, found: &mut Vec<BrokenInWeek>) {
        for lot in &self.instance.cattle {
            let on_it: Vec<usize> = (0..self.rides.len())
                .filter(|index| {
                    let work = self.instance.work(&self.rides[*index]);
                    work.is_some_and(|work| {
                        work.kind == WorkKind::Cattle && work.lot_id == Some(lot.lot_id)
                    })
                })
                .collect();
            if on_it.len() > usize::from(lot.works_left) {
                let text = format!(
                    "{} has {} left in this week; the plan has {}.",
                    lot.name,
                    count(u32::from(lot.works_left), "work"),
                    on_it.len()
                );
                self.say(Rule::WorksLeft, &on_it, text, found);
            }
            let Some(most) = lot.works_a_day else {
                continue;
            };
            for day in 0..self.instance.days.len() as u8 {
                let of_day: Vec<usize> = on_it
                    .iter()
                    .copied()
                    .filter(|index| self.rides[*index].day == day)
                    .collect();
                if of_day.len() > usize::from(most) {
                    let text = format!(
                        "{} is worked {} a day at the most; {} has {}.",
                        lot.name,
                        count(u32::from(most), "time"),
                        self.day_name(day),
                        of_day.len()
                    );
                    self.say(Rule::WorksLeft, &of_day, text, found);
                }
            }
        }
    }

    /// No work of a horse more often than it may be.
    fn too_often(&self, found: &mut Vec<BrokenInWeek>) {
        for horse in &self.instance.horses {
            for (number, work) in horse.works.iter().enumerate() {
                let own: Vec<usize> = (0..self.rides.len())
                    .filter(|index| {
                        let ride = &self.rides[*index];
                        ride.horse_id == horse.horse_id && usize::from(ride.work) == number
                    })
                    .collect();
                if own.len() > usize::from(work.at_most) {
                    let what = if work.name.is_empty() {
                        "this work"
                    } else {
                        &work.name
                    };
                    let text = format!(
                        "{}: {what} at most {} in these days; the plan has {}.",
                        horse.name,
                        count(u32::from(work.at_most), "time"),
                        own.len()
                    );
                    self.say(Rule::TooOften, &own, text, found);
                }
            }
        }
    }
}
