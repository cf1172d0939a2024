//! Rides from the first ask of a level until it was held.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::ladder::Level;

/// How one horse came along with one level.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct LevelHistory {
    /// The horse.
    pub horse_id: Uuid,
    /// The level.
    pub level: Level,
    /// Rides that asked it, from the first until it was held, or until now.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 2000))]
    pub rides: u32,
    /// Whether it was held; otherwise it is still under way.
    pub held: bool,
}
