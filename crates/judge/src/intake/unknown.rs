//! Why a level could not be made sure.

use super::choice::is_reachable;
use super::safe::{Barrier, Known};

/// Why a level could not be made sure.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Unknown {
    /// It cannot be asked today.
    Barred(Barrier),
    /// What has to come first cannot be asked, or was not soft.
    Waits(Barrier),
    /// It was not its turn in the minutes there were.
    NotAsked,
}

/// Why a level that is not sure was not made so.
pub fn unknown(known: &Known<'_>, index: usize) -> Unknown {
    if let Some(barrier) = known.never(index) {
        return Unknown::Barred(barrier);
    }
    let first = known.first(index);
    match first.first() {
        Some((_, barrier)) if !is_reachable(known, index) => Unknown::Waits(*barrier),
        _ => Unknown::NotAsked,
    }
}
