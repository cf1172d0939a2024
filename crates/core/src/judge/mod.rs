//! The judge: from the asks of a level and its gate to a verdict with every
//! reason, and what it would take. Pure: the same reps, gate and date give the
//! same verdict, whatever order the reps arrived in.
//!
//! - [`gate_check`]: each rail of the gate, found against needed
//! - [`what_it_takes`]: the least that would fill it
//! - [`side_drop`]: a side that went bad at once
//! - [`retention`]: held, fresh, rusty
//! - [`verdict`]: the verdict, in the given order
//! - [`history`]: the verdict after each day
//! - [`words`]: how it is said

pub mod gate_check;
pub mod history;
pub mod retention;
pub mod side_drop;
pub mod verdict;
pub mod what_it_takes;
pub mod words;

pub use gate_check::{GateCheck, Item, ItemKind, check_gate};
pub use history::DayVerdict;
pub use verdict::{Judgement, Reason, State, Verdict, judge_level};
pub use what_it_takes::{Further, WhatItTakes};
