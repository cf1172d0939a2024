//! Who asks, and what they may do. A handler that takes [`Signed`] runs for a
//! signed-in person, inside a transaction of their barn; one that takes
//! [`Recorder`] runs for somebody who may record, one that takes [`Decider`] for
//! somebody who has the last word.

use axum::extract::{FromRef, FromRequestParts};
use axum::http::request::Parts;
use cavesson_store::barn::{self, Barn};
use cavesson_store::person::{self, Person};
use cavesson_store::{BarnTransaction, horse};
use jiff::civil::Date;
use jiff::tz::TimeZone;
use jiff::{Timestamp, Zoned};
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use uuid::Uuid;

use crate::App;
use crate::problem::{Answer, Problem};

/// The key under which a session keeps who is signed in.
pub const SIGNED_IN: &str = "signed_in";

/// What a session keeps.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
pub struct SignedIn {
    /// The barn.
    pub barn_id: Uuid,
    /// The person.
    pub person_id: Uuid,
}

/// A signed-in person, and a transaction inside their barn.
pub struct Signed {
    /// The transaction; commit it to keep what was written.
    pub transaction: BarnTransaction,
    /// The barn.
    pub barn: Barn,
    /// The person.
    pub person: Person,
    time_zone: TimeZone,
}

impl Signed {
    /// The time, on the barn's clock.
    pub fn now(&self) -> Zoned {
        self.zoned(Timestamp::now())
    }

    /// The barn's calendar day of a time.
    pub fn day_of(&self, at: Timestamp) -> Date {
        self.zoned(at).date()
    }

    fn zoned(&self, at: Timestamp) -> Zoned {
        at.to_zoned(self.time_zone.clone())
    }

    /// The owner whose horses alone may be seen; none for those who see all.
    pub fn only_horses_of(&self) -> Option<Uuid> {
        (!self.person.role.sees_all_horses()).then_some(self.person.person_id)
    }

    /// A horse this person may see.
    ///
    /// # Errors
    /// Not found, also for another barn's horse.
    pub async fn horse(&mut self, horse_id: Uuid) -> Answer<horse::Horse> {
        let owner = self.only_horses_of();
        horse::find(&mut self.transaction, horse_id, owner)
            .await?
            .ok_or_else(|| Problem::not_found("no such horse in this barn"))
    }
}

impl<S> FromRequestParts<S> for Signed
where
    S: Send + Sync,
    App: FromRef<S>,
{
    type Rejection = Problem;

    async fn from_request_parts(parts: &mut Parts, state: &S) -> Result<Signed, Problem> {
        let session = Session::from_request_parts(parts, state)
            .await
            .map_err(|_| Problem::not_signed_in())?;
        let signed_in: SignedIn = session
            .get(SIGNED_IN)
            .await?
            .ok_or_else(Problem::not_signed_in)?;
        let app = App::from_ref(state);
        let mut transaction = BarnTransaction::begin(&app.pool, signed_in.barn_id).await?;
        let person = person::find(&mut transaction, signed_in.person_id)
            .await?
            .ok_or_else(Problem::not_signed_in)?;
        let barn = barn::own(&mut transaction).await?;
        let time_zone = TimeZone::get(&barn.time_zone).unwrap_or_else(|error| {
            tracing::error!(%error, barn = barn.handle, "unknown time zone; days are counted in UTC");
            TimeZone::UTC
        });
        Ok(Signed {
            transaction,
            barn,
            person,
            time_zone,
        })
    }
}

/// A signed-in person who may record rides.
pub struct Recorder(pub Signed);

impl<S> FromRequestParts<S> for Recorder
where
    S: Send + Sync,
    App: FromRef<S>,
{
    type Rejection = Problem;

    async fn from_request_parts(parts: &mut Parts, state: &S) -> Result<Recorder, Problem> {
        let signed = Signed::from_request_parts(parts, state).await?;
        if signed.person.role.records() {
            Ok(Recorder(signed))
        } else {
            Err(Problem::not_allowed(
                "owners see their horses; rides are recorded by the barn's people",
            ))
        }
    }
}

/// A signed-in person who has the last word on the horses.
pub struct Decider(pub Signed);

impl<S> FromRequestParts<S> for Decider
where
    S: Send + Sync,
    App: FromRef<S>,
{
    type Rejection = Problem;

    async fn from_request_parts(parts: &mut Parts, state: &S) -> Result<Decider, Problem> {
        let signed = Signed::from_request_parts(parts, state).await?;
        if signed.person.role.decides() {
            Ok(Decider(signed))
        } else {
            Err(Problem::not_allowed(
                "trainers overrule the judge and change programs; ask one of them",
            ))
        }
    }
}
