//! A timed ask: the time to give, or the time waited in vain.

/// One timed ask.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct TimeToGive {
    /// Seconds to the give, or waited.
    pub seconds: f64,
    /// Whether it ended with a give.
    pub gave: bool,
}
