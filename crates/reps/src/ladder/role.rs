//! What a skill is in the work, where a rule has to know it: the brake, moving out, what
//! counts as fast. Rules name roles, never the id of a skill.

use serde::{Deserialize, Serialize};

/// What a skill is in the work.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = LevelRole))]
#[serde(rename_all = "snake_case")]
pub enum Role {
    /// The brake: nothing is asked faster than it is held, from the stand upwards.
    Brake,
    /// Getting on and off: before it nobody rides.
    Mount,
    /// Moving out for the first time: held at the walk, first rides are over.
    FirstRide,
    /// It takes a horse's strength at any gait.
    Fast,
    /// Never alone the first time: a helper on the ground.
    NeedsHelper,
    /// A bit or hackamore that is new: the trainer begins it.
    NewBit,
    /// The first bit with leverage: what it needs is shown where a bit is chosen.
    FirstLeverage,
    /// The lightest ask: what a horse is taken out for that is down for nothing.
    LightestAsk,
    /// Asked in passing while the horse stands tied.
    TiedAsk,
    /// The barrel pattern: runs are timed on it, its last level is the finished horse.
    TimedPattern,
    /// The way back to something mild for a horse that fights the bit.
    Restore,
    /// A flag in place of a cow.
    Flag,
    /// A rollback that nothing stands behind.
    OpenRollback,
    /// A rollback round a barrel.
    BarrelRollback,
}
