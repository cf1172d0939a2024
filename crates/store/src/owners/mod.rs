//! What owners are shown.
//!
//! - [`horse_link`]: secret links to one horse
//! - [`owner_note`]: notes that are chosen for the owner
//! - [`owner_report`]: reports of a month

pub mod horse_link;
pub mod owner_note;
pub mod owner_report;
