//! A ride: its blocks, asks and answers, and what comes after it.
//!
//! - [`rides`]: rides as devices sent them
//! - [`ride_block`]: their blocks
//! - [`rep`]: asks and answers
//! - [`ride_horse`]: a ride that was recorded on the wrong horse
//! - [`timeline`]: a ride ask by ask, with its history
//! - [`intake`]: where a new horse stands
//! - [`cool_out`]: cooling out

pub mod cool_out;
pub mod intake;
pub mod rep;
pub mod ride_block;
pub mod ride_horse;
pub mod rides;
pub mod timeline;
