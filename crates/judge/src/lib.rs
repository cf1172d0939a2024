//! The judge, and what a ride is by it: rides, cards, intake, roads, tracks, load, heat.
//!
//! - [`judge`]: gate, verdict, what it would take
//! - [`ride`]: what a device sends; the rein strip
//! - [`card`]: which blocks today's ride has, and why
//! - [`intake`]: where a horse stands that nobody here has ridden: few asks, each telling most
//! - [`road`]: the barn's own pace, and the road to a date: chance, range, what decides, what helps
//! - [`track`]: a ride as points on the ground: gaits, ways round, circles, load
//! - [`load`]: how much a horse works: acute, chronic, monotony, strain
//! - [`heat`]: heat bands, heat by the hour, cooling out
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Gait, Side, bounds, day, text, wording};
use cavesson_ground::ground;
use cavesson_reps::{evidence, horse, ladder, rep, rig};
use cavesson_tack::gear;

pub mod card;
pub mod heat;
pub mod intake;
pub mod judge;
pub mod load;
pub mod ride;
pub mod road;
pub mod track;
