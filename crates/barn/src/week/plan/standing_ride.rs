//! A ride that stands in a day as a ride of a plan: what it is for is looked up among the
//! horse's works, and put there where it is not.

use uuid::Uuid;

use super::instance::WeekInstance;
use super::work::{Work, WorkKind};
use crate::ladder::Level;
use crate::week::{Booking, BookingKind};

/// Works of a horse that an instance may hold.
const MOST_WORKS: usize = 8;
/// How often in a week at the most what was not among its works: as usual, else. Product
/// default.
const AT_MOST: (u8, u8) = (12, 2);

impl WeekInstance {
    /// Which of its horse's works a booking is; a work like it is added where there is none.
    /// None for a horse that is not in the week.
    pub fn work_of(&mut self, booking: &Booking, level: Option<&Level>) -> Option<u8> {
        let kind = WorkKind::of(booking);
        let any_lot = self.cattle.first().map(|lot| lot.lot_id);
        let mut horses = self.horses.iter_mut();
        let horse = horses.find(|horse| Some(horse.horse_id) == booking.horse_id)?;
        let minutes = (booking.minutes.div_ceil(5) * 5).clamp(5, 480);
        let place_id = booking.place_id?;
        let same = horse.works.iter().position(|work| {
            work.kind == kind && work.level.as_ref() == level && work.minutes == minutes
        });
        if let Some(same) = same {
            // Where it stands it can be done.
            stands_at(&mut horse.works[same].place_ids, place_id);
            return Some(same as u8);
        }
        let alike = horse.works.iter().find(|work| work.kind == kind);
        if horse.works.len() >= MOST_WORKS {
            let alike = horse.works.iter().position(|work| work.kind == kind);
            return alike.map(|work| work as u8);
        }
        let mut place_ids = alike.map_or_else(Vec::new, |work| work.place_ids.clone());
        stands_at(&mut place_ids, place_id);
        let work = Work {
            kind,
            minutes,
            place_ids,
            lot_id: alike
                .and_then(|work| work.lot_id)
                .or(any_lot)
                .filter(|_| kind == WorkKind::Cattle),
            helper: false,
            fast: booking.fast,
            at_most: if kind == WorkKind::Ride {
                AT_MOST.0
            } else {
                AT_MOST.1
            },
            gate_soon: false,
            worth: 0.0,
            name: alike.map_or_else(
                || level.map_or_else(String::new, ToString::to_string),
                |work| work.name.clone(),
            ),
            level: level.cloned(),
        };
        horse.works.push(work);
        Some((horse.works.len() - 1) as u8)
    }
}

fn stands_at(place_ids: &mut Vec<Uuid>, place_id: Uuid) {
    if !place_ids.contains(&place_id) {
        place_ids.push(place_id);
    }
}

impl WorkKind {
    /// What kind of work a booked ride is.
    pub fn of(booking: &Booking) -> WorkKind {
        match booking.kind {
            BookingKind::Outing => WorkKind::Outing,
            _ if booking.cattle => WorkKind::Cattle,
            _ if booking.pattern => WorkKind::Pattern,
            _ => WorkKind::Ride,
        }
    }
}
