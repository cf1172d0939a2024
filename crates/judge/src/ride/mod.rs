//! One session on one horse.
//!
//! - [`batch`]: what a device sends, and how it is checked
//! - [`clock`]: the times of a device on the server's clock
//! - [`close_out`]: how it ended, and the horse's mood
//! - [`rig`]: the headgear it was ridden in
//! - [`shares`]: the share along a ride in the two-rein, and what the horse asked for
//! - [`quit`](mod@quit): a good place to quit
//! - [`quit_use`]: what came of quitting there
//! - [`strip`]: a ride's reps as the rein strip draws them
//! - [`work`]: a work on a cow or the flag

pub mod batch;
pub mod clock;
pub mod close_out;
pub mod quit;
pub mod quit_use;
pub mod rig;
pub mod shares;
pub mod strip;
pub mod work;

pub use crate::rep::HowEnded;
pub use batch::{Batch, BlockFault, FromTape, NewBlock, NewRep, NewRide};
pub use close_out::{Exertion, Mood, RideEnd};
pub use rig::{RigFrom, RigKind};
pub use shares::{HorseAsked, ShareSaid};
pub use strip::{Strip, StripRep};
pub use work::{WorkEnd, WorkSaid};
