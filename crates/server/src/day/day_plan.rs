//! A day as the rules see it: its bookings, the barn's people, horses and places. A day
//! that comes is laid out once from the week's plan, and stands by itself from then on.

use cavesson_core::day::week_of;
use cavesson_core::person::WorkHours;
use cavesson_core::week::booking::{Booking as DayBooking, minutes_of};
use cavesson_core::week::day_horse::{Headgear, OtherDay};
use cavesson_core::week::usual::ride_minutes;
use cavesson_core::week::{
    BookingKind, BusyTime, DayChange, DayHorse, DayPerson, DayPlace, DayPlan, broken_by,
};
use cavesson_store::BarnTransaction;
use cavesson_store::StoreError;
use cavesson_store::barn::person;
use cavesson_store::barn::place;
use cavesson_store::barn::work_hours;
use cavesson_store::day::booking;
use cavesson_store::day::booking::Booking;
use cavesson_store::day::program_day;
use cavesson_store::day::program_day::ProgramDay;
use cavesson_store::horse::horses;
use cavesson_store::tack::fitting;
use cavesson_store::tack::fitting::HorseRig;
use jiff::civil::Date;
use jiff::{Timestamp, ToSpan};
use uuid::Uuid;

use crate::App;
use crate::day::busy;
use crate::day::weather;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;

/// A day with what is stored of it.
pub struct DayOfBarn {
    /// The day.
    pub day: Date,
    /// As the rules see it.
    pub plan: DayPlan,
    /// Everything booked, those that were skipped among them, earliest first.
    pub bookings: Vec<Booking>,
}

/// Lays the day out from the week's plan, unless that was done or the day has passed.
/// What does not fit any more (somebody away, a pen full) is left out: the horse shows
/// among those that are not scheduled.
///
/// # Errors
/// When a query fails.
pub async fn lay_out(app: &App, signed: &Signed, day: Date) -> Answer<()> {
    if day < signed.today() {
        return Ok(());
    }
    let mut look = signed.look().await?;
    if booking::is_laid_out(&mut look, day).await? {
        return Ok(());
    }
    drop(look);
    let mut of_day = read(app, signed, day).await?;
    let mut barn = signed.write().await?;
    if !booking::lay_out(&mut barn, day).await? {
        return Ok(());
    }
    let weekday = i32::from(day.weekday().to_monday_one_offset());
    let week = program_day::list(&mut barn, weekday, None).await?;
    for (index, planned) in week.iter().enumerate() {
        let from_min = minutes_of(planned.starts_at);
        let next = week[index + 1..]
            .iter()
            .find(|other| other.rider_id == planned.rider_id)
            .map(|other| minutes_of(other.starts_at));
        let minutes = ride_minutes(from_min, next);
        let new = Booking {
            booking_id: Uuid::now_v7(),
            day,
            kind: BookingKind::Ride,
            horse_id: Some(planned.horse_id),
            person_id: Some(planned.rider_id),
            place_id: Some(planned.place_id),
            from: signed.at(day, from_min),
            to: signed.at(day, from_min) + minutes_long(minutes),
            level: Some(planned.level.clone()),
            note: String::new(),
            skipped_because: None,
            pinned: false,
        };
        let as_change = DayChange::Add {
            booking: as_seen(signed, day, &new),
        };
        let refused = broken_by(&of_day.plan, &as_change, false);
        if refused.iter().any(|one| one.hard) {
            continue;
        }
        booking::add(&mut barn, &new, None).await?;
        of_day.plan = as_change.after(&of_day.plan);
    }
    match barn.commit().await {
        // Somebody booked in between: the next look lays it out.
        Err(StoreError::Booked(_)) => Ok(()),
        done => Ok(done?),
    }
}

/// Reads a day as it stands.
///
/// # Errors
/// When a query fails.
pub async fn read(app: &App, signed: &Signed, day: Date) -> Answer<DayOfBarn> {
    let mut barn = signed.look().await?;
    let (week_from, week_to) = week_of(day);
    // A day more on either side: no two hard days running.
    let near = booking::on_days(
        &mut barn,
        week_from.saturating_sub(1.day()),
        week_to.saturating_add(1.day()),
    )
    .await?;
    let busy = busy::on_day(&mut barn, signed, day).await?;
    let people = people_on(&mut barn, day, &busy).await?;
    let heat = weather::of_day(&mut barn, signed, day).await?;
    let horses = horses::list(&mut barn, None).await?;
    let rigs = fitting::rigs(&mut barn).await?;
    let places = place::list(&mut barn).await?;
    let ids: Vec<Uuid> = horses.iter().map(|horse| horse.horse_id).collect();
    let judged = app.known.judged(barn, &ids, day).await?;
    let around = around(&near, signed, day);
    let horses = horses.into_iter().zip(&judged).map(|(horse, judged)| {
        let rig = rigs.iter().find(|rig| rig.horse_id == horse.horse_id);
        let own = around.iter().filter(|(id, _)| *id == horse.horse_id);
        let own: Vec<OtherDay> = own.map(|(_, other)| *other).collect();
        let named = (horse.horse_id, horse.name);
        DayHorse::of(named, judged.for_card(&[]), headgear(rig), &own)
    });
    let horses: Vec<DayHorse> = horses.collect();
    let bookings: Vec<Booking> = near.into_iter().filter(|one| one.day == day).collect();
    let stands = bookings.iter().filter(|one| one.skipped_because.is_none());
    Ok(DayOfBarn {
        day,
        plan: DayPlan {
            bookings: stands.map(|one| as_seen(signed, day, one)).collect(),
            people,
            horses,
            heat,
            places: places
                .into_iter()
                .filter(|place| place.put_away_at.is_none())
                .map(|place| DayPlace {
                    place_id: place.place_id,
                    name: place.sheet.name,
                    horses_at_once: place.sheet.horses_at_once,
                    opens_min: place.sheet.opens.map(minutes_of),
                    closes_min: place.sheet.closes.map(minutes_of),
                })
                .collect(),
        },
        bookings,
    })
}

