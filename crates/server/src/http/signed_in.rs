//! Who asks, and what they may do. A handler that takes [`Signed`] runs for a
//! signed-in person; one that takes [`Recorder`] for somebody who may record, one
//! that takes [`Decider`] for somebody who has the last word.
//!
//! No connection to the database is held once somebody is known: the body of the
//! request may come slowly. The handler begins its own transaction after that.

use axum::extract::{FromRef, FromRequestParts};
use axum::http::request::Parts;
use cavesson_core::bounds::FieldError;
use cavesson_store::BarnTransaction;
use cavesson_store::barn::barns;
use cavesson_store::barn::barns::Barn;
use cavesson_store::barn::person;
use cavesson_store::barn::person::Person;
use cavesson_store::horse::horses;
use jiff::civil::Date;
use jiff::tz::TimeZone;
use jiff::{SignedDuration, Timestamp, Zoned};
use serde::{Deserialize, Serialize};
use tower_sessions::Session;
use uuid::Uuid;

use crate::App;
use crate::http::problem::{Answer, Problem};

/// The key under which a session keeps who is signed in.
pub const SIGNED_IN: &str = "signed_in";

/// How long a device stays signed in that is not used.
pub const UNUSED: SignedDuration = SignedDuration::from_hours(24 * 30);
/// How long a device stays signed in, however much it is used.
pub const AT_MOST: SignedDuration = SignedDuration::from_hours(24 * 180);
/// How often a device that is used is kept signed in longer.
const PROLONGED_AFTER: SignedDuration = SignedDuration::from_hours(24);

/// What a session keeps.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
pub struct SignedIn {
    /// The barn.
    pub barn_id: Uuid,
    /// The person.
    pub person_id: Uuid,
    /// When they signed in.
    #[serde(default)]
    pub at: Timestamp,
    /// When the session was last kept longer.
    #[serde(default)]
    pub prolonged_at: Timestamp,
}

impl SignedIn {
    /// Somebody who signs in now.
    pub fn new(barn_id: Uuid, person_id: Uuid, now: Timestamp) -> SignedIn {
        SignedIn {
            barn_id,
            person_id,
            at: now,
            prolonged_at: now,
        }
    }

    /// When it ends unless it is used.
    pub fn ends_at(&self) -> Timestamp {
        (self.prolonged_at + UNUSED).min(self.at + AT_MOST)
    }
}

/// A signed-in person.
pub struct Signed {
    /// The barn.
    pub barn: Barn,
    /// The person.
    pub person: Person,
    time_zone: TimeZone,
    app: App,
}

impl Signed {
    /// A transaction of their barn to look at one state of it.
    ///
    /// # Errors
    /// When the database cannot be reached.
    pub async fn look(&self) -> Answer<BarnTransaction> {
        Ok(BarnTransaction::look(&self.app.pool, self.barn.barn_id).await?)
    }

    /// A transaction of their barn to write; commit it to keep what was written.
    ///
    /// # Errors
    /// When the database cannot be reached.
    pub async fn write(&self) -> Answer<BarnTransaction> {
        Ok(BarnTransaction::begin(&self.app.pool, self.barn.barn_id).await?)
    }

    /// The time, on the barn's clock.
    pub fn now(&self) -> Zoned {
        self.zoned(self.app.clock.now())
    }

    /// The barn's calendar day.
    pub fn today(&self) -> Date {
        self.now().date()
    }

    /// Checks when something began that a device tells of.
    ///
    /// # Errors
    /// A time longer ago than a year, or ahead, at `field`.
    pub fn check_begun(&self, field: &str, at: Timestamp) -> Result<(), FieldError> {
        let ago = self.now().timestamp().duration_since(at);
        if (-1..=365).contains(&(ago.as_hours() / 24)) {
            return Ok(());
        }
        Err(FieldError::new(
            field,
            "must lie within the last year and not ahead; look at the clock of this device",
        ))
    }

    /// The barn's calendar day of a time.
    pub fn day_of(&self, at: Timestamp) -> Date {
        self.zoned(at).date()
    }

