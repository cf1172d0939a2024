//! The week: what there is, the plan as it stands, a plan that is looked for, and the plan
//! that is taken.
//!
//! - [`week_input`]: the week as the planner sees it: its [`days`], [`horses`] and [`people`]
//! - [`what_if`]: what is assumed for once
//! - [`standing_rides`]: rides that stand as rides of a plan
//! - [`plan_search`]: plans that are looked for, with progress and stop
//! - [`take_plan`]: a plan put into the days

mod days;
mod horses;
mod people;
pub mod plan_search;
mod routes;
mod standing_rides;
mod take_plan;
pub mod week_input;
mod what_if;

pub use routes::routes;
