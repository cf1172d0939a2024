//! Stretches of work that need a place made ready: the herd gathered, barrels set.

use uuid::Uuid;

use super::instance::WeekInstance;
use super::planned::PlannedRide;
use super::work::WorkKind;

/// Minutes without such work after which the place has to be made ready anew. Product
/// default.
pub const STILL_READY_MIN: u16 = 30;

/// Stretches of such work in a place on a day: how often it is made ready.
pub fn stretches(
    instance: &WeekInstance,
    rides: &[PlannedRide],
    kind: WorkKind,
    day: u8,
    place_id: Uuid,
) -> u32 {
    let mut times: Vec<(u16, u16)> = rides
        .iter()
        .filter(|one| one.day == day && one.place_id == place_id)
        .filter(|one| instance.work(one).is_some_and(|work| work.kind == kind))
        .map(|one| (one.from_min, instance.to_min(one)))
        .collect();
    times.sort_unstable();
    let mut ready_until: Option<u16> = None;
    let mut count = 0;
    for (from, to) in times {
        if ready_until.is_none_or(|until| from > until.saturating_add(STILL_READY_MIN)) {
            count += 1;
        }
        ready_until = Some(ready_until.unwrap_or(0).max(to));
    }
    count
}
