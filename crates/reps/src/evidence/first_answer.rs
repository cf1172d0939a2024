//! What a first ask tells of a level: how often it is not soft although the level is
//! held, and how often it is although the level is not.
//!
//! Source: own, counted on the bench of the judge: the first asks of a day and side over
//! all its populations (`tests/intake_bench.rs` counts them anew). They are figures of a
//! population that is itself a guess.

/// Chance that the first ask of a level that is held is not soft: true readiness of the
/// weaker side `READY_FROM` of the trials or more.
pub const SLIP: f64 = 0.16;
/// Chance that the first ask is soft of a level that is not held although what it needs
/// is, and that may have been begun: the first ten rides, true readiness below
/// `FALSE_BELOW` of the trials.
pub const LUCK_BEGUN: f64 = 0.30;
/// The same of a level that was never taught: the first ride.
pub const LUCK_UNTAUGHT: f64 = 0.18;
