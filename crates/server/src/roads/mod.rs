//! The road to a date: what a horse's road is asked with, the road as it was found, and
//! dates at risk.
//!
//! - [`barn_pace`]: the barn's own pace, from what its horses were asked until yesterday
//! - [`asked`]: goals, rides, pace and where a horse stands, read together
//! - [`kept`]: roads found, until something they rest on changes
//! - [`routes`](mod@routes): a horse's road, and the dates at risk

pub mod asked;
pub mod barn_pace;
pub mod kept;
pub mod routes;

pub use routes::routes;
