//! One ask and its answer, the ladder, programs, evidence, the horse beside its asks.
//!
//! - [`rep`]: one ask and its answer; what "soft" means; the measures
//! - [`rig`]: the headgear as it is worn, and since when
//! - [`ladder`]: tracks, skills, levels and their gates, as data
//! - [`program`]: what a program changes on the ladder
//! - [`evidence`]: soft share, time to give, first ask, evenness
//! - [`horse`]: sex, care, ride marks, season: what is known beside the reps
//! - [`sim_horse`]: a horse made from a seed, for demo data and trials
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{
    Gait, Side, bounds, day, footing, id, json, rows, school, sex, side, text, word_enum,
};

pub mod evidence;
pub mod horse;
pub mod ladder;
pub mod program;
pub mod rep;
pub mod rig;
pub mod sim_horse;
