//! Left and right, as the rider sits.

use serde::{Deserialize, Serialize};

/// The side of the horse an ask was made on, from the rider's seat.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Side {
    /// The left rein or leg.
    Left,
    /// The right rein or leg.
    Right,
}

impl Side {
    /// Both sides, left first, as every table of the product lists them.
    pub const EACH: [Side; 2] = [Side::Left, Side::Right];

    /// The other side.
    pub fn other(self) -> Side {
        match self {
            Side::Left => Side::Right,
            Side::Right => Side::Left,
        }
    }

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            Side::Left => "left",
            Side::Right => "right",
        }
    }
}
