//! What stands in a day, and what the rules need to know of it. Times are minutes from
//! midnight on the barn's clock.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{
    BOOKED_MIN, BOOKING_MINUTES, BOOKINGS, BUSY_TIMES, FieldError, HEAT_HOURS, HORSES_AT_ONCE,
    OF_A_DAY, RIDES_A_DAY, together,
};
use crate::heat::HeatHour;
use crate::ladder::{AtHand, Ladder, LadderLevel, Level};
use crate::person::{Clearance, Role, WorkHours};
use crate::ride::rig::RigKind;

/// What is booked.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum BookingKind {
    /// A horse is ridden.
    Ride,
    /// An outing on which nothing is asked.
    Outing,
    /// The farrier.
    Farrier,
    /// The equine dentist.
    Dentist,
    /// The veterinarian.
    Vet,
    /// A lesson.
    Lesson,
    /// An owner visits.
    OwnerVisit,
    /// A haul.
    Haul,
    /// Barrels are set in a place.
    BarrelsSet,
    /// The herd is gathered in a place.
    HerdGathered,
    /// The ground of a place is dragged.
    GroundDragged,
}

impl BookingKind {
    /// All of them.
    pub const ALL: [BookingKind; 11] = [
        BookingKind::Ride,
        BookingKind::Outing,
        BookingKind::Farrier,
        BookingKind::Dentist,
        BookingKind::Vet,
        BookingKind::Lesson,
        BookingKind::OwnerVisit,
        BookingKind::Haul,
        BookingKind::BarrelsSet,
        BookingKind::HerdGathered,
        BookingKind::GroundDragged,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            BookingKind::Ride => "ride",
            BookingKind::Outing => "outing",
            BookingKind::Farrier => "farrier",
            BookingKind::Dentist => "dentist",
            BookingKind::Vet => "vet",
            BookingKind::Lesson => "lesson",
            BookingKind::OwnerVisit => "owner_visit",
            BookingKind::Haul => "haul",
            BookingKind::BarrelsSet => "barrels_set",
            BookingKind::HerdGathered => "herd_gathered",
            BookingKind::GroundDragged => "ground_dragged",
        }
    }

    /// The kind of that word, if there is one.
    pub fn from_word(word: &str) -> Option<BookingKind> {
        BookingKind::ALL
            .into_iter()
            .find(|kind| kind.word() == word)
    }

    /// Whether somebody is on the horse, so that the rules of riding hold.
    pub fn is_ridden(self) -> bool {
        matches!(self, BookingKind::Ride | BookingKind::Outing)
    }

    /// Whether a place is made ready: no horse and no rider is taken by it.
    pub fn is_set_up(self) -> bool {
        matches!(
            self,
            BookingKind::BarrelsSet | BookingKind::HerdGathered | BookingKind::GroundDragged
        )
    }

    /// Where the horse is, or what is done, in the middle of a sentence.
    pub fn phrase(self) -> &'static str {
        match self {
            BookingKind::Ride => "ridden",
            BookingKind::Outing => "out, with nothing asked",
            BookingKind::Farrier => "with the farrier",
            BookingKind::Dentist => "with the dentist",
            BookingKind::Vet => "with the vet",
            BookingKind::Lesson => "in a lesson",
            BookingKind::OwnerVisit => "with the owner",
            BookingKind::Haul => "on the trailer",
            BookingKind::BarrelsSet => "set with barrels",
            BookingKind::HerdGathered => "full of cattle",
            BookingKind::GroundDragged => "being dragged",
        }
    }
}

/// One booking of a day.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Booking {
    /// Its id.
    pub booking_id: Uuid,
    /// What is booked.
    pub kind: BookingKind,
    /// The horse.
    pub horse_id: Option<Uuid>,
    /// Who rides, or is there for it.
    pub person_id: Option<Uuid>,
    /// Where.
    pub place_id: Option<Uuid>,
    /// Minutes from midnight to its start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1439))]
    pub from_min: u16,
    /// How long it takes.
    #[cfg_attr(feature = "schema", schema(minimum = 5, maximum = 1440))]
    pub minutes: u16,
    /// Work on cattle.
    pub cattle: bool,
    /// Work on a pattern.
    #[serde(default)]
    pub pattern: bool,
    /// It is for fast work: the lope, or what takes a horse's strength at any gait.
    #[serde(default)]
    pub fast: bool,
    /// Somebody has to stand by.
    #[serde(default)]
    pub helper: bool,
}

impl Booking {
    /// The same, for what a level asks: cattle, a pattern, fast work.
    pub fn for_level(self, level: Option<&Level>) -> Booking {
        let at = level.and_then(|level| Ladder::every_level().at(level));
        let with = |wanted: AtHand| at.is_some_and(|at| at.with == Some(wanted));
        Booking {
            cattle: with(AtHand::Cattle),
            pattern: with(AtHand::Barrels),
            fast: at.is_some_and(LadderLevel::is_fast),
            ..self
        }
    }

    /// Minutes from midnight to its end.
    pub fn to_min(&self) -> u16 {
        self.from_min.saturating_add(self.minutes)
    }

    /// Whether it is hard on the horse: cattle, a pattern, a haul.
    pub fn is_hard(&self) -> bool {
        self.cattle || self.pattern || self.kind == BookingKind::Haul
    }

    /// Whether it is fast work: too much for a hot day.
    pub fn is_fast(&self) -> bool {
        self.fast || self.cattle || self.pattern
    }

    /// Whether both stand at the same time. One may begin as the other ends.
    pub fn overlaps(&self, other: &Booking) -> bool {
        self.from_min < other.to_min() && other.from_min < self.to_min()
    }
}

