//! What devices say.
//!
//! - [`timer`]: timing eyes at a line, which run they timed, what went wrong

pub mod timer;