    /// The time that is so many minutes from midnight on the barn's clock. Where the
    /// clock is set forward over it, the moment after; where it comes twice, the first.
    pub fn at(&self, day: Date, minutes: u16) -> Timestamp {
        let (hour, minute) = (minutes / 60 % 24, minutes % 60);
        let civil = day.at(hour as i8, minute as i8, 0, 0);
        self.time_zone
            .to_ambiguous_zoned(civil)
            .compatible()
            .map_or(Timestamp::UNIX_EPOCH, |zoned| zoned.timestamp())
    }

    /// Minutes from midnight of that day on the barn's clock.
    pub fn minutes_of(&self, day: Date, at: Timestamp) -> u16 {
        let zoned = self.zoned(at);
        match zoned.date().cmp(&day) {
            std::cmp::Ordering::Less => 0,
            std::cmp::Ordering::Equal => {
                zoned.hour().unsigned_abs() as u16 * 60 + zoned.minute().unsigned_abs() as u16
            }
            std::cmp::Ordering::Greater => 24 * 60 - 1,
        }
    }

    /// The time of day on the barn's clock.
    pub fn time_of(&self, at: Timestamp) -> jiff::civil::Time {
        self.zoned(at).time()
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
    pub async fn horse(&self, barn: &mut BarnTransaction, horse_id: Uuid) -> Answer<horses::Horse> {
        let owner = self.only_horses_of();
        horses::find(barn, horse_id, owner)
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
        let app = App::from_ref(state);
        let signed_in = still_signed_in(&session, app.clock.now()).await?;
        let mut look = BarnTransaction::look(&app.pool, signed_in.barn_id).await?;
        let person = person::find(&mut look, signed_in.person_id)
            .await?
            .ok_or_else(Problem::not_signed_in)?;
        let barn = barns::own(&mut look).await?;
        drop(look);
        let time_zone = time_zone(&barn)?;
        Ok(Signed {
            barn,
            person,
            time_zone,
            app,
        })
    }
}

/// The time zone of a barn. In another one days would begin at the wrong hour, so
/// none is guessed.
///
/// # Errors
/// A name that the zones this program knows do not have.
pub fn time_zone(barn: &Barn) -> Answer<TimeZone> {
    TimeZone::get(&barn.time_zone).map_err(|error| {
        tracing::error!(%error, barn = barn.handle, "unknown time zone");
        Problem::time_zone(&barn.time_zone)
    })
}

/// Who is signed in; a session in use is kept longer, once a day.
async fn still_signed_in(session: &Session, now: Timestamp) -> Answer<SignedIn> {
    let mut signed_in: SignedIn = session
        .get(SIGNED_IN)
        .await?
        .ok_or_else(Problem::not_signed_in)?;
    // A session from before these times were kept counts from now.
    if signed_in.at == Timestamp::UNIX_EPOCH {
        signed_in.at = now;
    }
    if now >= signed_in.at + AT_MOST {
        return Err(Problem::not_signed_in());
    }
    if now.duration_since(signed_in.prolonged_at) >= PROLONGED_AFTER {
        signed_in.prolonged_at = now;
        session.insert(SIGNED_IN, signed_in).await?;
    }
    Ok(signed_in)
}

/// A signed-in person who may record rides.
pub struct Recorder(pub Signed);

/// A signed-in person who has the last word on the horses.
pub struct Decider(pub Signed);

/// A signed-in trainer, who keeps the barn's people, horses and yard in order.
pub struct Trainer(pub Signed);

/// An extractor of a signed-in person who may do something; the others are told who may.
macro_rules! permitted {
    ($extractor:ident, $may:ident, $refusal:literal) => {
        impl<S> FromRequestParts<S> for $extractor
        where
            S: Send + Sync,
            App: FromRef<S>,
        {
            type Rejection = Problem;

            async fn from_request_parts(
                parts: &mut Parts,
                state: &S,
            ) -> Result<$extractor, Problem> {
                let signed = Signed::from_request_parts(parts, state).await?;
                if signed.person.role.$may() {
                    Ok($extractor(signed))
                } else {
                    Err(Problem::not_allowed($refusal))
                }
            }
        }
    };
}

permitted!(
    Recorder,
    records,
    "owners see their horses; rides are recorded by the barn's people"
);
permitted!(
    Trainer,
    decides,
    "only trainers add and change people, horses and the yard; ask one of them"
);
permitted!(
    Decider,
    decides,
    "only trainers override Cavesson and change programs; ask one of them"
);
