//! The day: bookings, weather, trips, busy times.
//!
//! - [`bookings`]: A booking that stands: moved, handed on, swapped with another, skipped and brought back
//! - [`busy`]: when people are busy elsewhere: calendars of their own that come in
//! - [`day_plan`]: A day as the rules see it: its bookings, the barn's people, horses and places
//! - [`days`]: days as they stand, and what is booked on them
//! - [`ics`]: calendars that come in: the times of their events, each occurrence by itself
//! - [`trips`]: trips with the trailer, and the share on which nothing was asked
//! - [`weather`]: heat by the hour: from a weather service that the server was told of, or from rows and calendars that a trainer pastes

pub(crate) mod bookings;
pub(crate) mod busy;
pub(crate) mod day_plan;
pub(crate) mod days;
pub(crate) mod ics;
pub(crate) mod trips;
pub mod weather;
