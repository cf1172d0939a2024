//! What can stand in the way of a ride.

use serde::{Deserialize, Serialize};

/// What stands in the way; the later ones come up only when the earlier ones do not.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekObstacle))]
#[serde(rename_all = "snake_case")]
pub enum Obstacle {
    /// Nobody gets on until it was looked at.
    CheckFirst,
    /// There is nothing it could be ridden for.
    NoWork,
    /// The horse is off.
    HorseOff,
    /// It is ridden on that day already.
    RiddenThatDay,
    /// It has its days, one off a week.
    DayOff,
    /// It may be ridden for that no more often.
    TooOften,
    /// No works left on the cattle in the week.
    WorksLeft,
    /// No works left on the cattle on that day.
    WorksLeftThatDay,
    /// It works hard the day before or after.
    HardDays,
    /// Nobody who works then is cleared for it.
    NobodyCleared,
    /// Who could ride has the most horses already.
    MostHorses,
    /// Too hot at every hour that is left.
    TooHot,
    /// Nobody who could ride has the time left.
    NoTime,
    /// No place that fits is free then.
    NoPlace,
    /// Nobody is free to stand by.
    NobodyBy,
    /// It would fit: it costs more than it brings, or the search was ended.
    NotWorth,
}

/// What stood in the way on a day.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DayObstacle {
    /// The day, 0 for the first of the week.
    pub day: u8,
    /// What.
    pub obstacle: Obstacle,
}
