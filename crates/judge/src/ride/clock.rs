//! The times of a device on the server's clock. Devices run ahead, run behind, or
//! are set in the middle of a ride; none of that may lose or reorder an ask. The
//! order within a ride is that of its steady clock, which no setting touches; only
//! the start of a ride is a time of day.

use jiff::{SignedDuration, Timestamp};

use crate::bounds::{CLOCK_OFF_S, FieldError};

/// Nothing was recorded before the product was.
pub const EARLIEST: &str = "2020-01-01T00:00:00Z";

/// How far to shift a device's times, from its own time at sending. A clock that
/// is off by no more than [`CLOCK_OFF_S`] is taken at its word.
pub fn shift(sent_at: Timestamp, now: Timestamp) -> SignedDuration {
    let off = now.duration_since(sent_at);
    if off.abs() <= SignedDuration::from_secs(CLOCK_OFF_S.most as i64) {
        SignedDuration::ZERO
    } else {
        off
    }
}

/// When a ride began, on the server's clock: as the device said, put right by how
/// far its clock was set since and by how far it was off at sending. What was asked
/// `last_ms` after the start was asked by `now`: a start that leaves no time for it
/// is moved back.
///
/// # Errors
/// A start before there was anything to record with, at `field`.
pub fn start(
    field: &str,
    started_at: Timestamp,
    set_forward_s: f64,
    shift: SignedDuration,
    last_ms: u32,
    now: Timestamp,
) -> Result<Timestamp, FieldError> {
    let last = SignedDuration::from_millis(i64::from(last_ms));
    let latest = now - last;
    let set = SignedDuration::try_from_secs_f64(set_forward_s).unwrap_or_default();
    let began = started_at
        .checked_add(set)
        .and_then(|began| began.checked_add(shift))
        .unwrap_or(latest)
        .min(latest);
    let earliest: Timestamp = EARLIEST.parse().expect("a valid timestamp");
    if began < earliest {
        return Err(FieldError::new(
            field,
            format!("must not be before {EARLIEST}, found {began}; say when the ride began"),
        ));
    }
    Ok(began)
}

/// When something happened so long after a ride's start; never after now.
pub fn after(started_at: Timestamp, ms: u32, now: Timestamp) -> Timestamp {
    let at = started_at + SignedDuration::from_millis(i64::from(ms));
    at.min(now.max(started_at))
}
