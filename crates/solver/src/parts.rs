//! Parts of a day: a ride in the first step has no time, only the part it begins in.

use std::collections::BTreeSet;

use cavesson_core::week::plan::instance::STEP_MIN;

use crate::options::Choice;
use crate::rules::Key;

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

impl Parts {
    /// Where each begins.
    pub fn begin(&self) -> &[u16] {
        &self.0
    }
}

impl Group {
    /// The ride whatever its time.
    pub fn key(&self) -> Key {
        Key {
            horse: self.horse,
            work: self.work,
            day: self.day,
            rider: self.rider,
        }
    }
}