async fn people_on(
    barn: &mut BarnTransaction,
    day: Date,
    busy: &[(Uuid, BusyTime)],
) -> Answer<Vec<DayPerson>> {
    let weekday = day.weekday().to_monday_one_offset().unsigned_abs();
    let hours: Vec<(Uuid, WorkHours)> = work_hours::list(barn).await?;
    let members = person::members(barn).await?.into_iter();
    Ok(members
        .filter(|member| member.left_at.is_none() && member.person.role.records())
        .map(|member| {
            let person_id = member.person.person_id;
            let own = || hours.iter().filter(move |(id, _)| *id == person_id);
            DayPerson {
                person_id,
                name: member.person.name,
                role: member.person.role,
                clearance: member.clearance,
                hours: own()
                    .find(|(_, hours)| hours.weekday == weekday)
                    .map(|(_, hours)| *hours),
                sets_hours: own().next().is_some(),
                away: false,
                busy: busy::of(busy, person_id),
            }
        })
        .collect())
}

/// What stands on the days around.
fn around(near: &[Booking], signed: &Signed, day: Date) -> Vec<(Uuid, OtherDay)> {
    let stands = near
        .iter()
        .filter(|one| one.skipped_because.is_none() && one.day != day);
    stands
        .filter_map(|one| {
            let other = OtherDay {
                day: one.day,
                ridden: one.kind.is_ridden(),
                hard: as_seen(signed, one.day, one).is_hard(),
            };
            Some((one.horse_id?, other))
        })
        .collect()
}

/// What a horse is ridden in, as the rules see it.
pub fn headgear(rig: Option<&HorseRig>) -> Headgear {
    rig.map_or_else(Headgear::default, |rig| Headgear {
        kind: rig.kind,
        quiet_hands: rig.quiet_hands,
        only_riders: rig.only_riders.clone(),
    })
}

/// A stored booking as the rules see it.
pub fn as_seen(signed: &Signed, day: Date, stored: &Booking) -> DayBooking {
    let minutes = stored.to.duration_since(stored.from).as_mins();
    let booking = DayBooking {
        booking_id: stored.booking_id,
        kind: stored.kind,
        horse_id: stored.horse_id,
        person_id: stored.person_id,
        place_id: stored.place_id,
        from_min: signed.minutes_of(day, stored.from),
        minutes: u16::try_from(minutes).unwrap_or(u16::MAX),
        cattle: false,
        pattern: false,
        fast: false,
        helper: false,
    };
    booking.for_level(stored.level.as_ref())
}

/// A length of time.
pub fn minutes_long(minutes: u16) -> jiff::SignedDuration {
    jiff::SignedDuration::from_mins(i64::from(minutes))
}

/// The rides that stand in a day as the pages show them, earliest first; with `owner`,
/// only on that person's horses.
///
/// # Errors
/// When a query fails.
pub async fn rides_on(
    barn: &mut BarnTransaction,
    signed: &Signed,
    day: Date,
    owner: Option<Uuid>,
) -> Answer<Vec<RideBooked>> {
    let bookings = booking::on_days(barn, day, day).await?;
    let names = person::names(barn).await?;
    let places = place::list(barn).await?;
    let horses = horses::list(barn, owner).await?;
    let rides = bookings.into_iter().filter_map(|one| {
        if !one.kind.is_ridden() {
            return None;
        }
        let horse_id = one.horse_id?;
        horses.iter().find(|horse| horse.horse_id == horse_id)?;
        let rider = names.iter().find(|(id, _)| Some(*id) == one.person_id)?;
        let place = places
            .iter()
            .find(|place| Some(place.place_id) == one.place_id)?;
        Some(RideBooked {
            booking_id: one.booking_id,
            kind: one.kind,
            skipped_because: one.skipped_because.clone(),
            minutes: one.to.duration_since(one.from).as_mins(),
            planned: ProgramDay {
                horse_id,
                starts_at: signed.time_of(one.from),
                rider_id: rider.0,
                rider: rider.1.clone(),
                place_id: place.place_id,
                place: place.sheet.name.clone(),
                place_kind: place.sheet.kind.word().to_owned(),
                level: one.level.clone()?,
            },
        })
    });
    Ok(rides.collect())
}

/// A ride that stands in a day.
#[derive(Debug, Clone)]
pub struct RideBooked {
    /// Its booking.
    pub booking_id: Uuid,
    /// A ride, or an outing.
    pub kind: BookingKind,
    /// Why it was skipped; none while it stands.
    pub skipped_because: Option<String>,
    /// How long it is down for.
    pub minutes: i64,
    /// Horse, rider, place, start and level.
    pub planned: ProgramDay,
}

/// Where a booking stands in time.
pub fn span(signed: &Signed, day: Date, from_min: u16, minutes: u16) -> (Timestamp, Timestamp) {
    let from = signed.at(day, from_min);
    (from, from + minutes_long(minutes))
}
