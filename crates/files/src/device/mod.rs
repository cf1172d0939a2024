//! What devices say, and what they are told.
//!
//! - [`line`]: a line with a sum
//! - [`timer`]: timing eyes at a line, which run they timed, what went wrong
//! - [`flag`]: a mechanical flag
//! - [`rein_gauge`]: the pull of both reins, and the asks in it
//! - [`gauge_hold`]: which of them a hold of the thumb was

pub mod flag;
pub mod gauge_hold;
pub mod line;
pub mod rein_gauge;
pub mod timer;

use crate::word_enum::word_enum;

word_enum! {
    /// A device that a barn hears.
    Device {
        /// Timing eyes.
        Eyes = "eyes",
        /// The flag.
        Flag = "flag",
        /// A weather service.
        Weather = "weather",
    }
}