/// Somebody of the barn on that day.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DayPerson {
    /// Who.
    pub person_id: Uuid,
    /// What people call them.
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub name: String,
    /// What they are to the barn.
    pub role: Role,
    /// What they are cleared for.
    pub clearance: Clearance,
    /// The hours they work that day; null where they do not work, or set no hours at all.
    pub hours: Option<WorkHours>,
    /// Whether they set any hours, so that a day without is a day off.
    pub sets_hours: bool,
    /// They went home.
    #[serde(default)]
    pub away: bool,
    /// When they are busy elsewhere, by a calendar of their own.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 50))]
    pub busy: Vec<BusyTime>,
}

/// A stretch of a day at which somebody is busy elsewhere.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct BusyTime {
    /// Minutes from midnight to its start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub from_min: u16,
    /// Minutes from midnight to its end.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub to_min: u16,
}

/// A horse of the barn on that day.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DayHorse {
    /// Which.
    pub horse_id: Uuid,
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub name: String,
    /// What it is ridden in, where that is known.
    pub rig: Option<RigKind>,
    /// That is kept for quiet hands.
    #[serde(default)]
    pub quiet_hands: bool,
    /// The only riders named for it for now; null for all.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub only_riders: Option<Vec<Uuid>>,
    /// It is at its first rides: never alone.
    pub first_rides: bool,
    /// Rides a day at the most.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 4))]
    pub most_rides: u8,
    /// Nobody gets on until it was looked at.
    #[serde(default)]
    pub check_first: bool,
    /// Why it does nothing fast for now, in a sentence: its brake. Null where the brake is held
    /// at the lope.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 300))]
    pub brake: Option<String>,
    /// Other days of the same week, Monday to Sunday, on which it is ridden.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub other_days: u8,
    /// It works hard on the day before or after.
    #[serde(default)]
    pub hard_next_to: bool,
}

/// A place of the barn.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DayPlace {
    /// Which.
    pub place_id: Uuid,
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub name: String,
    /// Horses at once.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 40))]
    pub horses_at_once: u8,
    /// Minutes from midnight at which it opens; null: it is always open.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub opens_min: Option<u16>,
    /// Minutes from midnight at which it closes.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub closes_min: Option<u16>,
}

/// A day with all that stands in it.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DayPlan {
    /// What is booked, those that were skipped left out.
    #[cfg_attr(feature = "schema", schema(max_items = 120))]
    pub bookings: Vec<Booking>,
    /// The people.
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub people: Vec<DayPerson>,
    /// The horses.
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub horses: Vec<DayHorse>,
    /// The places.
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub places: Vec<DayPlace>,
    /// How hot it will be, where that is known.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 25))]
    pub heat: Vec<HeatHour>,
}

/// Checks when a booking stands and how long.
///
/// # Errors
/// Every field that does not fit, with what is allowed.
pub fn check_times(from_min: u16, minutes: u16) -> Result<(), Vec<FieldError>> {
    together([
        BOOKED_MIN
            .check("/from_min", f64::from(from_min))
            .map(|_| ()),
        BOOKING_MINUTES
            .check("/minutes", f64::from(minutes))
            .map(|_| ()),
    ])
}

impl DayPlan {
    /// Checks how much is said, and the times.
    ///
    /// # Errors
    /// The first field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), FieldError> {
        BOOKINGS.check_count("/bookings", self.bookings.len())?;
        OF_A_DAY.check_count("/people", self.people.len())?;
        OF_A_DAY.check_count("/horses", self.horses.len())?;
        OF_A_DAY.check_count("/places", self.places.len())?;
        HEAT_HOURS.check_count("/heat", self.heat.len())?;
        for (index, hour) in self.heat.iter().enumerate() {
            hour.check()
                .map_err(|error| error.under(&format!("/heat/{index}")))?;
        }
        for (index, person) in self.people.iter().enumerate() {
            BUSY_TIMES.check_count(&format!("/people/{index}/busy"), person.busy.len())?;
        }
        for (index, booking) in self.bookings.iter().enumerate() {
            if let Err(errors) = check_times(booking.from_min, booking.minutes) {
                let at = format!("/bookings/{index}");
                return Err(errors.into_iter().next().map_or_else(
                    || FieldError::new(at.clone(), "does not fit"),
                    |error| error.under(&at),
                ));
            }
        }
        for (index, horse) in self.horses.iter().enumerate() {
            let at = format!("/horses/{index}/most_rides");
            RIDES_A_DAY.check(&at, f64::from(horse.most_rides))?;
        }
        for (index, place) in self.places.iter().enumerate() {
            let at = format!("/places/{index}/horses_at_once");
            HORSES_AT_ONCE.check(&at, f64::from(place.horses_at_once))?;
        }
        Ok(())
    }

    /// The person of that id.
    pub fn person(&self, id: Option<Uuid>) -> Option<&DayPerson> {
        self.people
            .iter()
            .find(|person| Some(person.person_id) == id)
    }

    /// The horse of that id.
    pub fn horse(&self, id: Option<Uuid>) -> Option<&DayHorse> {
        self.horses.iter().find(|horse| Some(horse.horse_id) == id)
    }

    /// The place of that id.
    pub fn place(&self, id: Option<Uuid>) -> Option<&DayPlace> {
        self.places.iter().find(|place| Some(place.place_id) == id)
    }
}

/// Minutes from midnight.
pub fn minutes_of(time: jiff::civil::Time) -> u16 {
    u16::from(time.hour().unsigned_abs()) * 60 + u16::from(time.minute().unsigned_abs())
}
