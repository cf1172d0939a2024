//! The store over a real PostgreSQL.
//!
//! - [`away`]: A database that is away is told apart from a query that is wrong
//! - [`barn`]: A barn with a horse, for tests of the store
//! - [`bookings`]: bookings as PostgreSQL takes and refuses them, against counting by hand
//! - [`held_rows`]: what stands beside the asks, as somebody would have it who wants it lost, doubled or seen by the wrong barn: programs by their days, comparisons of riders, news, placings
//! - [`migrations`]: A database filled by an earlier version is brought up to date without loss
//! - [`transactions`]: A transaction whose request is dropped while it begins leaves nothing behind: what runs on the same connection next is not inside it
//! - [`walls`]: the walls between barns, held by PostgreSQL itself

mod away;
mod barn;
mod bookings;
mod held_rows;
mod migrations;
mod transactions;
mod walls;
