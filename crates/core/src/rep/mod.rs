//! One ask and its answer.
//!
//! - [`give`]: the horse is asked to give to a rein, a leg or both reins.

pub mod give;

use jiff::{Timestamp, civil::Date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::FieldError;
use crate::ladder::{Level, SkillId};
use crate::{Gait, Side};
pub use give::{Answer, Give, HandWeight, SoftRule};

/// One ask and its answer, as it is stored and judged.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Rep {
    /// Made on the device that recorded it (UUIDv7).
    pub rep_id: Uuid,
    /// The ride it belongs to.
    pub ride_id: Uuid,
    /// What was asked, such as `bend.flex`.
    pub skill: SkillId,
    /// The gait it was asked at.
    pub gait: Gait,
    /// The side that was asked.
    pub side: Side,
    /// The calendar day of the ride, where the barn is.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date, example = "2026-05-04"))]
    pub day: Date,
    /// When the ask began.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub asked_at: Timestamp,
    /// What was measured.
    pub measure: Measure,
}

/// What a rep records, by the measure of its skill.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum Measure {
    /// Time to give, hand weight, answer.
    Give(Give),
}

impl Measure {
    /// Whether the answer was soft at `gait`.
    pub fn is_soft(&self, gait: Gait, rule: &SoftRule) -> bool {
        match self {
            Measure::Give(give) => rule.is_soft(gait, give),
        }
    }

    /// Checks every number of the measure.
    ///
    /// # Errors
    /// The first field out of bounds, as a path below the measure.
    pub fn check(&self) -> Result<(), FieldError> {
        match self {
            Measure::Give(give) => give.check(),
        }
    }
}

impl Rep {
    /// The level this rep was asked at.
    pub fn level(&self) -> Level {
        Level {
            skill: self.skill.clone(),
            gait: self.gait,
        }
    }

    /// Whether the answer was soft. Decided here, never by a screen.
    pub fn is_soft(&self, rule: &SoftRule) -> bool {
        self.measure.is_soft(self.gait, rule)
    }

    /// The time measured, in seconds, and whether it ended with a give.
    pub fn time(&self) -> (f64, bool) {
        match &self.measure {
            Measure::Give(give) => (give.time_s, give.answer.gave()),
        }
    }
}
