//! Is the judge right? Candidate rules on simulated horses.
//!
//! - [`bench`]: is the judge right? candidate rules on simulated horses
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Gait, Side, day, wording};
use cavesson_judge::{intake, judge, road};
use cavesson_reps::{evidence, ladder, rep, sim_horse};

pub mod bench;
