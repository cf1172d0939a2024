//! The ground: the way round a barrel course, what fits where, setting out, drills, trail, runs,
//! the film, and the devices and files that belong to it.

mod drills;
mod eyes;
mod fit;
mod geojson;
mod homography;
mod outline;
mod path;
mod runs;
mod setting_out;
mod trail;

use cavesson_base::Side;
use cavesson_ground::ground::Cloverleaf;
use cavesson_ground::ground::path::Pockets;
use cavesson_ground::ground::{Barrels, Path};

/// Five going in, four at the back, three coming out.
pub const USUAL: Pockets = [[5.0, 4.0, 3.0]; 3];

/// The published course, that barrel first.
pub fn standard(first: Side) -> Barrels {
    Cloverleaf::STANDARD.barrels(first)
}

/// The way round it.
pub fn round(course: &Barrels, pockets: &Pockets) -> Path {
    Path::round(course, pockets).unwrap()
}
