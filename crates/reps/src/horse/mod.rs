//! What a barn knows of a horse beside its reps.
//!
//! - [`age`]: how old it is, and whether it is young
//! - [`care`]: pain, unlevel, rig; teeth, bit seat, feet, vet, season and when they come again
//! - [`ride_mark`]: what made a ride unlike the others
//! - [`season`]: a mare's season days
//! - [`sheet`]: what a barn writes down of a horse
//! - [`rows`]: several horses from pasted rows or CSV
//! - [`goal`]: what it is meant for, and by when
//! - [`horse_trait`]: what steers its card: looks about, hot, lazy

pub mod age;
pub mod care;
pub mod goal;
pub mod horse_trait;
pub mod ride_mark;
pub mod rows;
pub mod season;
pub mod sheet;

pub use crate::sex::Sex;
pub use care::{CareDue, CareKind, CareNote};
pub use goal::{Goal, GoalKind};
pub use horse_trait::HorseTrait;
pub use ride_mark::RideMark;
pub use sheet::HorseSheet;
