//! The ladder: tracks, skills, levels, needs, gates, faults, holes and remedies,
//! all as data. The data is `ladder.toml`; [`LadderFile::parse`] checks it, and a
//! program's schools and gates make of it the ladder a horse stands on.
//!
//! - [`file`](mod@file): the file's shapes; [`parse`]: what is refused in it
//! - [`error`]: every mistake, with its place
//! - [`track`], [`rung`], [`levels`]: tracks and skills, rungs, the levels in order
//! - [`need`]: how a need is written, and what it resolves to
//! - [`at_hand`]: cattle, barrels and what else has to be there
//! - [`gate`]: the numbers of a gate
//! - [`obstacle_kind`]: on which obstacle a skill is asked
//! - [`role`]: what a skill is in the work, for rules that have to know it
//! - [`fault`]: faults, the holes under them, remedies
//! - [`resolve`](mod@resolve): from file and schools to the levels
//! - [`shipped`]: the ladder that ships with the product
//! - [`check`]: an answer against the ladder

pub mod at_hand;
pub mod check;
pub mod error;
pub mod fault;
pub mod file;
pub mod gate;
pub mod levels;
pub mod need;
pub mod obstacle_kind;
pub mod parse;
pub mod resolve;
pub mod role;
pub mod rung;
pub mod shipped;
pub mod track;

pub use crate::id::{FaultId, Level, RungId, SkillId};
pub use crate::rep::MeasureKind;
pub use crate::side::Sides;
pub use at_hand::AtHand;
pub use error::LadderError;
pub use fault::{Fault, FaultSet, Hole};
pub use file::LadderFile;
pub use gate::Gate;
pub use levels::{Ladder, LadderLevel};
pub use obstacle_kind::ObstacleKind;
pub use role::Role;
pub use rung::{Rung, Zone};
pub use track::{Skill, Track};
