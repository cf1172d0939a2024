//! Cattle: the herd book, which cow for which horse, the flag, a cow to practise on.
//!
//! - [`cattle`]: the herd book, how honest a cow is, which cow for which horse, when to leave, the flag, a cow to practise on
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Gait, Side, bounds, rows, text, word_enum};
use cavesson_ground::ground;
use cavesson_reps::{ladder, rep};

pub mod cattle;
