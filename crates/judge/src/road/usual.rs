//! How many rides a level takes, while a barn knows little of its own.
//!
//! Source: product default, common practice, no source. A gate needs its days; a horse that
//! is shown something new needs some rides before the answers are there.

use crate::ladder::LadderLevel;

/// Rides until the answers are there, beside the days a gate needs.
const UNTIL_THERE: f64 = 6.0;
/// How far the rides of horses lie apart, as a standard deviation of their logarithm.
pub const SPREAD: f64 = 0.6;

/// Rides from the first ask until it is held, every second horse.
pub fn usual_rides(level: &LadderLevel) -> f64 {
    let gate = &level.gate;
    if gate.least_count > 0 {
        return f64::from(gate.least_days.max(1)) + 2.0;
    }
    f64::from(gate.least_days.max(1)) + UNTIL_THERE
}
