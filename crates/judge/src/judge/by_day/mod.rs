//! What is known of a horse, laid out by its days.
//!
//! - [`said`]: what was said of levels, day by day, and what that covers under them
//! - [`timeline`]: how a level stood on each day, for what rests on it
//! - [`days`]: the days on which anything happened to the horse

pub mod days;
pub mod said;
pub mod timeline;
