//! A ride as a track of points: how long in each gait, which way round, which circles, how much
//! load.
//!
//! - [`point`]: points on the ground in feet, from latitude and longitude
//! - [`pace`]: speed along the track, gaits by hysteresis
//! - [`circle_fit`]: the circle nearest to points
//! - [`circles`]: circles ridden, and which way the horse turns
//! - [`ride`]: all of it together

pub mod circle_fit;
pub mod circles;
pub mod pace;
pub mod point;
pub mod ride;
