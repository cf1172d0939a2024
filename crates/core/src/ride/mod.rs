//! One session on one horse.
//!
//! - [`batch`]: what a device sends, and how it is checked
//! - [`clock`]: the times of a device on the server's clock
//! - [`quit`](mod@quit): a good place to quit
//! - [`strip`]: a ride's reps as the rein strip draws them

pub mod batch;
pub mod clock;
pub mod quit;
pub mod strip;

pub use batch::{Batch, BlockFault, NewBlock, NewRep, NewRide};
pub use strip::{Strip, StripRep};
