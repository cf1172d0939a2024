//! Open formats in and out, and what devices say.
//!
//! - [`exchange`]: what devices say; open formats in and out
//! - [`device`]: what devices say; open formats in and out
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

// What it stands on, by the names it has there.
use cavesson_base::{Side, bounds, footing, id, rows, text, word_enum};
use cavesson_cattle::cattle;
use cavesson_ground::ground;
use cavesson_judge::{ride, track};
use cavesson_reps::{horse, ladder, rep};

pub mod device;
pub mod exchange;
