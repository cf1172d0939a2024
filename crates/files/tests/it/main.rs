//! Files, held against what it says of itself, against published figures, and against readings
//! of the rules that know nothing of its code.
//!
//! - [`archive_form`]: the archive of a barn: its published form, and what its reader says of what does not fit
//! - [`sheet_read`]: CSV sheets brought in
//! - [`sheet_written`]: sheets as CSV, read back by a reader written here from RFC 4180 alone: a cell in quotes holds anything, quotes in it doubled (2.5 to 2.7); lines end with CRLF (2.1)

mod archive_form;
mod sheet_read;
mod sheet_written;
