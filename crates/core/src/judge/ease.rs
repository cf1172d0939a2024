//! What sends a level down: a ride that was soft less than half, or a fault that
//! has a rule of its own.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::evidence::Ask;
use crate::ladder::{FaultId, Gate, Ladder};

/// Why a level is sent down.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "because", rename_all = "snake_case")]
pub enum EaseReason {
    /// The last rides were soft less than the gate's least.
    Share {
        /// Soft answers of the last ride.
        soft: u32,
        /// Asks of the last ride.
        asked: u32,
        /// How many such rides in a row.
        rides: u32,
        /// The share it takes to stay.
        least_share: f64,
    },
    /// A fault came too often.
    Fault {
        /// The fault.
        fault: FaultId,
        /// How often it came.
        times: u32,
        /// In how many asks.
        asks: u32,
        /// What to do.
        text: String,
    },
}

/// The last rides of `seen` when all of them were soft too seldom.
pub fn by_share(seen: &[Ask], gate: &Gate) -> Option<EaseReason> {
    if gate.ease_rides == 0 {
        return None;
    }
    let mut end = seen.len();
    let mut found = None;
    for ride in 0..gate.ease_rides {
        let (start, soft) = last_ride(&seen[..end])?;
        let asked = (end - start) as u32;
        if asked < gate.ease_reps || f64::from(soft) >= gate.ease_share * f64::from(asked) {
            return None;
        }
        if ride == 0 {
            found = Some((soft, asked));
        }
        end = start;
    }
    found.map(|(soft, asked)| EaseReason::Share {
        soft,
        asked,
        rides: gate.ease_rides,
        least_share: gate.ease_share,
    })
}

/// Where the last ride of `seen` begins, and its soft answers.
fn last_ride(seen: &[Ask]) -> Option<(usize, u32)> {
    let last: Uuid = seen.last()?.ride_id;
    let start = seen
        .iter()
        .rposition(|ask| ask.ride_id != last)
        .map_or(0, |before| before + 1);
    let soft = seen[start..].iter().filter(|ask| ask.soft).count() as u32;
    Some((start, soft))
}

/// A fault that came too often in the last asks. `rides_since` counts the
/// horse's rides after a ride: a pause ends after so many.
pub fn by_fault(
    asks: &[Ask],
    ladder: &Ladder,
    rides_since: impl Fn(Uuid) -> u32,
) -> Option<EaseReason> {
    let last = asks.last()?;
    ladder.faults.iter().enumerate().find_map(|(index, fault)| {
        let rule = fault.ease.as_ref()?;
        let looked_at = latest(asks, last, rule.of_last, rule.pause_rides);
        let times = looked_at.iter().filter(|ask| ask.faults.has(index)).count() as u32;
        let over = rule.pause_rides > 0 && rides_since(last.ride_id) >= rule.pause_rides;
        (times >= rule.times && !over).then(|| EaseReason::Fault {
            fault: fault.id.clone(),
            times,
            asks: looked_at.len() as u32,
            text: rule.text.clone(),
        })
    })
}

/// The asks a rule looks at: the last so many; for a pause, all of the last ride.
fn latest<'a>(asks: &'a [Ask], last: &Ask, of_last: u32, pause_rides: u32) -> &'a [Ask] {
    let from = if pause_rides > 0 {
        asks.iter()
            .rposition(|ask| ask.ride_id != last.ride_id)
            .map_or(0, |before| before + 1)
    } else {
        asks.len().saturating_sub(of_last as usize)
    };
    &asks[from..]
}
