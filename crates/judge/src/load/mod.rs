//! How much a horse works: the load of a ride, and what four weeks of it add up to.
//!
//! - [`ride`]: minutes by gait and work, or how hard the rider says it was
//! - [`run`]: acute and chronic load, their ratio, monotony and strain of a week
//! - [`words`]: cautions, with what they are worth

pub mod ride;
pub mod run;
pub mod words;

pub use ride::{WorkAsk, ride_load};
pub use run::{DayLoad, WeekLoad, of_days, of_week};
