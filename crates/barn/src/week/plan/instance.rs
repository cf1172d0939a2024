//! What there is for a week: days, horses, riders, places, cattle, what stands already,
//! and what counts how much.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::planned::PlannedRide;
use super::work::Work;
use crate::heat::HeatHour;
use crate::person::{Clearance, Role};
use crate::ride::rig::RigKind;
use crate::week::{Booking, DayPlace};

/// Rides begin on this grid. Product default.
pub const STEP_MIN: u16 = 15;

/// All there is for a week.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WeekInstance {
    /// The days that are planned, in order.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 7))]
    pub days: Vec<WeekDay>,
    /// The horses.
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub horses: Vec<WeekHorse>,
    /// The people: who rides, and who stands by.
    #[cfg_attr(feature = "schema", schema(max_items = 60))]
    pub riders: Vec<WeekRider>,
    /// The places.
    #[cfg_attr(feature = "schema", schema(max_items = 40))]
    pub places: Vec<DayPlace>,
    /// The lots of cattle.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 40))]
    pub cattle: Vec<WeekLot>,
    /// What stands already and is not moved: farrier, vet, lessons, dragging.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 400))]
    pub fixed: Vec<FixedBooking>,
    /// Rides that stay as they are.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 800))]
    pub pins: Vec<PlannedRide>,
    /// The plan there was: as little of it as can be is moved.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 800))]
    pub before: Vec<PlannedRide>,
    /// What counts how much.
    #[serde(default)]
    pub weights: Weights,
}

/// A day of the week.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WeekDay {
    /// Which.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub date: Date,
    /// How hot it will be, where that is known.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 25))]
    pub heat: Vec<HeatHour>,
    /// Hours at which it is quiet in the barn; none: any hour is.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 8))]
    pub quiet: Vec<QuietHours>,
    /// Nothing is planned before this minute: it has passed.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub not_before_min: u16,
}

/// Hours at which it is quiet.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct QuietHours {
    /// Minutes from midnight to their start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub from_min: u16,
    /// Minutes from midnight to their end.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub to_min: u16,
}

/// A horse.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WeekHorse {
    /// Which.
    pub horse_id: Uuid,
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub name: String,
    /// What it is ridden in, where that is known.
    #[serde(default)]
    pub rig: Option<RigKind>,
    /// That is kept for quiet hands.
    #[serde(default)]
    pub quiet_hands: bool,
    /// The only riders named for it for now; null for all.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 20))]
    pub only_riders: Option<Vec<Uuid>>,
    /// It is at its first rides: never alone.
    #[serde(default)]
    pub first_rides: bool,
    /// Nobody gets on until it was looked at.
    #[serde(default)]
    pub check_first: bool,
    /// Why it does nothing fast for now, in a sentence: its brake. Null where the brake is held
    /// at the lope.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 300))]
    pub brake: Option<String>,
    /// Rides wanted in these days.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 12))]
    pub wanted: u8,
    /// Rides a day at the most.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 2))]
    pub most_rides_a_day: u8,
    /// Days it may still work: of the week one is off.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub most_days: u8,
    /// Days known to be off for it, 0 for the first of the week.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 7))]
    pub days_off: Vec<u8>,
    /// It worked hard on the day before the first.
    #[serde(default)]
    pub hard_before: bool,
    /// How much its rides count, 1 for as usual; more where a date comes near.
    #[cfg_attr(feature = "schema", schema(minimum = 0.1, maximum = 10))]
    pub priority: f64,
    /// Hot or green: better at quiet times.
    #[serde(default)]
    pub hot_or_green: bool,
    /// Young: early, before the heat.
    #[serde(default)]
    pub young: bool,
    /// What it can be ridden for.
    #[cfg_attr(feature = "schema", schema(max_items = 8))]
    pub works: Vec<Work>,
}

/// Somebody of the barn in that week.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WeekRider {
    /// Who.
    pub person_id: Uuid,
    /// What people call them.
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub name: String,
    /// What they are to the barn.
    pub role: Role,
    /// What they are cleared for.
    pub clearance: Clearance,
    /// The days they work.
    #[cfg_attr(feature = "schema", schema(max_items = 7))]
    pub days: Vec<RiderDay>,
    /// When they are busy elsewhere.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 350))]
    pub busy: Vec<RiderBusy>,
    /// Home in time: rides end by then, if they can.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub home_by_min: Option<u16>,
    /// The horses they know.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 200))]
    pub knows: Vec<Knows>,
}

/// A day somebody works.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RiderDay {
    /// The day, 0 for the first of the week.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub day: u8,
    /// Minutes from midnight to the start of work.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub from_min: u16,
    /// Minutes from midnight to its end.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub to_min: u16,
    /// The most horses they ride that day.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub most_horses: u8,
}

/// A stretch at which somebody is busy elsewhere.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RiderBusy {
    /// The day, 0 for the first of the week.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub day: u8,
    /// Minutes from midnight to its start.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub from_min: u16,
    /// Minutes from midnight to its end.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1440))]
    pub to_min: u16,
}

