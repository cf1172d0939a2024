//! A ride in the two-rein or a bosal as it is recorded: the share along the ride, and what the
//! horse asked for.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{FieldError, PERCENT, RIDE_MS};
use crate::gear::two_rein::{ShareFrom, TwoReinAsk, TwoReinEvent, TwoReinRide};

/// The share from a moment of a ride on.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct ShareSaid {
    /// Milliseconds from the ride's start; 0 for what it began with.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub after_ms: u32,
    /// Percent on the bosal; the rest is on the bridle.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub bosal_pct: f64,
}

/// What the horse asked for at a moment of a ride.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HorseAsked {
    /// Made on the device (UUIDv7).
    pub ask_id: Uuid,
    /// Milliseconds from the ride's start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub after_ms: u32,
    /// What for: in a bosal, the next one on is a smaller size.
    pub ask: TwoReinAsk,
    /// Taken back by the rider: kept, never counted.
    #[serde(default)]
    pub undone: bool,
}

impl ShareSaid {
    pub(super) fn check(&self) -> Result<(), FieldError> {
        RIDE_MS.check("/after_ms", f64::from(self.after_ms))?;
        PERCENT.check("/bosal_pct", self.bosal_pct).map(|_| ())
    }
}

impl HorseAsked {
    pub(super) fn check(&self) -> Result<(), FieldError> {
        RIDE_MS
            .check("/after_ms", f64::from(self.after_ms))
            .map(|_| ())
    }
}

/// Milliseconds of a minute.
const MINUTE_MS: f64 = 60_000.0;
/// A ride is read this far at most, in minutes.
const MOST_MIN: f64 = 600.0;

/// A ride as the two-rein reads it: the first share said stands from its start. None where no
/// share was said and it was not in a bosal alone, which is `all_bosal`.
pub fn two_rein_ride(
    shares: &[ShareSaid],
    asked: &[HorseAsked],
    ended_ms: u32,
    all_bosal: bool,
) -> Option<TwoReinRide> {
    let minute = |ms: u32| (f64::from(ms) / MINUTE_MS).min(MOST_MIN);
    let mut shares = shares.to_vec();
    shares.sort_by_key(|share| share.after_ms);
    let mut segments: Vec<ShareFrom> = shares
        .iter()
        .map(|share| ShareFrom {
            start_min: minute(share.after_ms),
            bosal_pct: share.bosal_pct,
        })
        .collect();
    match segments.first_mut() {
        Some(first) => first.start_min = 0.0,
        None if all_bosal => segments.push(ShareFrom {
            start_min: 0.0,
            bosal_pct: 100.0,
        }),
        None => return None,
    }
    let mut events: Vec<TwoReinEvent> = asked
        .iter()
        .filter(|one| !one.undone)
        .map(|one| TwoReinEvent {
            at_min: minute(one.after_ms),
            ask: one.ask,
        })
        .collect();
    events.sort_by(|a, b| a.at_min.total_cmp(&b.at_min));
    let last = segments.last().map_or(0.0, |segment| segment.start_min);
    let last = events.last().map_or(last, |event| event.at_min.max(last));
    Some(TwoReinRide {
        segments,
        events,
        end_min: minute(ended_ms).max(last),
    })
}
