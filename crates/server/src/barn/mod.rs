//! The barn and its people.
//!
//! - [`access_links`]: links that let somebody in once: to begin a barn, to take up an invitation, to set a new password
//! - [`account`]: what a person does about their own sign-in: another password, other devices
//! - [`barns`]: the barn itself: its name, time zone and units
//! - [`devices`]: devices that the barn hears: timing eyes, flag, weather
//! - [`health`]: whether the server and its database answer
//! - [`live`]: what changes while somebody looks on: PostgreSQL tells of every committed change of what is known of a horse, and the server tells the devices of that barn (server-sent events)
//! - [`news`]: what the trainer is told once, calmly: a level that was lost and why; what changed when the histories were told anew by a newer program
//! - [`people`]: the people of a barn: adding, changing, clearances, hours, leaving and coming back
//! - [`session`]: signing in and out
//! - [`settings`]: what the server is told when it starts
//! - [`units`]: in which units the pages speak
//! - [`yard`]: the yard: what a barn has beside people and horses

pub mod access_links;
pub(crate) mod account;
pub(crate) mod barns;
pub(crate) mod devices;
pub(crate) mod health;
pub(crate) mod live;
pub(crate) mod news;
pub(crate) mod people;
pub(crate) mod session;
pub mod settings;
pub(crate) mod units;
pub(crate) mod yard;
