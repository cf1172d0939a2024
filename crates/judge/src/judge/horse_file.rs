//! All that is known of one horse, laid along its ladder.

use std::collections::{HashMap, HashSet};

use jiff::civil::Date;
use uuid::Uuid;

use super::held::change::Change;
use super::held::drop::DropAnswer;
use super::held::hold::Hold;
use super::held::placing::Placing;
use super::intake::KeptIntake;
use super::overrule::Overrule;
use crate::evidence::rider::RiderDay;
use crate::evidence::riders_from::{RidersFrom, of_day};
use crate::evidence::rigs::RigsOfRides;
use crate::evidence::{Ask, SoftCount};
use crate::horse::{CareNote, RideMark, Sex};
use crate::ladder::{Ladder, Level};
use crate::rep::Rep;
use crate::rig::RigWorn;

/// What the judge knows of one ride beside its reps.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct RideFacts {
    /// The ride.
    pub ride_id: Uuid,
    /// The barn's calendar day.
    pub day: Date,
    /// Who rode, where known.
    pub rider_id: Option<Uuid>,
    /// What made it unlike the others.
    pub marks: Vec<RideMark>,
    /// The rigs it was ridden in, first to last; empty where nobody said.
    pub rigs: Vec<RigWorn>,
}

/// All that is known of one horse, laid along its ladder.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct HorseFile {
    /// Mare, gelding or stallion, where known.
    pub sex: Option<Sex>,
    /// The asks of each level of the ladder, in order.
    pub asks: Vec<Vec<Ask>>,
    /// Its rides, oldest first.
    pub rides: Vec<RideFacts>,
    /// Notes of care.
    pub care: Vec<CareNote>,
    /// Decisions of the trainer that stand, oldest first.
    pub overrules: Vec<Overrule>,
    /// What its intake showed, when it had one.
    pub intake: Option<KeptIntake>,
    /// Where it was placed by hand.
    pub placings: Vec<Placing>,
    /// Who looked at a side that went bad at once, and what came of it.
    pub answers: Vec<DropAnswer>,
    /// How its levels stood when it came onto this ladder from another version of its
    /// program; none where it never stood on another.
    pub carried: Option<Carried>,
}

/// How levels stood when a horse came from one version of its program to the next. What was
/// gained and lost before stays as it was; from that day on the new gates hold.
#[derive(Debug, Clone, PartialEq)]
pub struct Carried {
    /// The first day of the new version.
    pub from: Date,
    /// Where each level stood at the end of the day before.
    pub levels: HashMap<Level, CarriedLevel>,
}

/// One level that is carried onto the next version of a program.
#[derive(Debug, Clone, PartialEq)]
pub struct CarriedLevel {
    /// Where it stood.
    pub hold: Hold,
    /// What had moved it, oldest first.
    pub changes: Vec<Change>,
}

impl RideFacts {
    /// Whether it says little of the horse.
    pub(super) fn is_exceptional(&self) -> bool {
        self.marks.iter().any(|mark| mark.is_exceptional())
    }
}

