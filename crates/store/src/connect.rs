//! Connections to PostgreSQL, and what each of them is told.

use std::str::FromStr;

use sqlx::PgPool;
use sqlx::postgres::{PgConnectOptions, PgPoolOptions};

use crate::StoreResult;

/// How long a transaction may stand idle before PostgreSQL ends it. No request
/// waits for anything but the database inside one.
const IDLE_IN_TRANSACTION: &str = "30s";

/// A pool of at most `most` connections.
///
/// # Errors
/// An address that is none, or a database that does not answer.
pub async fn pool(database_url: &str, most: u32) -> StoreResult<PgPool> {
    Ok(PgPoolOptions::new()
        .max_connections(most)
        .connect_with(options(database_url)?)
        .await?)
}

/// How to connect to `database_url`.
///
/// # Errors
/// An address that is none.
pub fn options(database_url: &str) -> StoreResult<PgConnectOptions> {
    Ok(PgConnectOptions::from_str(database_url)?
        .application_name("cavesson")
        .options([("idle_in_transaction_session_timeout", IDLE_IN_TRANSACTION)]))
}
