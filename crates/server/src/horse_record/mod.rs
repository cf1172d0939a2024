//! What is known of the horses, kept in memory by version, and judged.
//!
//! The database is the record. A horse's row carries the version of what is
//! known of it; here stands what was read until some version, and only what came
//! after it is read again, in a transaction that sees one state. A verdict is made
//! from exactly the version that the request's own transaction sees, so it is never
//! stale; and what is kept here equals what a fresh server would read.
//!
//! - [`known`]: what is known of one horse; `read` reads it
//! - [`horse_ladder`], `programs_before`: the ladder it stands on, and stood on before
//! - [`rider_offsets`]: how the barn's riders differ
//! - `carried`: how its levels stood when it came onto its ladder
//! - [`judged`]: a horse, judged on one date
//! - [`cache`]: what is kept in memory
//! - [`keep`], `retell`, [`riders`]: verdicts kept by day, told anew by a newer program, riders compared once a day

pub mod cache;
mod carried;
pub mod horse_ladder;
pub mod judged;
pub mod keep;
pub mod known;
mod programs_before;
mod read;
mod retell;
pub mod rider_offsets;
pub mod riders;

pub use cache::KnownHorses;
pub use horse_ladder::{HorseLadder, Ladders};
pub use judged::{Judged, ReadHorse};
pub use known::Known;
pub use rider_offsets::RidersOfBarn;
