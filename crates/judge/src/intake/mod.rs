//! The intake: where on the ladder does a horse stand that nobody here has ridden? Found
//! in one or two rides, with few asks.
//!
//! - [`story`]: what the owner says of the horse, and this barn's own horses
//! - [`of_ride`]: what a ride says of the intake it belongs to
//! - [`asked`]: what was asked so far, and what came of it
//! - [`model`]: how likely each level is held before anything is asked
//! - [`chain`]: one draw after another of what the horse may hold
//! - [`belief`]: many draws: how sure each level is, and what an ask would tell
//! - [`safe`]: what may be asked by now
//! - [`choice`]: the next ask, and why
//! - [`mod@unknown`]: why a level could not be made sure
//! - [`found`]: what was found, and what is still unknown
//! - [`words`]: the same in sentences
//!
//! # Method
//! What a horse holds is a set of levels closed under their needs: a knowledge space
//! (Doignon and Falmagne, Int. J. Man-Machine Studies 23, 1985, 175-196), assessed by asks
//! with slips and lucky answers (Falmagne and Doignon, J. Math. Psychology 32, 1988,
//! 232-258; both from memory). The posterior is drawn by a Markov chain over closed sets
//! that moves between a centred and a non-centred form (Yu and Meng, J. Comp. Graph.
//! Statistics 20, 2011, 531-570; from memory).

pub mod asked;
pub mod belief;
pub mod chain;
pub mod choice;
pub mod found;
pub mod model;
pub mod of_ride;
pub mod safe;
pub mod story;
pub mod unknown;
pub mod words;

pub use asked::IntakeAsk;
pub use belief::Belief;
pub use choice::{NextAsk, Stop, next_ask};
pub use found::{Found, found};
pub use model::Model;
pub use of_ride::IntakeOfRide;
pub use story::{BarnHorse, Story};
pub use unknown::Unknown;
