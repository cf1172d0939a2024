//! The day and the week: who rides which horse when and where, and the rules for it.
//!
//! - [`booking`]: what stands in a day, and what its rules need to know
//! - [`day_horse`]: a judged horse on a day
//! - [`usual`]: what a day has where nobody said otherwise
//! - [`change`]: moving, swapping, handing on
//! - [`helper`]: who stands by at rides that need somebody on the ground
//! - [`rule`]: what a day breaks, in words
//! - [`plan`]: who rides which horse on which day of a week, and what that is worth
//! - [`trips`]: the share of trips on which nothing is asked

pub mod booking;
pub mod change;
pub mod day_horse;
pub mod helper;
pub mod plan;
pub mod rule;
pub mod trips;
pub mod usual;

pub use booking::{Booking, BookingKind, BusyTime, DayHorse, DayPerson, DayPlace, DayPlan};
pub use change::DayChange;
pub use rule::{Broken, Rule, broken, broken_by};
pub use trips::Trips;
