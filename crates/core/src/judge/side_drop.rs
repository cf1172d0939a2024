//! A side that went bad at once while the other stayed soft. New, one-sided
//! trouble may be pain, and that is not for a program to answer.
//!
//! Source: that sudden one-sided change is first looked at as pain is common
//! practice of the trade, no source; the figures are product defaults.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::evidence::{Ask, SoftCount};

const LEAST_BEFORE: u32 = 12;
const LEAST_IN_RIDE: u32 = 4;
const SOFT_BEFORE: f64 = 0.80;
const OTHER_SIDE_SOFT: f64 = 0.75;
const DROPPED_TO: f64 = 0.40;

/// A sudden drop on one side.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideDrop {
    /// The side that dropped.
    pub side: Side,
    /// Its soft share in the window before the last ride.
    pub share_before: f64,
    /// Soft answers in the last ride.
    pub soft: u32,
    /// Asks in the last ride.
    pub asked: u32,
}

/// Looks for a drop in the last ride of `seen` (asks in order).
pub fn side_drop(seen: &[Ask]) -> Option<SideDrop> {
    let last: Uuid = seen.last()?.ride_id;
    if seen.len() < (LEAST_BEFORE + 2 * LEAST_IN_RIDE) as usize {
        return None;
    }
    let ride_starts = seen.iter().rposition(|ask| ask.ride_id != last);
    let ride = &seen[ride_starts.map_or(0, |before| before + 1)..];
    let may_have_dropped = |side: Side| {
        let (asks, share) = counted(ride, |ask| ask.ride_id == last && ask.side == side);
        asks.asked >= LEAST_IN_RIDE && share <= DROPPED_TO
    };
    if !Side::EACH.into_iter().any(may_have_dropped) {
        return None;
    }
    Side::EACH.into_iter().find_map(|side| {
        let (asks, share) = counted(seen, |ask| ask.ride_id == last && ask.side == side);
        let (asks_before, before) = counted(seen, |ask| ask.ride_id != last && ask.side == side);
        let (asks_other, other) = counted(seen, |ask| ask.ride_id == last && ask.side != side);
        let dropped = asks.asked >= LEAST_IN_RIDE
            && asks_before.asked >= LEAST_BEFORE
            && asks_other.asked >= LEAST_IN_RIDE
            && share <= DROPPED_TO
            && before >= SOFT_BEFORE
            && other >= OTHER_SIDE_SOFT;
        dropped.then_some(SideDrop {
            side,
            share_before: before,
            soft: asks.soft,
            asked: asks.asked,
        })
    })
}

/// The asks counted, and their soft share: 0 where nothing was asked.
fn counted(seen: &[Ask], of: impl Fn(&Ask) -> bool) -> (SoftCount, f64) {
    let counted = SoftCount::of(seen.iter().filter(|ask| of(ask)));
    (counted, counted.share().unwrap_or_default())
}
