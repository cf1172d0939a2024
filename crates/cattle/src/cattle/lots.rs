//! Which lot for a horse, and how much work a lot has in it.

use uuid::Uuid;

use super::lately::WORKS_A_RIDE;
use super::matching::{Cow, Horse, cost};

/// Rides in a week on a lot of which no cow is written down. Product default.
const NOT_COUNTED: u16 = 400;
/// Rides of a day that are told apart.
const A_DAY_AT_MOST: usize = 100;

/// The lots for a horse, the one with the best cow for it first. One of which no cow is
/// written down comes after those; one with none for the horse is left out.
pub fn lots_for(horse: &Horse, lots: &[(Uuid, Vec<Cow>)]) -> Vec<Uuid> {
    // What was worked today is fresh for the other days of the week.
    let rested = |cow: &Cow| Cow {
        works_left: cow.works_left.max(1),
        ..cow.clone()
    };
    let with_cost = |(lot_id, cattle): &(Uuid, Vec<Cow>)| {
        if cattle.is_empty() {
            return Some((u32::MAX, *lot_id));
        }
        let costs = cattle
            .iter()
            .filter_map(|cow| cost(horse, &rested(cow)).ok());
        Some((costs.map(|(cost, _)| cost).min()?, *lot_id))
    };
    let mut found: Vec<(u32, Uuid)> = lots.iter().filter_map(with_cost).collect();
    found.sort_by_key(|(cost, _)| *cost);
    found.into_iter().map(|(_, lot_id)| lot_id).collect()
}

/// Rides on cattle that a lot has in it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct RidesOfLot {
    /// In so many days.
    pub in_all: u16,
    /// On one of them; none where no cow of it is written down.
    pub a_day: Option<u16>,
}

/// How many rides a lot has in it for so many days; `can_work` is how many of its cattle can
/// be worked, none where no cow of it is written down.
pub fn rides_of_lot(can_work: Option<usize>, works_a_day: u8, days: usize) -> RidesOfLot {
    let a_day = can_work.map(|cattle| {
        let works = cattle * usize::from(works_a_day);
        (works / WORKS_A_RIDE as usize).min(A_DAY_AT_MOST) as u16
    });
    RidesOfLot {
        in_all: a_day.map_or(NOT_COUNTED, |a_day| (a_day * days as u16).min(NOT_COUNTED)),
        a_day,
    }
}
