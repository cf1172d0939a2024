//! Does the intake find where a horse stands? Simulated horses with a known truth, of
//! the model's own make and of others.
//!
//! - [`worlds`]: the horses, what they hold and how they answer
//! - [`trial`]: one intake of one horse, and walking up from the ground beside it
//! - [`order`]: whether an intake kept the order of safety
//! - [`result`]: the tables

pub mod order;
pub mod result;
pub mod trial;
pub mod worlds;

pub use order::broken_order;
pub use result::IntakeResult;
pub use trial::{Trial, intake};
pub use worlds::{IntakeHorse, World};