/// How well somebody knows a horse.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Knows {
    /// The horse.
    pub horse_id: Uuid,
    /// Their share of its rides.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1))]
    pub share: f64,
}

/// A lot of cattle: it turns sour when it is worked too much.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct WeekLot {
    /// Which.
    pub lot_id: Uuid,
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub name: String,
    /// Works left in these days.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 400))]
    pub works_left: u16,
    /// Works a day at the most; null for no such limit.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub works_a_day: Option<u16>,
}

/// Something that stands already.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct FixedBooking {
    /// The day, 0 for the first of the week.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 6))]
    pub day: u8,
    /// What is booked.
    pub booking: Booking,
}

/// What each soft rule counts, in points; a ride as usual is worth `ride`. Product
/// defaults, common practice, no source.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekWeights))]
#[serde(default, deny_unknown_fields)]
pub struct Weights {
    /// A ride that is wanted, times the horse's priority.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub ride: f64,
    /// How much more the first wanted ride of a horse counts than its last, as a share.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 2))]
    pub first_rides_more: f64,
    /// A ride for a gate that has nearly passed, on the first day; falling to nothing.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub gate_soon: f64,
    /// Each time the herd is gathered.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub herd: f64,
    /// Each time barrels are set.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub barrels: f64,
    /// A ride by the rider who always rides the horse.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub knows: f64,
    /// A hot or green horse ridden when it is not quiet.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub quiet: f64,
    /// A young horse, for each point of the heat index above 130.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 100))]
    pub young_heat: f64,
    /// Each quarter of an hour that somebody comes home late.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub home: f64,
    /// Two days running without a ride, or with one, where the week asks for the other.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub spread: f64,
    /// A ride of the plan before that is moved to another day or goes.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 1000))]
    pub change: f64,
}

impl Default for Weights {
    fn default() -> Weights {
        Weights {
            ride: 100.0,
            first_rides_more: 0.3,
            gate_soon: 12.0,
            herd: 25.0,
            barrels: 15.0,
            knows: 20.0,
            quiet: 15.0,
            young_heat: 0.8,
            home: 3.0,
            spread: 8.0,
            change: 30.0,
        }
    }
}

impl WeekInstance {
    /// The horse of that id.
    pub fn horse(&self, horse_id: Uuid) -> Option<&WeekHorse> {
        self.horses.iter().find(|one| one.horse_id == horse_id)
    }

    /// The person of that id.
    pub fn rider(&self, person_id: Uuid) -> Option<&WeekRider> {
        self.riders.iter().find(|one| one.person_id == person_id)
    }

    /// The place of that id.
    pub fn place(&self, place_id: Uuid) -> Option<&DayPlace> {
        self.places.iter().find(|one| one.place_id == place_id)
    }

    /// What a ride of a plan is for.
    pub fn work(&self, ride: &PlannedRide) -> Option<&Work> {
        self.horse(ride.horse_id)?.works.get(usize::from(ride.work))
    }

    /// When a ride of a plan ends, in minutes from midnight.
    pub fn to_min(&self, ride: &PlannedRide) -> u16 {
        let minutes = self.work(ride).map_or(0, |work| work.minutes);
        ride.from_min.saturating_add(minutes)
    }
}

impl WeekHorse {
    /// What its `nth` ride of the week is worth (0 for the first): the first count more,
    /// so that no horse is left standing for the sake of another's last ride.
    pub fn ride_worth(&self, nth: u8, weights: &Weights) -> f64 {
        if nth >= self.wanted {
            return 0.0;
        }
        let still = f64::from(self.wanted - 1 - nth) / f64::from(self.wanted.max(2) - 1);
        weights.ride * self.priority * (1.0 + weights.first_rides_more * still)
    }
}

impl WeekRider {
    /// Their work on a day.
    pub fn on(&self, day: u8) -> Option<&RiderDay> {
        self.days.iter().find(|one| one.day == day)
    }

    /// How well they know a horse: their share of its rides.
    pub fn knows(&self, horse_id: Uuid) -> f64 {
        let known = self.knows.iter().find(|one| one.horse_id == horse_id);
        known.map_or(0.0, |one| one.share)
    }
}

impl WeekDay {
    /// Whether it is quiet all through.
    pub fn is_quiet(&self, from_min: u16, to_min: u16) -> bool {
        self.quiet.is_empty()
            || self
                .quiet
                .iter()
                .any(|hours| hours.from_min <= from_min && to_min <= hours.to_min)
    }

    /// The heat index of the hottest hour that a ride touches; none where it is not known.
    pub fn hottest(&self, from_min: u16, to_min: u16) -> Option<f64> {
        let touched = self
            .heat
            .iter()
            .filter(|hour| hour.touches(from_min, to_min));
        touched.map(HeatHour::index).max_by(f64::total_cmp)
    }
}
