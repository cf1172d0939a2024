//! The stand-ins of devices and services.
//!
//! - [`climate`]: the simulated weather
//! - [`flag`]: the simulated flag against v^2 = 2 a s (even acceleration: any textbook of mechanics), and over TCP with the product's own lines
//! - [`gauge`]: the simulated rein gauge, heard with the product's own reader: what was asked is the truth it is held against

mod climate;
mod flag;
mod gauge;
