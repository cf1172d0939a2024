//! Plans weeks. The core says what a week is, what a plan breaks and what it is worth;
//! here a mixed-integer solver looks for the best one.
//!
//! | module | holds |
//! |---|---|
//! | [`options`] | every single ride that the rules allow by itself |
//! | [`week`] | first step: who rides what on which day in which part of it, and the bound |
//! | [`place`] | all at once, where that is few: every rule and every term on a grid of time |
//! | [`room`], [`refill`] | a plan under way; taking rides out and filling in the best anew |
//! | [`search`], [`together`] | both steps side by side, until nothing gets better or the time is up |
//! | [`rules`], [`parts`] | what both models have and no time is needed for; parts of a day |
//! | [`milp`] | the solver from the registry behind a small face |
//! | [`instances`] | made-up weeks for benches and tests |
//! | [`calculator`] | `week`: one JSON object in, one out |
//!
//! # Method
//! The first step is a relaxation: times are parts of a day, places are sums of room. Its
//! bound is a bound on any plan, so the gap that is reported is proven. Beside it, and from
//! what it chose, rides are taken out and filled in anew, ever more rarely for the worse. A
//! small week is solved as a whole. What is lost is measured (docs/performance.md).
//!
//! Source: ruin and recreate (Schrimpf and others 2000), large neighbourhoods (Shaw 1998),
//! simulated annealing (Kirkpatrick and others 1983), all from memory; the rules are the
//! core's.

pub mod calculator;
pub mod instances;
pub mod milp;
pub mod options;
pub mod parts;
pub mod place;
pub mod refill;
pub mod room;
pub mod rules;
pub mod search;
pub mod together;
pub mod week;

pub use search::{Progress, Solved, Stage, Unsolvable, solve};
