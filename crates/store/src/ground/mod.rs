//! The ground: how places lie, courses, runs, films.
//!
//! - [`lay`]: how a place lies
//! - [`course`]: barrel courses, drills, trail courses
//! - [`run`]: runs of the pattern
//! - [`timed_run`]: times of timing eyes
//! - [`tape`]: films as marks

pub mod course;
pub mod lay;
pub mod run;
pub mod tape;
pub mod timed_run;
