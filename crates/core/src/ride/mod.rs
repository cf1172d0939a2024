//! One session on one horse.
//!
//! - [`batch`]: what a device sends, and how it is checked
//! - [`strip`]: a ride's reps as the rein strip draws them

pub mod batch;
pub mod strip;

pub use batch::{Batch, NewRep, NewRide};
pub use strip::{Strip, StripRep};
