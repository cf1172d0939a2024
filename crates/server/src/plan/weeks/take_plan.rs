//! A plan put into the days: what stands is moved, what is new is booked, what is gone is
//! taken off or skipped with a reason. All of it or nothing.

use cavesson_core::bounds::FieldError;
use cavesson_core::ladder::Level;
use cavesson_core::week::BookingKind;
use cavesson_core::week::plan::{BrokenInWeek, PlannedRide, WeekInstance, Work, WorkKind, broken};
use cavesson_core::week::usual::RIDE_MINUTES;
use cavesson_store::BarnTransaction;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use serde::Deserialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::standing_rides::Stood;
use super::week_input::WeekOfBarn;
use crate::day::day_plan::span;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;

/// A ride of a plan that is taken.
#[derive(Debug, Clone, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RideTaken {
    /// The ride.
    pub ride: PlannedRide,
    /// It stays where it stands when the week is planned anew; left out, as it was.
    #[serde(default)]
    pub pinned: Option<bool>,
    /// What whoever sends it takes the work for; left out, it is not looked at. Works are
    /// found anew with each look, and may be others by then.
    #[serde(default)]
    pub level: Option<Level>,
}

/// The rides of a plan that is sent, each with the work it was meant for.
///
/// # Errors
/// A ride that names what is not there; a work that the horse has no more.
pub fn meant(
    instance: &WeekInstance,
    field: &str,
    taken: &[RideTaken],
) -> Result<Vec<PlannedRide>, FieldError> {
    let rides: Vec<PlannedRide> = taken.iter().map(|one| one.ride).collect();
    instance.check_rides(field, &rides)?;
    let each = taken.iter().enumerate().map(|(index, one)| {
        let is_meant = |work: &Work| one.level.is_none() || work.level == one.level;
        let horse = instance.horse(one.ride.horse_id);
        let works = horse.map_or(&[] as &[Work], |horse| horse.works.as_slice());
        if works.get(usize::from(one.ride.work)).is_some_and(is_meant) {
            return Ok(one.ride);
        }
        let work = works.iter().position(is_meant).ok_or_else(|| {
            let name = horse.map_or("the horse", |horse| &horse.name);
            FieldError::new(
                format!("{field}/{index}/level"),
                format!("{name} is at other work by now; load the week again"),
            )
        })?;
        Ok(PlannedRide {
            work: work as u8,
            ..one.ride
        })
    });
    each.collect()
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
    taken: &[(PlannedRide, Option<bool>)],
    because: Option<&str>,
) -> Answer<()> {
    let mut left: Vec<&Stood> = week.stood.iter().filter(|one| !one.begun).collect();
    let begun = |ride: &PlannedRide| {
        let mut stood = week.stood.iter();
        stood.any(|one| one.begun && one.ride == *ride)
    };
    let mut wanted: Vec<&(PlannedRide, Option<bool>)> =
        taken.iter().filter(|(ride, _)| !begun(ride)).collect();
    let mut changed: Vec<(Uuid, &PlannedRide, bool)> = Vec::new();
    // What stands as it is, then the same horse on the same day, then the same horse.
    let same: [fn(&PlannedRide, &PlannedRide) -> bool; 3] = [
        |old, new| old == new,
        |old, new| (old.horse_id, old.day) == (new.horse_id, new.day),
        |old, new| old.horse_id == new.horse_id,
    ];
    for (step, same) in same.into_iter().enumerate() {
        wanted.retain(|(new, pinned)| {
            let Some(at) = left.iter().position(|old| same(&old.ride, new)) else {
                return true;
            };
            let old = left.remove(at);
            let pinned = pinned.unwrap_or(old.pinned);
            if step > 0 || old.pinned != pinned {
                changed.push((old.booking_id, new, pinned));
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
    for (booking_id, new, pinned) in changed {
        let stored = booking::find(barn, booking_id).await?;
        let stored =
            stored.ok_or_else(|| Problem::not_found("that ride was taken off meanwhile"))?;
        moved.push(as_booked(signed, week, new, pinned, Some(stored)));
    }
    booking::change(barn, &moved).await?;
    for (new, pinned) in wanted {
        let stored = as_booked(signed, week, new, pinned.unwrap_or(false), None);
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
    ride: &PlannedRide,
    pinned: bool,
    stored: Option<Booking>,
) -> Booking {
    let day = week.instance.days[usize::from(ride.day)].date;
    let work = week.instance.work(ride);
    let (from, to) = span(
        signed,
        day,
        ride.from_min,
        work.map_or(RIDE_MINUTES, |work| work.minutes),
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
        pinned,
    }
}
