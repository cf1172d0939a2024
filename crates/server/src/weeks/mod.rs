//! The week: what there is, the plan as it stands, a plan that is looked for, and the plan
//! that is taken.
//!
//! - [`asked`]: the week as the planner sees it: its [`days`], [`horses`] and [`people`]
//! - [`what_if`]: what is assumed for once
//! - [`works`]: what each horse can be ridden for
//! - [`stood`]: rides that stand as rides of a plan
//! - [`solves`]: plans that are looked for, with progress and stop
//! - [`kept`]: a plan put into the days

pub mod asked;
mod days;
mod horses;
mod kept;
mod people;
mod routes;
pub mod solves;
mod stood;
mod what_if;
mod works;

pub use routes::routes;
