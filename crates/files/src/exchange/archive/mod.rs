//! A whole barn as one JSON document, so that it can be kept, looked into and taken elsewhere.
//!
//! - [`form`]: tables and columns, and the published JSON Schema made of them
//! - `tables`: the list of them
//! - [`read`](mod@read): bytes to rows, with the place of what does not fit
//!
//! # Form
//! `{"format": "cavesson.barn", "version": 2, "tables": {"horse": [{...}, ...], ...}}`, UTF-8. Every
//! table stands in it, in the order of [`form::tables`], rows by their key. Ids are UUIDs, days
//! `2026-05-04`, instants RFC 3339 in UTC, times of day `07:30:00`, spans PostgreSQL's range of
//! instants such as `["2026-05-04 14:00:00+00","2026-05-04 15:00:00+00")`. Units stand at the end
//! of names (`_ms`, `_s`, `_f`, `_pct`). An archive of an older version is read as well; what came
//! later is empty in it. Passwords, sessions and secret links are never in it.

pub mod form;
pub mod read;
mod tables;

pub use form::{Column, FORMAT, Kind, Table, VERSION, schema, tables};
pub use read::{Archive, Summary, summary};
