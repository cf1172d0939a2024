//! The road to a date: will this horse hold what it is meant to hold by then, what decides
//! it, and what helps most?
//!
//! - [`history`]: rides from the first ask of a level until it was held
//! - [`gathered`]: what a barn's own asks say of it, and where a horse stands
//! - [`usual`]: how many that takes, while a barn knows little of its own
//! - [`survival`]: quartiles of rides with those still under way censored, and a prior
//! - [`pace`](mod@pace): the barn's own pace per level, and each horse's factor
//! - [`asked`]: what a road is asked of: where the horse stands, goals, rides a week
//! - [`needed`]: the levels between the horse and its goals
//! - [`future`]: one future, day by day
//! - [`answer`]: what a road says
//! - [`told`]: many futures, added up
//! - [`what_would_help`]: what would help, and by how much
//! - [`priority`](mod@priority): how much more a ride of the horse counts in a week
//! - [`words`]: the same in sentences
//!
//! # Source
//! Own; how often the ranges hold what happens, and how the chances are calibrated, is
//! measured on the bench (docs/judge.md).

pub mod answer;
pub mod asked;
pub mod future;
pub mod gathered;
pub mod history;
pub mod needed;
pub mod pace;
pub mod priority;
pub mod survival;
pub mod told;
pub mod usual;
pub mod what_would_help;
pub mod words;

pub use answer::{GoalRoad, LevelRoad, OnChain, Road};
pub use asked::{GoalAsked, HorseFactor, LevelStands, RoadAsked};
pub use history::LevelHistory;
pub use pace::{HorsePace, LevelPace, Pace, pace};
pub use told::road;
pub use what_would_help::{RoadHelp, RoadHelpKind};
