//! Gear by its measures: what a piece does to the mouth for a given hand.
//!
//! - [`measures`]: a piece by its measures; [`fitting`]: how it sits on a horse
//! - [`plane`]: vectors in the plane of a cheek
//! - [`curb`]: a bit with shanks and a strap, at rest under a pull
//! - [`strap`]: when a strap takes hold, how much slack it has, which hole
//! - [`snaffle`]: the joint of a snaffle, and its squeeze, for hands wide or close
//! - [`show_rules`]: the rules of the show ring as data, and whether a piece keeps them
//! - [`protocol`]: changing the bit, step by step; [`milder`]: which piece is one step milder
//! - [`restore`]: the way back for a horse that fights the bit
//! - [`school`]: what a program's school says of a piece
//! - [`hands`]: hand weight by rider over time, and against what a rig allows
//! - [`two_rein`]: the share along a ride, asks for the bridle and back, the next start
//! - [`words`]: the same in sentences
//!
//! # Source
//! Statics, derived in each module; what is a good time to take hold is common practice, no
//! source. A figure is about the piece, never a reason to ride on where a horse hurts.

pub mod curb;
pub mod fitting;
pub mod hands;
pub mod measures;
pub mod milder;
pub mod plane;
pub mod protocol;
pub mod restore;
pub mod school;
pub mod show_rules;
pub mod snaffle;
pub mod strap;
pub mod two_rein;
pub mod words;

pub use curb::{Curb, CurbForces};
pub use fitting::{Fitting, FittingSaid};
pub use measures::{Cheek, CurbPiece, GearMeasures, Mouthpiece, Reins};
pub use plane::Vector;
pub use snaffle::{Hands, Snaffle, SnaffleForces};
pub use strap::{HoleChange, Strap, StrapFit};
