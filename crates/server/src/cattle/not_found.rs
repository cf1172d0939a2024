//! What is said where there is no such cow, or lot.

use crate::http::problem::Problem;

pub(super) fn no_cow() -> Problem {
    Problem::not_found("no such cow in this barn")
}

pub(super) fn no_lot() -> Problem {
    Problem::not_found("no such lot of cattle in this barn")
}
