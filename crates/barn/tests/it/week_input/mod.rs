//! Days, horses, riders and cattle as the planner of a week sees them, counted by hand.
//!
//! - [`horses`]: what a horse is down for, how often, and what stands already
//! - [`riders`]: hours and whom they know
//! - [`cattle`]: which lot for which horse, how much work is in a lot
//!
//! Common practice of the trade, no source; the figures are product defaults.

mod cattle;
mod horses;
mod riders;
