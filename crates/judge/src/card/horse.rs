//! A judged horse on the day it is ridden.

use jiff::civil::Date;

use crate::judge::{FoundHole, HorseFile, Standing};
use crate::ladder::Ladder;

/// A judged horse on the day it is ridden.
#[derive(Debug, Clone, Copy)]
pub struct Horse<'a> {
    /// The ladder it stands on.
    pub ladder: &'a Ladder,
    /// All that is known of it.
    pub file: &'a HorseFile,
    /// Where each level stands.
    pub standings: &'a [Standing],
    /// The holes under its faults, strongest first.
    pub holes: &'a [FoundHole],
    /// The date.
    pub on: Date,
}
