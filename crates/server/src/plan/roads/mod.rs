//! The road to a date: what a horse's road is asked with, the road as it was found, and
//! dates at risk.
//!
//! - [`barn_pace`]: the barn's own pace, from what its horses were asked until yesterday
//! - [`road_input`]: goals, rides, pace and where a horse stands, read together
//! - [`road_cache`]: roads found, until something they rest on changes
//! - [`routes`](mod@routes): a horse's road, and the dates at risk

pub mod barn_pace;
pub mod road_cache;
pub mod road_input;
pub mod routes;

pub use routes::routes;
