//! One ask and its answer.
//!
//! | module | the horse is asked |
//! |---|---|
//! | [`give`] | to give to a rein, a leg or both reins |
//! | [`steps`] | to step: over, back, round |
//! | [`circle`] | to go round, soft |
//! | [`stop`] | to stop |
//! | [`roll`] | to roll back |
//! | [`depart`], [`change`] | to lope off; to change leads |
//! | [`carry`] | to keep something for a while |
//! | [`obstacle`] | to cross something |
//! | [`turn`] | to turn on a cow or flag |
//! | [`run`] | to run the pattern |
//! | [`calm`] | nothing but to be easy about it |
//! | [`count`] | something that only adds up |
//!
//! [`how_ended`] says how a work on a cow ended. [`measure`](mod@measure) lists them; [`recorded`] is what each says of itself in its own file.
//! [`soft`] says when an answer counts as soft, [`hand`] how much was in the hand.

pub mod calm;
pub mod carry;
pub mod change;
pub mod circle;
pub mod count;
pub mod depart;
mod fits;
pub mod give;
pub mod hand;
pub mod help;
pub mod how_ended;
pub mod measure;
pub mod obstacle;
pub mod recorded;
pub mod roll;
pub mod run;
pub mod soft;
pub mod steps;
pub mod stop;
pub mod timed;
pub mod turn;

use jiff::{Timestamp, civil::Date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::id::{FaultId, Level, RungId, SkillId};
pub use calm::Calm;
pub use carry::Carry;
pub use change::Change;
pub use circle::Circle;
pub use count::Count;
pub use depart::Depart;
pub use give::{Answer, Give};
pub use hand::HandWeight;
pub use help::Help;
pub use how_ended::HowEnded;
pub use measure::{Measure, MeasureKind};
pub use obstacle::Obstacle;
pub use recorded::{Asked, Recorded};
pub use roll::Roll;
pub use run::Run;
pub use soft::SoftRule;
pub use steps::Steps;
pub use stop::Stop;
pub use timed::TimeToGive;
pub use turn::Turn;

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
    /// The rung it was asked at, such as `walk`.
    pub rung: RungId,
    /// The side that was asked; `both` where sides are not asked apart.
    pub side: Side,
    /// The calendar day of the ride, where the barn is.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date, example = "2026-05-04"))]
    pub day: Date,
    /// When the ask began.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub asked_at: Timestamp,
    /// What was measured.
    pub measure: Measure,
    /// Faults that were seen, beside those the measure itself tells of.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub faults: Vec<FaultId>,
}

impl Rep {
    /// The level this rep was asked at.
    pub fn level(&self) -> Level {
        Level {
            skill: self.skill.clone(),
            rung: self.rung.clone(),
        }
    }
}
