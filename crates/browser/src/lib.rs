//! The core in the browser. The page hands in the name of a calculator and a JSON
//! object as UTF-8 bytes and gets a JSON object back: no rule of the trade is
//! written a second time.
//!
//! - [`answer`]: what a call answers, as text
//! - [`interface`]: bytes in and out of the page's memory
//!
//! What this crate does not do: it keeps nothing from one call to the next, and a
//! panic ends the instance; the page starts a fresh one (`web/src/base/core/`).

pub mod answer;
pub mod interface;
