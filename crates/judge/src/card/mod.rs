//! The ride card: which blocks today's ride has, in order, and why.
//!
//! - [`day`]: what the day has: minutes, age, heat, what is at hand, who helps
//! - [`limits`]: how long and how fast the horse may be ridden today
//! - [`fit`]: what of the ladder fits the day, and why the rest does not
//! - [`worth`]: what each level is worth as review, work, use or finish
//! - [`cold`](mod@cold): first asks before anything else
//! - [`choice`]: the best card, exactly
//! - [`lay_out`]: its parts in order, with minutes and asks a side
//! - [`side_share`]: how its asks are shared out between the sides
//! - [`block`]: what a card and its parts hold
//! - [`build`]: all of it together
//! - [`traits`]: what traits of the horse make more or less worth asking
//! - [`words`]: why, what counts as soft, when to quit, what to do if it goes wrong
//!
//! # Rules
//! Order: check over, mount and ask the brake, cold asks, loosen, review, the one new
//! or limiting thing, use it, easy finish, walk out. One new thing a ride. Nothing
//! faster than the brake held. More asks on the stiff side, between 1:1 and 2:1, the
//! good side first. Minutes by age, heat and lay-off. A breather after the work and
//! after each work on a cow.
//!
//! # Source
//! Common practice of the trade, no source; the figures are product defaults.

pub mod block;
pub mod build;
pub mod choice;
pub mod cold;
pub mod day;
pub mod fit;
pub mod horse;
pub mod lay_out;
pub mod limits;
pub mod side_share;
pub mod traits;
pub mod words;
pub mod worth;

pub use block::{Block, BlockAsks, Card, LeftOut, NamedLevel, Part};
pub use build::card;
pub use day::{Day, PlannedBlock};
pub use horse::Horse;
pub use limits::{HOT_MIN, Limits};
