//! The ground: places to scale, courses, drills, trail, runs, films.
//!
//! - [`ground`]: places to scale, the barrel course and how it fits, setting out, drills, trail
//! - [`tape`]: what the marks of a film come to: splits, strides, the way on the plan
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Gait, Side, bounds, day, footing, id, text, word_enum, wording};
use cavesson_reps::{evidence, ladder, rep};

pub mod ground;
pub mod tape;
