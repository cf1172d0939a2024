//! What a horse is ridden for: usual work, cattle, a pattern, an outing.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::ladder::Level;
use crate::week::{Booking, BookingKind};

/// A kind of work.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum WorkKind {
    /// A ride as usual.
    Ride,
    /// A ride on cattle: hard on the horse, and the lot has only so many works.
    Cattle,
    /// A ride on a pattern: barrels are set, and it is hard on the horse.
    Pattern,
    /// An outing on which nothing is asked.
    Outing,
}

impl WorkKind {
    /// Whether it is hard on the horse: never on two days running.
    pub fn is_hard(self) -> bool {
        matches!(self, WorkKind::Cattle | WorkKind::Pattern)
    }
}

/// Something a horse can be ridden for in the week.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekWork))]
#[serde(deny_unknown_fields)]
pub struct Work {
    /// What kind.
    pub kind: WorkKind,
    /// Minutes the rider and the place are taken, in steps of five.
    #[cfg_attr(feature = "schema", schema(minimum = 5, maximum = 480))]
    pub minutes: u16,
    /// Where it can be done; never empty.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 40))]
    pub place_ids: Vec<Uuid>,
    /// The lot, for work on cattle.
    #[serde(default)]
    pub lot_id: Option<Uuid>,
    /// Somebody on the ground has to be there for it.
    #[serde(default)]
    pub helper: bool,
    /// Its level is fast: the lope, or what takes a horse's strength at any gait.
    #[serde(default)]
    pub fast: bool,
    /// How often in the week at the most.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 12))]
    pub at_most: u8,
    /// Its gate has nearly passed: the sooner it is ridden, the better.
    #[serde(default)]
    pub gate_soon: bool,
    /// What it is worth beyond a ride as usual, each time.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 200))]
    pub worth: f64,
    /// The level it is for.
    #[serde(default)]
    pub level: Option<Level>,
    /// The same in words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 120))]
    pub name: String,
}

impl Work {
    /// Whether it is fast work: too much for a hot day.
    pub fn is_fast(&self) -> bool {
        self.fast || self.kind.is_hard()
    }

    /// Whether both stand for the same: what a plan of before names is looked for by it.
    pub fn is_like(&self, other: &Work) -> bool {
        (self.kind, &self.level) == (other.kind, &other.level)
    }

    /// It as a booking of a day, for the day's rules.
    pub fn booked(
        &self,
        booking_id: Uuid,
        horse_id: Uuid,
        person_id: Uuid,
        place_id: Uuid,
        from_min: u16,
    ) -> Booking {
        Booking {
            booking_id,
            kind: match self.kind {
                WorkKind::Outing => BookingKind::Outing,
                _ => BookingKind::Ride,
            },
            horse_id: Some(horse_id),
            person_id: Some(person_id),
            place_id: Some(place_id),
            from_min,
            minutes: self.minutes,
            cattle: self.kind == WorkKind::Cattle,
            pattern: self.kind == WorkKind::Pattern,
            fast: self.fast,
            helper: self.helper,
        }
    }
}
