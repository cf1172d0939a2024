//! The whole barn, out and in.
//!
//! - [`archive`]: as rows of JSON
//! - [`sheet`]: sheets out
//! - [`import`]: sheets in

pub mod archive;
pub mod import;
pub mod sheet;
