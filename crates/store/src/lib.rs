//! PostgreSQL. One module a noun; row structs stay inside.
//!
//! | module | holds |
//! |---|---|
//! | [`barn`] | the barn and [`barn::BarnTransaction`], the only way to its rows |
//! | [`person`] | people and their sign-ins |
//! | [`session`] | signed-in devices |
//! | [`place`] | arenas and pens |
//! | [`horse`] | horses |
//! | [`program_day`] | which horse is ridden on which weekday |
//! | [`ride`], [`rep`] | what was asked and answered |
//!
//! Two walls keep barns apart: every query names the barn, and row-level
//! security shows a [`barn::BarnTransaction`] nothing but its own barn.

#![warn(clippy::unwrap_used)]

pub mod barn;
pub mod error;
pub mod horse;
pub mod person;
pub mod place;
pub mod program_day;
pub mod rep;
pub mod ride;
pub mod session;

pub use barn::BarnTransaction;
pub use error::{StoreError, StoreResult};

/// The migrations, oldest first.
pub static MIGRATOR: sqlx::migrate::Migrator = sqlx::migrate!();
