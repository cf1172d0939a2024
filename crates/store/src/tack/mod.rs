//! Tack: what a horse wears, changing it, the way back.
//!
//! - [`fitting`]: what a horse wears
//! - [`bit_change`]: changing the bit
//! - [`restore`]: the way back to something mild
//! - [`ride_share`]: rides in the two-rein
//! - [`hand`]: how much was in the hand

pub mod bit_change;
pub mod fitting;
pub mod hand;
pub mod restore;
pub mod ride_share;
