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
//! [`soft`] says when an answer counts as soft, [`check`] whether it fits the ladder.

pub mod calm;
pub mod carry;
pub mod change;
pub mod check;
pub mod circle;
pub mod count;
pub mod depart;
pub mod give;
pub mod obstacle;
pub mod roll;
pub mod run;
pub mod soft;
pub mod steps;
pub mod stop;
pub mod turn;

use jiff::{Timestamp, civil::Date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::FieldError;
use crate::evidence::give_time::TimeToGive;
use crate::ladder::{FaultId, Level, MeasureKind, RungId, SkillId};
use crate::{Gait, Side};
pub use calm::Calm;
pub use carry::Carry;
pub use change::Change;
pub use circle::Circle;
pub use count::Count;
pub use depart::Depart;
pub use give::{Answer, Give, HandWeight};
pub use obstacle::Obstacle;
pub use roll::Roll;
pub use run::Run;
pub use soft::SoftRule;
pub use steps::Steps;
pub use stop::Stop;
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

/// What a rep records, by the measure of its skill.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum Measure {
    /// Time to give, hand weight, answer.
    Give(Give),
    /// Steps asked and clean.
    Steps(Steps),
    /// Circles and nose-ups.
    Circle(Circle),
    /// Feet quit, off the bridle.
    Stop(Stop),
    /// A rollback.
    Roll(Roll),
    /// A lope depart.
    Depart(Depart),
    /// A lead change.
    Change(Change),
    /// Something carried.
    Carry(Carry),
    /// An obstacle.
    Obstacle(Obstacle),
    /// A turn on a cow or flag.
    Turn(Turn),
    /// A run of the pattern.
    Run(Run),
    /// Relaxed, or not.
    Calm(Calm),
    /// A number that adds up.
    Count(Count),
}

/// What helped most in carry and circle work. Progress is less hand and more
/// leg at the same softness.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Help {
    /// Mostly hand.
    MostlyHand,
    /// Hand and leg evenly.
    Even,
    /// Mostly leg.
    MostlyLeg,
}

/// Every fault a measure can tell of by itself; the ladder file must have them.
pub const IMPLIED_FAULTS: &[&str] = &[
    "head_up",
    "roots_down",
    "nose_out",
    "behind_vertical",
    "falls_in",
    "leans_on_bridle",
    "creeps",
    "falls_forward",
    "stiff_exit",
    "anticipates",
    "hind_late",
    "off_obstacle",
    "shoulder_leaks",
    "head_tossed",
    "runs_past",
    "hangs_short",
    "panics_left",
    "steps_off",
    "drawn_to_gate",
];

impl Measure {
    /// Which measure it is.
    pub fn kind(&self) -> MeasureKind {
        match self {
            Measure::Give(_) => MeasureKind::Give,
            Measure::Steps(_) => MeasureKind::Steps,
            Measure::Circle(_) => MeasureKind::Circle,
            Measure::Stop(_) => MeasureKind::Stop,
            Measure::Roll(_) => MeasureKind::Roll,
            Measure::Depart(_) => MeasureKind::Depart,
            Measure::Change(_) => MeasureKind::Change,
            Measure::Carry(_) => MeasureKind::Carry,
            Measure::Obstacle(_) => MeasureKind::Obstacle,
            Measure::Turn(_) => MeasureKind::Turn,
            Measure::Run(_) => MeasureKind::Run,
            Measure::Calm(_) => MeasureKind::Calm,
            Measure::Count(_) => MeasureKind::Count,
        }
    }

    /// Whether the answer was soft at `gait`. Decided here, never by a screen.
    pub fn is_soft(&self, rule: &SoftRule, gait: Gait) -> bool {
        match self {
            Measure::Give(give) => give.is_soft(rule, gait),
            Measure::Steps(steps) => steps.is_soft(),
            Measure::Circle(circle) => circle.is_soft(rule),
            Measure::Stop(stop) => stop.is_soft(rule, gait),
            Measure::Roll(roll) => roll.is_soft(),
            Measure::Depart(depart) => depart.is_soft(),
            Measure::Change(change) => change.is_soft(),
            Measure::Carry(carry) => carry.is_soft(rule),
            Measure::Obstacle(obstacle) => obstacle.is_soft(rule),
            Measure::Turn(turn) => turn.is_soft(),
            Measure::Run(run) => run.is_soft(rule),
            Measure::Calm(calm) => calm.is_soft(),
            Measure::Count(_) => true,
        }
    }

    /// The ids of the faults the measure itself tells of.
    pub fn faults(&self, rule: &SoftRule) -> Vec<&'static str> {
        match self {
            Measure::Give(give) => give.faults().to_vec(),
            Measure::Circle(circle) => circle.faults().to_vec(),
            Measure::Stop(stop) => stop.faults(rule).to_vec(),
            Measure::Roll(roll) => roll.faults().to_vec(),
            Measure::Depart(depart) => depart.faults().to_vec(),
            Measure::Change(change) => change.faults().to_vec(),
            Measure::Obstacle(obstacle) => obstacle.faults().to_vec(),
            Measure::Turn(turn) => turn.faults(),
            Measure::Run(run) => run.faults(rule),
            Measure::Calm(calm) => calm.faults().to_vec(),
            Measure::Steps(_) | Measure::Carry(_) | Measure::Count(_) => Vec::new(),
        }
    }

    /// The time measured, and whether it ended with a give; only gives are timed.
    pub fn time(&self) -> Option<TimeToGive> {
        match self {
            Measure::Give(give) => Some(TimeToGive {
                seconds: give.time_s,
                gave: give.answer.gave(),
            }),
            _ => None,
        }
    }

    /// What it adds to a count.
    pub fn count(&self) -> u32 {
        match self {
            Measure::Count(count) => count.count,
            _ => 1,
        }
    }

    /// Checks every number of the measure.
    ///
    /// # Errors
    /// The first field out of bounds, as a path below the measure.
    pub fn check(&self) -> Result<(), FieldError> {
        match self {
            Measure::Give(give) => give.check(),
            Measure::Steps(steps) => steps.check(),
            Measure::Circle(circle) => circle.check(),
            Measure::Stop(stop) => stop.check(),
            Measure::Depart(depart) => depart.check(),
            Measure::Change(change) => change.check(),
            Measure::Carry(carry) => carry.check(),
            Measure::Obstacle(obstacle) => obstacle.check(),
            Measure::Run(run) => run.check(),
            Measure::Calm(calm) => calm.check(),
            Measure::Count(count) => count.check(),
            Measure::Roll(_) | Measure::Turn(_) => Ok(()),
        }
    }
}

/// A number that may not be above another of the same measure.
fn at_most(field: &str, value: u32, of: &str, most: u32) -> Result<(), FieldError> {
    if value <= most {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("must be at most {of} ({most}), found {value}"),
    ))
}

/// A side that cannot be both.
fn one_side(field: &str, side: Option<Side>) -> Result<(), FieldError> {
    if side == Some(Side::Both) {
        return Err(FieldError::new(field, "must be left or right, found both"));
    }
    Ok(())
}
