//! Vectors in the plane of a cheek: the mouthpiece at the origin, x to the back (towards the
//! hand), y up along the cheekpiece.

use serde::{Deserialize, Serialize};

/// A force or a place.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Vector {
    /// To the back.
    pub back: f64,
    /// Up along the cheekpiece.
    pub up: f64,
}

impl Vector {
    /// The sum.
    pub fn plus(self, other: Vector) -> Vector {
        Vector {
            back: self.back + other.back,
            up: self.up + other.up,
        }
    }

    /// The difference.
    pub fn minus(self, other: Vector) -> Vector {
        self.plus(other.times(-1.0))
    }

    /// So many times as long.
    pub fn times(self, factor: f64) -> Vector {
        Vector {
            back: self.back * factor,
            up: self.up * factor,
        }
    }

    /// Its length.
    pub fn size(self) -> f64 {
        self.back.hypot(self.up)
    }

    /// The moment about the mouthpiece of a force that pulls here; positive turns the shank
    /// to the back.
    pub fn moment_of(self, force: Vector) -> f64 {
        self.back * force.up - self.up * force.back
    }
}
