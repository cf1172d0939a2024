//! How a barn's riders differ, as far as that was known on a day.

use cavesson_core::evidence::rider::RiderOffset;
use cavesson_core::evidence::riders_from::RidersFrom;

/// How a barn's riders differ.
#[derive(Debug, Default, PartialEq)]
pub struct RidersOfBarn {
    /// The comparisons that asks are read by, the earliest first.
    pub in_use: Vec<RidersFrom>,
    /// The last comparison.
    pub latest: Vec<RiderOffset>,
}
