//! A side that went bad at once while the other stayed soft. New, one-sided
//! trouble may be pain, and that is not for a program to answer.
//!
//! Source: that sudden one-sided change is first looked at as pain is common
//! practice of the trade, no source; the figures are product defaults.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::evidence::Ask;

const LEAST_BEFORE: usize = 12;
const LEAST_IN_RIDE: usize = 4;
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
    if seen.len() < LEAST_BEFORE + 2 * LEAST_IN_RIDE {
        return None;
    }
    let ride_starts = seen.iter().rposition(|ask| ask.ride_id != last);
    let ride = &seen[ride_starts.map_or(0, |before| before + 1)..];
    let may_have_dropped = |side: Side| {
        let (asked, share) = tally(ride, |ask| ask.ride_id == last && ask.side == side);
        asked >= LEAST_IN_RIDE && share <= DROPPED_TO
    };
    if !Side::EACH.into_iter().any(may_have_dropped) {
        return None;
    }
    Side::EACH.into_iter().find_map(|side| {
        let (asked, share) = tally(seen, |ask| ask.ride_id == last && ask.side == side);
        let (asked_before, before) = tally(seen, |ask| ask.ride_id != last && ask.side == side);
        let (asked_other, other) = tally(seen, |ask| ask.ride_id == last && ask.side != side);
        let dropped = asked >= LEAST_IN_RIDE
            && asked_before >= LEAST_BEFORE
            && asked_other >= LEAST_IN_RIDE
            && share <= DROPPED_TO
            && before >= SOFT_BEFORE
            && other >= OTHER_SIDE_SOFT;
        dropped.then(|| SideDrop {
            side,
            share_before: before,
            soft: (share * asked as f64).round() as u32,
            asked: asked as u32,
        })
    })
}

fn tally(seen: &[Ask], of: impl Fn(&Ask) -> bool) -> (usize, f64) {
    let asked = seen.iter().filter(|ask| of(ask)).count();
    let soft = seen.iter().filter(|ask| of(ask) && ask.soft).count();
    (
        asked,
        if asked == 0 {
            0.0
        } else {
            soft as f64 / asked as f64
        },
    )
}
