//! The people of a barn.
//!
//! - [`role`]: trainer, rider, helper, owner, and what each may do
//! - [`username`]: what somebody signs in with
//! - [`clearance`]: whom, in what and after what a person may ride
//! - [`hours`]: who works which days, from when to when

pub mod clearance;
pub mod hours;
pub mod role;
pub mod username;

pub use clearance::{Clearance, NotCleared, RideNeeds};
pub use hours::WorkHours;
pub use role::Role;