impl HorseFile {
    /// Lays reps along a ladder. Reps of levels it does not have are left out;
    /// the order they come in does not matter.
    pub fn of_reps<'a>(ladder: &Ladder, reps: impl IntoIterator<Item = &'a Rep>) -> HorseFile {
        let mut asks: Vec<Vec<Ask>> = vec![Vec::new(); ladder.levels.len()];
        for rep in reps.into_iter().filter(|rep| rep.measure.is_judged()) {
            if let Some(index) = ladder.position(&rep.level()) {
                asks[index].push(Ask::of(rep, &ladder.levels[index], ladder));
            }
        }
        for of_level in &mut asks {
            crate::evidence::sort(of_level);
        }
        HorseFile {
            asks,
            ..HorseFile::default()
        }
    }

    /// Takes into account how riders differ, where that is very likely real: each ask by the
    /// comparison of its day, `in_use` in the order of their days. Its rides are known by now.
    pub fn take_in_riders(&mut self, in_use: &[RidersFrom]) {
        if in_use.iter().all(|one| one.riders.is_empty()) {
            return;
        }
        let rider_of: HashMap<Uuid, Uuid> = self
            .rides
            .iter()
            .filter_map(|ride| Some((ride.ride_id, ride.rider_id?)))
            .collect();
        for ask in self.asks.iter_mut().flatten() {
            let offset = rider_of
                .get(&ask.ride_id)
                .and_then(|rider| Some(of_day(in_use, ask.day)?.offset(*rider)));
            ask.rider_offset = offset.unwrap_or(0.0) as f32;
        }
    }

    /// The rigs of its rides.
    pub fn rigs(&self) -> RigsOfRides<'_> {
        RigsOfRides::of(
            self.rides
                .iter()
                .map(|ride| (ride.ride_id, ride.rigs.as_slice())),
        )
    }

    /// Marks the asks that were made in a rig that was new on that ride. Its rides are known
    /// by now.
    pub fn mark_new_rigs(&mut self) {
        let rides = std::mem::take(&mut self.rides);
        let rigs = RigsOfRides::of(
            rides
                .iter()
                .map(|ride| (ride.ride_id, ride.rigs.as_slice())),
        );
        if !rigs.is_empty() {
            for ask in self.asks.iter_mut().flatten() {
                ask.new_rig = rigs.is_new(ask);
            }
        }
        drop(rigs);
        self.rides = rides;
    }

    /// The asks of the days from `from` to before `until`, by rider, level and side.
    pub fn rider_days(&self, horse_id: Uuid, from: Date, until: Date) -> Vec<RiderDay> {
        let riders: HashMap<Uuid, Uuid> = self
            .rides
            .iter()
            .filter_map(|ride| Some((ride.ride_id, ride.rider_id?)))
            .collect();
        let mut days: Vec<RiderDay> = Vec::new();
        for (level, asks) in self.asks.iter().enumerate() {
            let asks = asks.iter().filter(|ask| (from..until).contains(&ask.day));
            for ask in asks {
                let Some(rider_id) = riders.get(&ask.ride_id) else {
                    continue;
                };
                let is_same = |day: &&mut RiderDay| {
                    day.level == level
                        && day.day == ask.day
                        && day.side == ask.side
                        && day.rider_id == *rider_id
                };
                // Asks are in order: the same day and side was among the last few.
                let same = days.iter_mut().rev().take(6).find(is_same);
                if let Some(day) = same {
                    day.asks.count(ask.soft);
                } else {
                    days.push(RiderDay {
                        rider_id: *rider_id,
                        horse_id,
                        level,
                        side: ask.side,
                        day: ask.day,
                        asks: SoftCount::of([ask]),
                    });
                }
            }
        }
        days
    }

    /// Adds a fault that was seen in the asks of one level of a ride, not on one of
    /// them: it counts once, on the last.
    pub fn add_fault(&mut self, index: usize, ride_id: Uuid, fault: usize) {
        let last = self.asks[index]
            .iter_mut()
            .rev()
            .find(|ask| ask.ride_id == ride_id);
        if let Some(ask) = last {
            ask.faults.add(fault);
        }
    }

    pub(super) fn exceptional_rides(&self) -> HashSet<Uuid> {
        self.rides
            .iter()
            .filter(|ride| ride.is_exceptional())
            .map(|ride| ride.ride_id)
            .collect()
    }

    /// Rides of the horse after the one of that id, until `on`.
    pub(super) fn rides_since(&self, ride_id: Uuid, on: Date) -> u32 {
        let until = self.rides.iter().filter(|ride| ride.day <= on);
        until
            .rev()
            .take_while(|ride| ride.ride_id != ride_id)
            .count() as u32
    }

    /// Left and right of each level on each day from `from` to `to` on which both were asked.
    pub fn sides_by_day(&self, from: Date, to: Date) -> Vec<(SoftCount, SoftCount)> {
        let mut strata = Vec::new();
        for asks in &self.asks {
            let start = asks.partition_point(|ask| ask.day < from);
            let end = asks.partition_point(|ask| ask.day <= to);
            for day in asks[start..end.max(start)].chunk_by(|a, b| a.day == b.day) {
                let of = |side| SoftCount::of(day.iter().filter(|ask| ask.side == side));
                let (left, right) = (of(crate::Side::Left), of(crate::Side::Right));
                if left.asked > 0 && right.asked > 0 {
                    strata.push((left, right));
                }
            }
        }
        strata
    }

    /// The asks of a level until `on`, in order.
    pub fn asks_until(&self, index: usize, on: Date) -> &[Ask] {
        let asks = self.asks.get(index).map_or(&[][..], Vec::as_slice);
        &asks[..asks.partition_point(|ask| ask.day <= on)]
    }
}
