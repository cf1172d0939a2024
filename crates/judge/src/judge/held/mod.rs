//! Held is a state: gained, kept, in doubt, lost, regained. What is said of a level
//! is a fold over dated asks, the trainer's words, what an intake or a placing showed,
//! and the versions of the program.
//!
//! - [`score`]: what answers take off a held level, side by side
//! - [`safety`]: the same for the brake and other safety levels, and the way back
//! - [`hold`]: the machine: where a level stands, and what moves it
//! - `belief`: a level that was placed or shown at intake, until first asks say
//! - [`change`]: what moved it, with day and reason
//! - [`saying`], [`placing`]: what somebody says of a level; where a horse was placed by hand
//! - [`soft_day`]: what a level showed on one day
//! - [`ease`]: sent down, until first asks are soft again
//! - [`retention`]: how it keeps while nobody asks
//! - [`drop`]: a side that went bad at once, until somebody answers
//!
//! Three things hold whatever happens, and are tested: what counts as held stands on
//! what counts as held; time alone never makes a state better; a loss names the asks
//! it rests on.
//!
//! Source: common practice of the trade, no source; the figures are product defaults,
//! measured on the bench (docs/judge.md, "Afterwards").

mod belief;
pub mod change;
pub mod drop;
pub mod ease;
pub mod hold;
pub mod placing;
pub mod retention;
pub mod safety;
pub mod saying;
pub mod score;
pub mod soft_day;

pub use belief::{CONFIRMED_FROM, COUNTS_FROM};
pub use change::{Because, Change, Moved};
pub use hold::{Hold, Phase};
pub use saying::HeldBy;
pub use score::Missed;
