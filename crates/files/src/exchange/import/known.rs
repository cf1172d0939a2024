//! What a barn has already that rows of a sheet may name.

use std::collections::{HashMap, HashSet};

use jiff::Timestamp;
use jiff::civil::Date;
use jiff::tz::TimeZone;
use uuid::Uuid;

use crate::cattle::cow::CowKind;

/// What a barn has that rows may name.
pub struct Known<'a> {
    /// Who brings the sheet in: the rider where a row names none.
    pub person_id: Uuid,
    /// Everybody who may have ridden, by name.
    pub riders: &'a [(Uuid, String)],
    /// Owners by name.
    pub owners: &'a [(Uuid, String)],
    /// Programs by name.
    pub programs: &'a [(Uuid, String)],
    /// Horses by name, those gone home among them.
    pub horses: &'a [(Uuid, String)],
    /// Courses by name.
    pub courses: &'a [(Uuid, String)],
    /// Lots of cattle.
    pub lots: &'a [LotKnown],
    /// The lot of rows that name none.
    pub lot_id: Option<Uuid>,
    /// Rides of the barn that rows name by their ids.
    pub rides: &'a HashMap<Uuid, RideKnown>,
    /// Asks of the barn that rows name by their ids.
    pub reps: &'a HashSet<Uuid>,
    /// Today.
    pub today: Date,
    /// This moment.
    pub now: Timestamp,
    /// Where the barn is.
    pub time_zone: &'a TimeZone,
}

/// A lot of cattle that rows may name.
pub struct LotKnown {
    /// Its id.
    pub lot_id: Uuid,
    /// Its name.
    pub name: String,
    /// What most of it are.
    pub kind: CowKind,
    /// Tags that are taken.
    pub tags: Vec<String>,
}

/// A ride of the barn that rows may name.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct RideKnown {
    /// Its horse.
    pub horse_id: Uuid,
    /// Its day.
    pub day: Date,
    /// When it began.
    pub started_at: Timestamp,
}
