//! A rung with its gait; the part of the horse a skill speaks of.

use serde::{Deserialize, Serialize};

use crate::Gait;
use crate::id::RungId;

/// The part of the horse a skill speaks of, for the soft map.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Zone {
    /// Poll and jaw.
    Poll,
    /// Neck.
    Neck,
    /// Shoulder.
    Shoulder,
    /// Ribs.
    Ribs,
    /// Hip.
    Hip,
}

impl Zone {
    /// From the head back.
    pub const ALL: [Zone; 5] = [
        Zone::Poll,
        Zone::Neck,
        Zone::Shoulder,
        Zone::Ribs,
        Zone::Hip,
    ];
}

/// A rung with its name and gait.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Rung {
    /// Its id.
    pub id: RungId,
    /// What a trainer says: "at the walk", "half a turn".
    pub name: String,
    /// The gait it is asked at.
    pub gait: Gait,
}
