//! What a barn knows of a horse beside its reps.
//!
//! - [`care`]: pain, unlevel, rig, teeth, bit seat
//! - [`ride_mark`]: what made a ride unlike the others
//! - [`season`]: a mare's season days
//! - [`sex`]: mare, gelding or stallion
//! - [`horse_trait`]: what steers its card: looks about, hot, lazy

pub mod care;
pub mod horse_trait;
pub mod ride_mark;
pub mod season;
pub mod sex;

pub use care::{CareKind, CareNote};
pub use horse_trait::HorseTrait;
pub use ride_mark::RideMark;
pub use sex::Sex;
