//! The day: what stands in it, how hot it is, when people are busy elsewhere.
//!
//! - [`program_day`]: which horse is ridden on which weekday
//! - [`booking`]: what stands in a day
//! - [`busy`]: when people are busy elsewhere
//! - [`weather`]: heat by the hour
//! - [`calendar_link`]: secret links for calendar programs

pub mod booking;
pub mod busy;
pub mod calendar_link;
pub mod program_day;
pub mod weather;
