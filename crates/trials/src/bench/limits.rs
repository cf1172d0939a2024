//! What the bench takes to be ready, false, long enough.

/// True readiness below which an advance was false.
pub const FALSE_BELOW: f64 = 0.70;
/// True readiness of both sides from which on a horse is ready.
pub const READY_FROM: f64 = 0.80;
/// Rides of each horse.
pub const RIDES: usize = 80;
