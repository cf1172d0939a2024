//! CSV sheets brought in: horses, herd, rides, runs and asks.
//!
//! | module | |
//! |---|---|
//! | [`encoding`] | bytes to text |
//! | [`columns`] | which columns a sheet can have, and what is to stand in them |
//! | [`look`](mod@look) | what a file looks like, and which of its columns is which |
//! | [`known`] | what a barn has that rows may name |
//! | `cells` | days, times, numbers, words |
//! | `book` | rides, and the asks in them |
//! | `horses`, `herd`, `rides`, `runs`, `asks` | a row of each sheet |
//!
//! A sheet is read whole: everything that does not fit is told with its line and column, and
//! nothing is to be brought in while there is any.
//!
//! # Form
//! CSV (RFC 4180), commas, semicolons or tabs; CRLF, LF or CR; UTF-8 with a mark or without,
//! UTF-16 with its mark, windows-1252.

mod asks;
mod book;
mod cells;
pub mod columns;
pub mod encoding;
mod herd;
mod horses;
pub mod known;
pub mod look;
mod read;
mod rides;
mod runs;

pub use book::{ImportedBlock, ImportedRep, ImportedRide};
pub use encoding::Encoding;
pub use known::{Known, LotKnown, RideKnown};
pub use look::look;
pub use read::{Import, Made, Matched, SheetRead, ids_named, matched, read};
