//! Plans of weeks, against a checker that knows the rules and nothing of the solver.
//!
//! - [`independent`]: the rules of a week once more, written from the trade's own text and sharing no code with the planner or with the core's own rules: a plan is walked minute by minute
//! - [`plans`]: plans of random weeks against a checker that shares no code with the planner, small weeks against every plan there is, pins, weeks that cannot be planned, stopping

mod independent;
mod plans;
