//! Keeps sessions in PostgreSQL. The id that the device holds is stored as its
//! SHA-256 only: whoever reads the table cannot sign in with it.

use std::time::Duration;

use async_trait::async_trait;
use cavesson_store::StoreError;
use cavesson_store::barn::session;
use cavesson_store::barn::session::Session;
use serde_json::Value;
use sha2::{Digest, Sha256};
use sqlx::PgPool;
use time::OffsetDateTime;
use tower_sessions::SessionStore;
use tower_sessions::session::{Id, Record};
use tower_sessions::session_store::{Error, Result};

use crate::Clock;
use crate::http::signed_in::{SIGNED_IN, SignedIn};

/// Sessions in PostgreSQL.
#[derive(Debug, Clone)]
pub struct PostgresSessions {
    /// The database.
    pub pool: PgPool,
    /// What time it is.
    pub clock: Clock,
}

impl PostgresSessions {
    /// A session as it is stored; it never lasts longer than its sign-in allows.
    fn stored(record: &Record) -> Result<Session> {
        let signed_in: SignedIn = record
            .data
            .get(SIGNED_IN)
            .and_then(|value| serde_json::from_value(value.clone()).ok())
            .ok_or_else(|| Error::Encode("only signed-in sessions are kept".into()))?;
        Ok(Session {
            barn_id: signed_in.barn_id,
            person_id: signed_in.person_id,
            data: Value::Object(record.data.clone().into_iter().collect()),
            expires_at: signed_in.ends_at(),
            signed_in_at: signed_in.at,
        })
    }
}

#[async_trait]
impl SessionStore for PostgresSessions {
    async fn create(&self, record: &mut Record) -> Result<()> {
        let session = PostgresSessions::stored(record)?;
        while !session::add(&self.pool, &stored_id(&record.id), &session)
            .await
            .map_err(backend)?
        {
            record.id = Id::default();
        }
        Ok(())
    }

    async fn save(&self, record: &Record) -> Result<()> {
        let session = PostgresSessions::stored(record)?;
        session::prolong(&self.pool, &stored_id(&record.id), &session)
            .await
            .map_err(backend)
    }

    async fn load(&self, id: &Id) -> Result<Option<Record>> {
        let found = session::find(&self.pool, &stored_id(id), self.clock.now())
            .await
            .map_err(backend)?;
        let Some(session) = found else {
            return Ok(None);
        };
        let Value::Object(data) = session.data else {
            return Ok(None);
        };
        let expiry_date = OffsetDateTime::from_unix_timestamp(session.expires_at.as_second())
            .map_err(|error| Error::Decode(error.to_string()))?;
        Ok(Some(Record {
            id: *id,
            data: data.into_iter().collect(),
            expiry_date,
        }))
    }

    async fn delete(&self, id: &Id) -> Result<()> {
        session::remove(&self.pool, &stored_id(id))
            .await
            .map_err(backend)
    }
}

/// Removes ended sessions once an hour, for as long as the server runs.
pub async fn sweep(pool: PgPool, clock: Clock) {
    let mut hourly = tokio::time::interval(Duration::from_secs(3600));
    loop {
        hourly.tick().await;
        if let Err(error) = session::remove_ended(&pool, clock.now()).await {
            tracing::warn!(%error, "ended sessions could not be removed");
        }
    }
}

/// The id a session is stored under.
pub fn stored_id(id: &Id) -> String {
    Sha256::digest(id.0.to_be_bytes())
        .iter()
        .map(|byte| format!("{byte:02x}"))
        .collect()
}

/// Only a database that is away is the backend's fault.
fn backend(error: StoreError) -> Error {
    match error {
        StoreError::Away(error) => Error::Backend(error.to_string()),
        error => Error::Decode(error.to_string()),
    }
}
