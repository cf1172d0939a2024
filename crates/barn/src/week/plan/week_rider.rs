//! Somebody who rides as the planner of a week sees them: hours, and whom they know.

use jiff::civil::Date;
use uuid::Uuid;

use super::instance::{Knows, RiderDay};
use crate::person::WorkHours;
use crate::week::booking::minutes_of;

/// The hours of somebody who set none: from, to, horses. Product default.
const USUAL_HOURS: (u16, u16, u8) = (7 * 60, 18 * 60, 20);
/// Days looked back for who knows a horse. Product default.
pub const KNOWN_DAYS: i64 = 90;

/// So often somebody rode a horse lately.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct RodeLately {
    /// The horse.
    pub horse_id: Uuid,
    /// Who rode.
    pub person_id: Uuid,
    /// How often.
    pub rides: i64,
}

/// The days on which somebody rides, by the hours of their own; on the day somebody goes
/// home, until the minute of `home_at`.
pub fn days_of(own: &[WorkHours], dates: &[Date], home_at: Option<(Date, u16)>) -> Vec<RiderDay> {
    let on = |(day, date): (usize, &Date)| {
        let (from_min, to_min, most_horses) = hours_on(own, *date)?;
        let to_min = match home_at {
            Some((day, at)) if day == *date => at.min(to_min),
            _ => to_min,
        };
        (from_min < to_min).then_some(RiderDay {
            day: day as u8,
            from_min,
            to_min,
            most_horses,
        })
    };
    dates.iter().enumerate().filter_map(on).collect()
}

/// From when, to when, and how many horses somebody rides on a day; none on a day off.
fn hours_on(own: &[WorkHours], date: Date) -> Option<(u16, u16, u8)> {
    if own.is_empty() {
        return Some(USUAL_HOURS);
    }
    let weekday = date.weekday().to_monday_one_offset().unsigned_abs();
    let of_day = own.iter().find(|hours| hours.weekday == weekday)?;
    let (from, to) = (minutes_of(of_day.from), minutes_of(of_day.to));
    Some((from, to, of_day.most_horses))
}

/// Somebody's share of the rides of each horse they rode.
pub fn knows(rode: &[RodeLately], person_id: Uuid) -> Vec<Knows> {
    let own = rode.iter().filter(|one| one.person_id == person_id);
    own.map(|one| {
        let of_horse = rode.iter().filter(|other| other.horse_id == one.horse_id);
        let all: i64 = of_horse.map(|other| other.rides).sum();
        Knows {
            horse_id: one.horse_id,
            share: one.rides as f64 / all.max(1) as f64,
        }
    })
    .collect()
}
