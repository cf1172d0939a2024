//! What goes in and out: archives, sheets, imports, the review, calculators.
//!
//! - [`archives`]: the whole barn as one JSON document: out, and into a barn that is still empty
//! - [`calc`]: the calculators over HTTP
//! - [`imports`]: CSV sheets brought in: looked at row by row, stored whole or not at all, taken back whole
//! - [`reviews`]: the trainer's review: a month over the barn, and lines for invoices
//! - [`sheets`]: sheets of a barn as CSV: read row by row and sent on, so that a large barn takes no more memory than a small one

pub mod archives;
pub(crate) mod calc;
pub(crate) mod imports;
pub(crate) mod reviews;
pub(crate) mod sheets;
