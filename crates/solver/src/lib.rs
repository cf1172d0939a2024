//! Plans weeks. The core says what a week is, what a plan breaks and what it is worth;
//! here a mixed-integer solver looks for the best one.
//!
//! | module | holds |
//! |---|---|
//! | [`options`] | every single ride that the rules allow by itself |
//! | [`week`] | first step: who rides what on which day in which part of it, and the bound |
//! | [`place`] | second step: times and places, by the same rules on a grid of time |
//! | [`search`] | both steps, then days solved anew until nothing gets better or the time is up |
//! | [`milp`] | the solver from the registry behind a small face |
//! | [`instances`] | made-up weeks for benches and tests |
//! | [`calculator`] | `week`: one JSON object in, one out |
//!
//! # Method
//! The first step is a relaxation: times are parts of a day, places are sums of room. Its
//! bound is a bound on any plan, so the gap that is reported is proven. The second step
//! sets the times of a day. What is lost between the two is measured (docs/performance.md).
//!
//! Source: decomposition and large neighbourhood search are standard (Shaw 1998; both from
//! memory); the rules are the core's.

pub mod calculator;
pub mod instances;
pub mod milp;
pub mod options;
pub mod place;
pub mod refill;
pub mod room;
pub mod search;
pub mod week;

pub use search::{Progress, Solved, Stage, Unsolvable, solve};
