//! The calculators: one JSON object in, one out.
//!
//! - [`calc`]: the calculators: one JSON object in, one out
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_barn::week;
use cavesson_base::{Gait, Side, bounds, id, json};
use cavesson_cattle::cattle;
use cavesson_files::{device, exchange};
use cavesson_ground::{ground, tape};
use cavesson_judge::{card, heat, intake, judge, load, ride, road, track};
use cavesson_reps::{evidence, horse, ladder, program, rep, rig, sim_horse};
use cavesson_tack::gear;

pub mod calc;
