//! Rides: cards, what devices send, intake, cool-out.
//!
//! - [`batches`]: what devices send: rides and reps, as often as they like
//! - [`cards`]: the card of a horse's ride, and the traits that steer it
//! - [`cool_outs`]: cool-out sheets
//! - [`intakes`]: intakes: where a horse stands that nobody here has ridden
//! - [`months`]: months as they stand in an address
//! - [`offline_pack`]: what a device takes along to judge a horse without signal: all that the server judges it by
//! - [`ride_moved`]: A ride that was recorded on the wrong horse is put right
//! - [`rides`]: a ride, opened, closed and looked at

pub(crate) mod batches;
pub(crate) mod cards;
pub(crate) mod cool_outs;
pub(crate) mod intakes;
pub(crate) mod months;
pub(crate) mod offline_pack;
pub(crate) mod ride_moved;
pub(crate) mod rides;
