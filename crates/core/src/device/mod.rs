//! What devices say, and what they are told.
//!
//! - [`line`]: a line with a sum
//! - [`timer`]: timing eyes at a line, which run they timed, what went wrong
//! - [`flag`]: a mechanical flag

pub mod flag;
pub mod line;
pub mod timer;
