//! One ride of a plan.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// One ride of a plan.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct PlannedRide {
    /// The day, 0 for the first of the week.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub day: u8,
    /// Minutes from midnight to its start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1439))]
    pub from_min: u16,
    /// The horse.
    pub horse_id: Uuid,
    /// Which of the horse's works, 0 for the first.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 7))]
    pub work: u8,
    /// Who rides.
    pub person_id: Uuid,
    /// Where.
    pub place_id: Uuid,
}

impl PlannedRide {
    /// The id its booking has in the eyes of the day's rules: one for each horse, day and
    /// ride of that day.
    pub fn seen_as(horse_id: Uuid, day: u8, nth: u8) -> Uuid {
        Uuid::from_u128(horse_id.as_u128() ^ (u128::from(day) << 8 | u128::from(nth) | 0x8000))
    }
}
