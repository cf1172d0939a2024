//! Where a walk stands between two days, so that it can be taken up there again.

use jiff::civil::Date;

use crate::evidence::readiness::Readiness;
use crate::judge::held::hold::Hold;

/// A gate that stood open, the level below aside, on the last day the level was asked.
#[derive(Debug, Clone, Copy)]
pub(super) struct OpenGate {
    pub(super) day: Date,
}

/// Where a walk stands between two days.
#[derive(Debug, Clone, Copy, Default)]
pub(super) struct Between {
    /// The last day that moved anything, or might have; none before the first.
    pub(super) last: Option<Date>,
    /// Asks taken in.
    pub(super) end: usize,
    /// The gate as it stood.
    pub(super) open: Option<OpenGate>,
}

/// How a level stood before one day.
#[derive(Debug, Clone)]
pub(super) struct Before {
    /// The day.
    pub(super) day: Date,
    pub(super) between: Between,
    pub(super) hold: Hold,
    pub(super) readiness: Readiness,
    pub(super) counted: usize,
    pub(super) from: usize,
    /// How many there were of each: what is told only grows.
    pub(super) days: usize,
    pub(super) changes: usize,
    pub(super) steps: usize,
    pub(super) after: usize,
}
