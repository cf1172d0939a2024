//! Heat: how hot it is for a horse, and how it is cooled out.
//!
//! - [`band`]: temperature plus humidity, and what each band allows
//! - [`forecast`]: heat by the hour, read from rows
//! - [`cool_out`]: pulse and breathing after work, and when a veterinarian is called

pub mod band;
pub mod cool_out;
pub mod forecast;

pub use band::{HeatBand, HeatHour};
pub use cool_out::{CoolReading, CoolSaid};
