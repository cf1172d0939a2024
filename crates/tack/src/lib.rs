//! Tack: bits under a pull, pieces by their measures, rules of the show ring.
//!
//! - [`gear`]: a bit under a pull, when a strap takes hold, show rules, rides in the two-rein
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Side, bounds, day, school, text, wording};
use cavesson_reps::{evidence, rep, rig};

pub mod gear;
