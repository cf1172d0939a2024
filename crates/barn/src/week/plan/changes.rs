//! What one plan does otherwise than another.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::instance::WeekInstance;
use super::planned::PlannedRide;

/// A ride that differs between two plans.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanChange {
    /// The horse.
    pub horse_id: Uuid,
    /// As it was; null where it is new.
    pub was: Option<PlannedRide>,
    /// As it is; null where it is gone.
    pub is: Option<PlannedRide>,
}

/// Every ride that differs, by horse: rides of the same day are held against each other,
/// then what is left over in the order of the days.
pub fn changes(before: &[PlannedRide], after: &[PlannedRide]) -> Vec<PlanChange> {
    let mut horses: Vec<Uuid> = before.iter().chain(after).map(|one| one.horse_id).collect();
    horses.sort_unstable();
    horses.dedup();
    let mut found = Vec::new();
    for horse_id in horses {
        let own = |rides: &[PlannedRide]| -> Vec<PlannedRide> {
            let mut own: Vec<PlannedRide> = rides
                .iter()
                .copied()
                .filter(|one| one.horse_id == horse_id)
                .collect();
            own.sort_unstable();
            own
        };
        let (mut was, mut is) = (own(before), own(after));
        // What stands as it did is no change.
        was.retain(|old| {
            let same = is.iter().position(|new| new == old);
            same.map(|at| is.remove(at)).is_none()
        });
        let mut pair = |same: fn(&PlannedRide, &PlannedRide) -> bool| {
            was.retain(|old| {
                let Some(at) = is.iter().position(|new| same(old, new)) else {
                    return true;
                };
                found.push(PlanChange {
                    horse_id,
                    was: Some(*old),
                    is: Some(is.remove(at)),
                });
                false
            });
        };
        pair(|old, new| old.day == new.day);
        pair(|_, _| true);
        found.extend(was.iter().map(|old| PlanChange {
            horse_id,
            was: Some(*old),
            is: None,
        }));
        found.extend(is.iter().map(|new| PlanChange {
            horse_id,
            was: None,
            is: Some(*new),
        }));
    }
    found
}

/// How many rides of the plan before do not stand as they did.
pub fn moved(instance: &WeekInstance, rides: &[PlannedRide]) -> u32 {
    let changed = changes(&instance.before, rides);
    changed.iter().filter(|one| one.was.is_some()).count() as u32
}
