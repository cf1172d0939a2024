//! What a month came to: of one horse, for its owner; of the barn, for the trainer. Figures
//! first, then sentences that hold nothing but those figures.
//!
//! - [`month`]: a calendar month of the barn
//! - [`moved`]: levels that came to be held, and those that went back
//! - [`worked`]: rides, and what was asked on them
//! - [`evenness`]: left against right
//! - [`horse_month`]: all of it together
//! - [`words`]: the same in plain sentences
//! - [`hours`]: hours by kind of work
//! - [`review`](mod@review): the month of every horse, for the trainer
//! - [`invoice`]: lines for invoices

pub mod evenness;
pub mod horse_month;
pub mod hours;
pub mod invoice;
pub mod month;
pub mod moved;
pub mod review;
pub mod words;
pub mod worked;

pub use horse_month::{Ahead, HorseMonth, HorseOfMonth};
pub use month::Month;
pub use words::{ReportPart, ReportSection};
