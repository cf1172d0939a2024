//! Is the judge right? Thousands of simulated horses are run through candidate
//! rules, and what each rule did is held against the horses' true readiness.
//!
//! - [`limits`]: what is taken to be ready, false, long enough
//! - [`population`]: the horses
//! - [`family`], [`families`]: the families of gates, each with a level of its own
//! - [`rules`]: the candidates, the shipped one among them
//! - [`result`]: false advances, delay, missed ease-backs
//! - [`afterwards`]: how long a level stays held, and how soon one that fell is lost
//! - [`coverage`]: how often the forecast's range held what happened
//! - [`report`]: the table
//! - [`road`]: whether the road to a date says what happens
//! - [`intake`]: whether an intake finds where a horse stands
//!
//! For measuring speed: [`barn`], a large barn; [`statistics`], the published
//! statistics of a level all at once.

pub mod afterwards;
pub mod barn;
pub mod coverage;
pub mod families;
pub mod family;
pub mod intake;
pub mod limits;
pub mod population;
pub mod report;
pub mod result;
pub mod road;
pub mod rules;
pub mod statistics;

pub use family::Family;
pub use limits::{FALSE_BELOW, READY_FROM, RIDES};
pub use population::{BenchHorse, Population};
pub use report::{Report, run};
pub use result::RuleResult;
pub use rules::Rule;
