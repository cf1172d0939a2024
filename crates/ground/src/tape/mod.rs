//! A film of a run or of a piece of work, as marks only: the film itself stays where it is.
//!
//! - [`sheet`]: what is kept: films, how they are tied, marks, known points, the track
//! - [`times`]: time, splits, turns
//! - [`strides`]: what the beats of one hoof come to
//! - [`on_ground`]: the horse's way on the plan, and its pockets

pub mod on_ground;
pub mod sheet;
pub mod strides;
pub mod times;

pub use on_ground::OnGround;
pub use sheet::{Film, KnownPoint, Mark, TapeMark, TapeSheet, Tie, TrackPoint};
pub use strides::Strides;
pub use times::{BarrelTimes, Times, Turn};
