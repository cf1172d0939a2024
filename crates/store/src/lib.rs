//! PostgreSQL, by district: the same districts as on the server. One module a noun; row structs
//! stay inside.
//!
//! | module | holds |
//! |---|---|
//! | [`connect`] | the pool of connections, and what every connection is told |
//! | [`renumbered`] | barns that ran a build in between, before migrations run |
//! | [`error`] | what can go wrong, named constraints in the trade's words |
//! | [`stored`] | what stands as JSON, read leniently whatever version wrote it |
//! | [`barn`] | the barn: who is in it, how they get in, what stands in its yard, who changed what |
//! | [`horse`] | a horse: what is written down of it, what it is meant for, what judge and trainer said |
//! | [`ride`] | a ride: its blocks, asks and answers, and what comes after it |
//! | [`day`] | the day: what stands in it, how hot it is, when people are busy elsewhere |
//! | [`tack`] | tack: what a horse wears, changing it, the way back |
//! | [`ground`] | the ground: how places lie, courses, runs, films |
//! | [`cattle`] | cattle: the herd book, works, settling, the cow of the trainer |
//! | [`owners`] | what owners are shown |
//! | [`records`] | the whole barn, out and in |
//!
//! Two walls keep barns apart: every query names the barn, and row-level
//! security shows a [`BarnTransaction`] nothing but its own barn.

#![warn(clippy::unwrap_used)]

pub mod barn;
pub mod cattle;
pub mod connect;
pub mod day;
pub mod error;
pub mod ground;
pub mod horse;
pub mod owners;
pub mod records;
pub mod renumbered;
pub mod ride;
pub mod stored;
pub mod tack;

pub use barn::barns::BarnTransaction;
pub use error::{StoreError, StoreResult};

/// The migrations, oldest first.
pub static MIGRATOR: sqlx::migrate::Migrator = sqlx::migrate!();
