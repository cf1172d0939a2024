//! Stand-ins for services of the outside world: simulated, small, on loopback only. What
//! they say is made from a seed and means nothing.
//!
//! | module | holds |
//! |---|---|
//! | [`eyes`] | a pair of timing eyes: lines over TCP, runs made over HTTP |
//! | [`flag`] | a mechanical flag with a motor, driven over TCP |
//! | [`gauge`] | a rein gauge: fifty lines a second over a WebSocket |
//! | [`faults`] | what goes wrong with all of them, from a seed |
//! | [`climate`] | weather from a seed: the same place and hour always have the same |
//! | [`service`] | the weather service: `/weather.csv`, `/weather.ics` |

pub mod climate;
pub mod eyes;
pub mod faults;
pub mod flag;
pub mod gauge;
pub mod service;
