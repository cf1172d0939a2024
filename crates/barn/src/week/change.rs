//! What is done to a day by hand: a booking is added, moved, handed on, swapped with
//! another, skipped; somebody goes home.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::booking::{Booking, DayPlan};

/// A change to a day.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case", tag = "change", deny_unknown_fields)]
pub enum DayChange {
    /// A booking more.
    Add {
        /// The booking.
        booking: Booking,
    },
    /// A booking stands elsewhere: at another time, under somebody else, in another place.
    Move {
        /// Which.
        booking_id: Uuid,
        /// Who rides then.
        person_id: Option<Uuid>,
        /// Where.
        place_id: Option<Uuid>,
        /// Minutes from midnight to its start.
        from_min: u16,
        /// How long it takes then.
        minutes: u16,
    },
    /// Two bookings change times and people; each keeps its horse, its place and how long
    /// it takes.
    Swap {
        /// One.
        booking_id: Uuid,
        /// The other.
        with: Uuid,
    },
    /// A booking is skipped.
    Skip {
        /// Which.
        booking_id: Uuid,
    },
    /// Somebody goes home.
    GoesHome {
        /// Who.
        person_id: Uuid,
    },
}

impl DayChange {
    /// The day after it. What names something that is not there changes nothing.
    pub fn after(&self, day: &DayPlan) -> DayPlan {
        let mut after = day.clone();
        match *self {
            DayChange::Add { booking } => after.bookings.push(booking),
            DayChange::Move {
                booking_id,
                person_id,
                place_id,
                from_min,
                minutes,
            } => {
                let moved = after.bookings.iter_mut();
                for booking in moved.filter(|one| one.booking_id == booking_id) {
                    booking.person_id = person_id;
                    booking.place_id = place_id;
                    booking.from_min = from_min;
                    booking.minutes = minutes;
                }
            }
            DayChange::Swap { booking_id, with } => {
                let find = |id| day.bookings.iter().find(|one| one.booking_id == id);
                if let (Some(one), Some(other)) = (find(booking_id), find(with)) {
                    for booking in &mut after.bookings {
                        let to = if booking.booking_id == booking_id {
                            other
                        } else if booking.booking_id == with {
                            one
                        } else {
                            continue;
                        };
                        booking.person_id = to.person_id;
                        booking.from_min = to.from_min;
                    }
                }
            }
            DayChange::Skip { booking_id } => {
                after.bookings.retain(|one| one.booking_id != booking_id);
            }
            DayChange::GoesHome { person_id } => {
                let people = after.people.iter_mut();
                for person in people.filter(|one| one.person_id == person_id) {
                    person.away = true;
                }
            }
        }
        after
    }
}
