//! Cattle: the herd book, works, settling, the cow of the trainer.
//!
//! - [`cow`]: cattle of a lot
//! - [`cow_health`]: signs and treatments
//! - [`ride_work`]: works on cattle, ride by ride
//! - [`settling`]: how a lot was settled
//! - [`cow_round`]: rounds on the cow of the trainer

pub mod cow;
pub mod cow_health;
pub mod cow_round;
pub mod ride_work;
pub mod settling;
