//! A plan put into the days: what stands is moved, what is new is booked, what is gone is
//! taken off or skipped with a reason. All of it or nothing.

use cavesson_core::bounds::FieldError;
use cavesson_core::week::BookingKind;
use cavesson_core::week::plan::{BrokenInWeek, PlannedRide, WorkKind, broken};
use cavesson_store::BarnTransaction;
use cavesson_store::booking::{self, Booking};
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::asked::WeekOfBarn;
use super::stood::Stood;
use crate::day_plan::span;
use crate::problem::{Answer, Problem};
use crate::signed::Signed;

/// A ride of a plan that is taken.
#[derive(Debug, Clone, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RideTaken {
    /// The ride.
    pub ride: PlannedRide,
    /// It stays where it stands when the week is planned anew.
    #[serde(default)]
    pub pinned: bool,
}

/// What a plan breaks that did not stand broken before, of the rules that are never broken.
pub fn refuse(week: &WeekOfBarn, plan: &[PlannedRide]) -> Answer<()> {
    let stood: Vec<PlannedRide> = week.stood.iter().map(|one| one.ride).collect();
    let before = broken(&week.instance, &stood, false);
    let is_old = |one: &BrokenInWeek| {
        let mut old = before.iter();
        old.any(|old| (old.day, &old.broken.text) == (one.day, &one.broken.text))
    };
    let refused: Vec<FieldError> = broken(&week.instance, plan, false)
        .into_iter()
        .filter(|one| one.broken.hard && !is_old(one))
        .map(|one| FieldError::new("", one.broken.text))
        .collect();
    if refused.is_empty() {
        Ok(())
    } else {
        Err(Problem::booked(refused))
    }
}

/// Puts a plan into the days. What is gone is skipped where there is a reason.
pub async fn keep(
    signed: &Signed,
    barn: &mut BarnTransaction,
    week: &WeekOfBarn,
    taken: &[RideTaken],
    because: Option<&str>,
) -> Answer<()> {
    let mut left: Vec<&Stood> = week.stood.iter().filter(|one| !one.begun).collect();
    let begun = |ride: &PlannedRide| {
        let mut stood = week.stood.iter();
        stood.any(|one| one.begun && one.ride == *ride)
    };
    let mut wanted: Vec<&RideTaken> = taken.iter().filter(|one| !begun(&one.ride)).collect();
    let mut changed: Vec<(Uuid, &RideTaken)> = Vec::new();
    // What stands as it is, then the same horse on the same day, then the same horse.
    let same: [fn(&PlannedRide, &PlannedRide) -> bool; 3] = [
        |old, new| old == new,
        |old, new| (old.horse_id, old.day) == (new.horse_id, new.day),
        |old, new| old.horse_id == new.horse_id,
    ];
    for (step, same) in same.into_iter().enumerate() {
        wanted.retain(|new| {
            let Some(at) = left.iter().position(|old| same(&old.ride, &new.ride)) else {
                return true;
            };
            let old = left.remove(at);
            if step > 0 || old.pinned != new.pinned {
                changed.push((old.booking_id, new));
            }
            false
        });
    }
    for gone in left {
        match because {
            Some(because) => skip(barn, gone.booking_id, because).await?,
            None => {
                booking::remove(barn, gone.booking_id).await?;
            }
        }
    }
    let mut moved: Vec<Booking> = Vec::new();
    for (booking_id, new) in changed {
        let stored = booking::find(barn, booking_id).await?;
        let stored =
            stored.ok_or_else(|| Problem::not_found("that ride was taken off meanwhile"))?;
        moved.push(as_booked(signed, week, new, Some(stored)));
    }
    booking::change(barn, &moved).await?;
    for new in wanted {
        let stored = as_booked(signed, week, new, None);
        booking::add(barn, &stored, Some(signed.person.person_id)).await?;
    }
    Ok(())
}

async fn skip(barn: &mut BarnTransaction, booking_id: Uuid, because: &str) -> Answer<()> {
    if let Some(mut stored) = booking::find(barn, booking_id).await? {
        stored.skipped_because = Some(because.trim().to_owned());
        booking::change(barn, &[stored]).await?;
    }
    Ok(())
}

fn as_booked(
    signed: &Signed,
    week: &WeekOfBarn,
    taken: &RideTaken,
    stored: Option<Booking>,
) -> Booking {
    let ride = &taken.ride;
    let day = week.instance.days[usize::from(ride.day)].date;
    let work = week.instance.work(ride);
    let (from, to) = span(
        signed,
        day,
        ride.from_min,
        work.map_or(super::works::RIDE_MINUTES, |work| work.minutes),
    );
    let kind = match work.map(|work| work.kind) {
        Some(WorkKind::Outing) => BookingKind::Outing,
        _ => BookingKind::Ride,
    };
    Booking {
        booking_id: stored
            .as_ref()
            .map_or_else(Uuid::now_v7, |stored| stored.booking_id),
        day,
        kind,
        horse_id: Some(ride.horse_id),
        person_id: Some(ride.person_id),
        place_id: Some(ride.place_id),
        from,
        to,
        level: work.and_then(|work| work.level.clone()),
        note: stored.map_or_else(String::new, |stored| stored.note),
        skipped_because: None,
        pinned: taken.pinned,
    }
}
