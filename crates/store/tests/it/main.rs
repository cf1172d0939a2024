//! The store over a real PostgreSQL.
//!
//! - [`away`]: A database that is away is told apart from a query that is wrong
//! - [`barn`]: A barn with a horse, for tests of the store
//! - [`bookings`]: bookings as PostgreSQL takes and refuses them, against counting by hand
//! - [`held_rows`]: what stands beside the asks, as somebody would have it who wants it lost, doubled or seen by the wrong barn: programs by their days, comparisons of riders, news, placings
//! - [`links`]: secret links as somebody would have them who wants in
//! - [`migrations`]: A database filled by an earlier version is brought up to date without loss
//! - [`shelf`]: places, tack, lots and courses: one set of rules for all four
//! - [`transactions`]: A transaction whose request is dropped while it begins leaves nothing behind: what runs on the same connection next is not inside it
//! - [`walls`]: the walls between barns, held by PostgreSQL itself

mod away;
mod barn;
mod bookings;
mod held_rows;
mod links;
mod migrations;
mod shelf;
mod transactions;
mod walls;
