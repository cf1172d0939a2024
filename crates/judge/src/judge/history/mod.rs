//! A level day by day: what each day showed, what the judge said that evening, and what
//! moved the level.
//!
//! - [`told`]: what is told of it
//! - [`given`]: what it is walked with
//! - [`level_walk`]: one level from its first day to the last
//! - [`day`]: what one day does to it
//! - [`end_of_day`], [`gaining`]: the gate that evening, and the advance
//! - [`easing`]: sent down after a poor ride, and what ends that
//! - [`dropping`]: a side that went bad at once
//! - [`below`](mod@below): what the level below showed
//! - [`between`]: where a walk can be taken up again

mod below;
mod between;
mod day;
mod dropping;
mod easing;
mod end_of_day;
mod gaining;
mod given;
mod level_walk;
mod told;

pub use below::below;
pub use easing::went_back_soft;
pub(in crate::judge) use end_of_day::gate_on_last_day;
pub use given::LevelWalk;
pub use told::{DayVerdict, History, Walked};
