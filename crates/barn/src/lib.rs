//! The barn: people, yard, week, reports.
//!
//! - [`person`]: the people of a barn, what each may do and is cleared for
//! - [`yard`]: places, gear, cattle by name and kind
//! - [`week`]: the day: bookings, changes by hand, what they break
//! - [`report`]: what a month came to: figures, then sentences
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Side, bounds, day, text, word_enum, wording};
use cavesson_ground::ground;
use cavesson_judge::{card, heat, judge, ride};
use cavesson_reps::{evidence, horse, ladder, rep, rig};
use cavesson_tack::gear;

pub mod person;
pub mod report;
pub mod week;
pub mod yard;
