//! Cattle: the herd book, how honest a cow still is, which cow for which horse, when to leave the
//! cattle, the flag, and a cow to practise on.
//!
//! - [`cow`], [`health`]: what is written down of a cow; signs, treatments, withdrawal
//! - [`rows`]: several at once from a CSV file
//! - [`settle`]: settling a herd, and how long it lasts
//! - [`heading`]: what a turn says of the cow
//! - [`honesty`]: a smoothed share of honest stops, with forgetting
//! - [`herd`]: how a cow stands on a day
//! - [`tempo`]: when a quicker or a slower cow is due
//! - [`leave`]: out of the pen to dry work
//! - [`pen`]: leave, tempo and the next cow in one
//! - [`lately`]: what a horse did on cattle lately
//! - [`lots`]: which lot for a horse, and how much work a lot has in it
//! - [`summary`]: where turns come apart, and up to which tempo they hold
//! - [`matching`]: horses and cattle of a day, exactly
//! - [`flow`]: cheapest flow through pairs, used by it
//! - [`flag`]: moves of a mechanical cow, and where it is when
//! - [`round`]: a whole round on it, ridden again from its steering
//! - [`cow_model`]: a cow with a flight zone and a point of balance

pub mod cow;
pub mod cow_model;
pub mod flag;
pub mod flow;
pub mod heading;
pub mod health;
pub mod herd;
pub mod honesty;
pub mod lately;
pub mod leave;
pub mod lots;
pub mod matching;
pub mod pen;
pub mod round;
pub mod rows;
pub mod settle;
pub mod summary;
pub mod tempo;
