//! The barn: who is in it, how they get in, what stands in its yard, who changed what.
//!
//! - [`barns`]: the barn and [`barns::BarnTransaction`], the only way to its rows
//! - [`person`]: people and their sign-ins
//! - [`session`]: signed-in devices
//! - [`access_link`]: links that let somebody in once
//! - [`work_hours`]: who works when
//! - `shelf`: what it keeps under a name and can put away
//! - [`place`]: places to ride
//! - [`gear`]: tack on the shelf
//! - [`cattle_lot`]: lots of cattle
//! - [`device`]: devices that are unplugged
//! - [`audit`]: who changed what
//! - [`news`]: what is said once on Today

pub mod access_link;
pub mod audit;
pub mod barns;
pub mod cattle_lot;
pub mod device;
pub mod gear;
pub mod news;
pub mod person;
pub mod place;
pub mod session;
pub(crate) mod shelf;
pub mod work_hours;
