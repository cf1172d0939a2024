//! Is the judge right? Thousands of simulated horses are run through candidate
//! rules, and what each rule did is held against the horses' true readiness.
//!
//! - [`population`]: the horses
//! - [`rules`]: the candidates, the shipped one among them
//! - [`result`]: false advances, delay, missed ease-backs
//! - [`foretold`]: how often the forecast's range held what happened
//! - [`report`]: the table
//!
//! For measuring speed: [`barn`], a large barn; [`statistics`], the published
//! statistics of a level all at once.

pub mod barn;
pub mod foretold;
pub mod population;
pub mod report;
pub mod result;
pub mod rules;
pub mod statistics;

pub use population::{BenchHorse, Population};
pub use report::{Report, run};
pub use result::RuleResult;
pub use rules::Rule;

/// True readiness below which an advance was false.
pub const FALSE_BELOW: f64 = 0.70;
/// True readiness of both sides from which on a horse is ready.
pub const READY_FROM: f64 = 0.80;
/// Rides of each horse.
pub const RIDES: usize = 80;
