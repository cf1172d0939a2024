//! What lies under everything: bounds, texts, ids, sides, gaits, days, words.
//!
//! - [`bounds`]: every limit on a number that comes from outside, in one table
//! - [`text`]: what a text from outside may hold; rows of a sheet; JSON read strictly; words of kinds
//! - [`rows`]: what a text from outside may hold; rows of a sheet; JSON read strictly; words of kinds
//! - [`json`]: what a text from outside may hold; rows of a sheet; JSON read strictly; words of kinds
//! - [`word_enum`](mod@word_enum): what a text from outside may hold; rows of a sheet; JSON read strictly; words of kinds
//! - [`wording`]: numbers, plurals, days and pronouns in plain words
//! - [`day`]: what skills, levels and faults are called; left and right; stand to gallop; the ground; counting days
//! - [`id`]: what skills, levels and faults are called; left and right; stand to gallop; the ground; counting days
//! - [`side`]: what skills, levels and faults are called; left and right; stand to gallop; the ground; counting days
//! - [`sex`]: mare, gelding or stallion
//! - [`gait`]: what skills, levels and faults are called; left and right; stand to gallop; the ground; counting days
//! - [`footing`]: what skills, levels and faults are called; left and right; stand to gallop; the ground; counting days
//! - [`school`]: where good trainers disagree
//!
//! No clock, network, files or async, and no chance without a seed: see `cavesson-core`.

#![warn(clippy::unwrap_used)]

pub mod bounds;
pub mod day;
pub mod footing;
pub mod gait;
pub mod id;
pub mod json;
pub mod rows;
pub mod school;
pub mod sex;
pub mod side;
pub mod text;
pub mod word_enum;
pub mod wording;

pub use gait::Gait;
pub use side::Side;
