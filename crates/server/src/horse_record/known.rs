//! What is known of one horse, in one version.

use std::collections::{HashMap, HashSet};
use std::sync::Arc;

use cavesson_core::horse::{CareNote, Sex};
use cavesson_core::judge::{DropAnswer, HorseFile, KeptIntake, Overrule, Placing, RideFacts};
use cavesson_core::ladder::{Ladder, Level};
use cavesson_core::rep::Rep;
use cavesson_store::horse::known::BlockFault;
use jiff::civil::Date;
use uuid::Uuid;

/// What is known of one horse.
pub struct Known {
    pub(super) version: i64,
    /// Mare, gelding or stallion.
    pub sex: Option<Sex>,
    /// Its reps that were not taken back, level by level. Shared with the version
    /// before where nothing was added.
    pub reps: HashMap<Level, Arc<Vec<Rep>>>,
    pub(super) count: usize,
    /// Reps that this version of the program cannot read.
    pub(super) unreadable_reps: HashSet<Uuid>,
    /// Notes and overrules that it cannot read.
    pub(super) unreadable_rows: usize,
    /// Its rides, oldest first.
    pub rides: Vec<RideFacts>,
    /// Faults seen in parts of its rides.
    pub faults: Vec<BlockFault>,
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
}

impl Known {
    /// The version of what is known.
    pub fn version(&self) -> i64 {
        self.version
    }

    /// How much of it this version of the program cannot read. It is kept, and not
    /// judged.
    pub fn unreadable(&self) -> usize {
        self.unreadable_reps.len() + self.unreadable_rows
    }

    /// The first day that something is known of.
    pub fn first_day(&self) -> Option<Date> {
        let rides = self.rides.iter().map(|ride| ride.day);
        let overrules = self.overrules.iter().map(|overrule| overrule.day);
        let placings = self.placings.iter().map(|placing| placing.day);
        let intake = self.intake.iter().map(|intake| intake.day);
        rides.chain(overrules).chain(placings).chain(intake).min()
    }

    /// Whether the same was known of the days before one, beside what is not dated.
    pub(super) fn is_same_before(&self, other: &Known, day: Date) -> bool {
        let same_reps = |level: &Level| {
            let of = |known: &Known| known.reps.get(level).cloned().unwrap_or_default();
            let (own, others) = (of(self), of(other));
            let early = |reps: &[Rep]| -> Vec<Rep> {
                let early = reps.iter().filter(|rep| rep.day < day);
                early.cloned().collect()
            };
            Arc::ptr_eq(&own, &others) || early(&own) == early(&others)
        };
        let early = |known: &Known| -> Vec<RideFacts> {
            let early = known.rides.iter().filter(|ride| ride.day < day);
            early.cloned().collect()
        };
        self.sex == other.sex
            && self.care == other.care
            && self.overrules == other.overrules
            && self.intake == other.intake
            && self.placings == other.placings
            && self.answers == other.answers
            && self.faults == other.faults
            && early(self) == early(other)
            && self.reps.keys().chain(other.reps.keys()).all(same_reps)
    }

    /// The same laid along a ladder.
    pub fn file(&self, ladder: &Ladder) -> HorseFile {
        let mut file = HorseFile::of_reps(
            ladder,
            self.reps.values().flat_map(|of_level| of_level.iter()),
        );
        for chip in &self.faults {
            let index = ladder.position(&chip.level);
            if let Some((index, fault)) = index.zip(ladder.fault(&chip.fault)) {
                file.add_fault(index, chip.ride_id, fault);
            }
        }
        file.sex = self.sex;
        file.rides = self.rides.clone();
        file.care = self.care.clone();
        file.overrules = self.overrules.clone();
        file.intake = self.intake.clone();
        file.placings = self.placings.clone();
        file.answers = self.answers.clone();
        file
    }
}
