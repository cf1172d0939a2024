//! The rules of a week once more, written from the trade's own text and sharing no code with
//! the planner or with the core's own rules: a plan is walked minute by minute.

use cavesson_core::person::Role;
use cavesson_core::week::BookingKind;
use cavesson_core::week::plan::{PlannedRide, WeekInstance, WorkKind};
use uuid::Uuid;

/// What is wrong with a plan, one line each; nothing for a good one.
pub fn wrong(week: &WeekInstance, plan: &[PlannedRide]) -> Vec<String> {
    let mut found = Vec::new();
    for day in 0..week.days.len() as u8 {
        for minute in 0..24 * 60 {
            minute_of(week, plan, day, minute, &mut found);
        }
    }
    for ride in plan {
        ride_of(week, plan, ride, &mut found);
    }
    for horse in &week.horses {
        let own: Vec<&PlannedRide> = plan
            .iter()
            .filter(|r| r.horse_id == horse.horse_id)
            .collect();
        let mut days: Vec<u8> = own.iter().map(|r| r.day).collect();
        days.sort_unstable();
        for day in &days {
            if days.iter().filter(|d| *d == day).count() > usize::from(horse.most_rides_a_day) {
                found.push(format!("{} too often on day {day}", horse.name));
            }
        }
        days.dedup();
        if days.len() > usize::from(horse.most_days) {
            found.push(format!("{} has no day off", horse.name));
        }
        if own.len() > usize::from(horse.wanted) {
            found.push(format!("{} more than wanted", horse.name));
        }
        for (number, work) in horse.works.iter().enumerate() {
            let times = own.iter().filter(|r| usize::from(r.work) == number).count();
            if times > usize::from(work.at_most) {
                found.push(format!("{} work {number} too often", horse.name));
            }
        }
        let hard: Vec<u8> = own
            .iter()
            .filter(|r| {
                matches!(
                    horse.works[usize::from(r.work)].kind,
                    WorkKind::Cattle | WorkKind::Pattern
                )
            })
            .map(|r| r.day)
            .collect();
        for one in &hard {
            for other in &hard {
                let (a, b) = (
                    week.days[usize::from(*one)].date,
                    week.days[usize::from(*other)].date,
                );
                if a.tomorrow().unwrap() == b {
                    found.push(format!("{} hard on two days running", horse.name));
                }
            }
            if *one == 0 && horse.hard_before {
                found.push(format!("{} hard after a hard day", horse.name));
            }
        }
    }
    for lot in &week.cattle {
        let mut of_days = vec![0u16; week.days.len()];
        for ride in plan {
            let work = &horse(week, ride.horse_id).works[usize::from(ride.work)];
            if work.kind == WorkKind::Cattle && work.lot_id == Some(lot.lot_id) {
                of_days[usize::from(ride.day)] += 1;
            }
        }
        if of_days.iter().sum::<u16>() > lot.works_left {
            found.push(format!("{} worked too much", lot.name));
        }
        if lot
            .works_a_day
            .is_some_and(|most| of_days.iter().any(|n| *n > most))
        {
            found.push(format!("{} worked too much on a day", lot.name));
        }
    }
    for rider in &week.riders {
        for hours in &rider.days {
            let own = plan
                .iter()
                .filter(|r| r.person_id == rider.person_id && r.day == hours.day);
            if own.count() > usize::from(hours.most_horses) {
                found.push(format!("{} too many horses", rider.name));
            }
        }
    }
    for pin in &week.pins {
        if !plan.contains(pin) {
            found.push("a pin was moved".into());
        }
    }
    found
}

fn horse(week: &WeekInstance, id: Uuid) -> &cavesson_core::week::plan::WeekHorse {
    week.horses.iter().find(|h| h.horse_id == id).unwrap()
}

fn ends(week: &WeekInstance, ride: &PlannedRide) -> u16 {
    ride.from_min + horse(week, ride.horse_id).works[usize::from(ride.work)].minutes
}

/// Who and what is where at one minute.
fn minute_of(
    week: &WeekInstance,
    plan: &[PlannedRide],
    day: u8,
    minute: u16,
    found: &mut Vec<String>,
) {
    let now: Vec<&PlannedRide> = plan
        .iter()
        .filter(|r| r.day == day && r.from_min <= minute && minute < ends(week, r))
        .collect();
    let booked: Vec<_> = week
        .fixed
        .iter()
        .filter(|f| {
            f.day == day
                && f.booking.from_min <= minute
                && minute < f.booking.from_min + f.booking.minutes
        })
        .map(|f| f.booking)
        .collect();
    for (index, one) in now.iter().enumerate() {
        for other in &now[index + 1..] {
            if one.person_id == other.person_id {
                found.push(format!("a rider on two horses at {minute}"));
            }
            if one.horse_id == other.horse_id {
                found.push(format!("a horse in two places at {minute}"));
            }
        }
        for other in &booked {
            if other.person_id == Some(one.person_id) || other.horse_id == Some(one.horse_id) {
                found.push(format!("ridden during an appointment at {minute}"));
            }
            if other.kind == BookingKind::GroundDragged && other.place_id == Some(one.place_id) {
                found.push(format!("ridden on ground being dragged at {minute}"));
            }
        }
    }
    for place in &week.places {
        let horses = now.iter().filter(|r| r.place_id == place.place_id).count()
            + booked
                .iter()
                .filter(|b| b.place_id == Some(place.place_id) && b.horse_id.is_some())
                .count();
        if horses > usize::from(place.horses_at_once)
            && now.iter().any(|r| r.place_id == place.place_id)
        {
            found.push(format!("{} too full at {minute}", place.name));
        }
    }
}

fn ride_of(week: &WeekInstance, plan: &[PlannedRide], ride: &PlannedRide, found: &mut Vec<String>) {
    let horse = horse(week, ride.horse_id);
    let work = &horse.works[usize::from(ride.work)];
    let (from, to) = (ride.from_min, ends(week, ride));
    let rider = week
        .riders
        .iter()
        .find(|r| r.person_id == ride.person_id)
        .unwrap();
    let day = &week.days[usize::from(ride.day)];
    let mut say = |what: &str| found.push(format!("{}: {what}", horse.name));
    let hours = rider.days.iter().find(|h| h.day == ride.day);
    match hours {
        None => say("its rider has the day off"),
        Some(h) if from < h.from_min || to > h.to_min => say("outside the rider's hours"),
        _ => {}
    }
    if rider
        .busy
        .iter()
        .any(|b| b.day == ride.day && b.from_min < to && from < b.to_min)
    {
        say("its rider is busy");
    }
    if !matches!(rider.role, Role::Trainer | Role::Rider) {
        say("who rides does not ride");
    }
    if rider.role == Role::Rider {
        let only = rider.clearance.only_horses.as_ref();
        if only.is_some_and(|only| !only.contains(&ride.horse_id))
            || (work.kind == WorkKind::Cattle && !rider.clearance.cattle)
            || (horse.first_rides && !rider.clearance.first_rides)
            || (horse.quiet_hands && !rider.clearance.quiet_hands)
            || horse
                .only_riders
                .as_ref()
                .is_some_and(|only| !only.contains(&rider.person_id))
        {
            say("its rider is not cleared");
        }
    }
    if horse.check_first {
        say("ridden before it was looked at");
    }
    if horse.days_off.contains(&ride.day) {
        say("ridden on a day off");
    }
    if from < day.not_before_min {
        say("ridden in an hour that has passed");
    }
    if !work.place_ids.contains(&ride.place_id) {
        say("in a place that has not what it needs");
    }
    let place = week
        .places
        .iter()
        .find(|p| p.place_id == ride.place_id)
        .unwrap();
    if place.opens_min.is_some_and(|o| from < o) || place.closes_min.is_some_and(|c| to > c) {
        say("in a closed place");
    }
    for minute in from..to {
        let hour = day
            .heat
            .iter()
            .find(|h| h.from_min <= minute && minute < h.from_min + 60);
        let index = hour.map_or(0.0, |h| h.temperature_f + h.humidity_pct);
        if index > 180.0 {
            say("in heat nobody rides in");
            break;
        }
        if index >= 150.0 && (work.kind == WorkKind::Cattle || work.minutes > 20) {
            say("long or fast in the heat");
            break;
        }
    }
    if horse.first_rides || work.helper {
        let free = week.riders.iter().any(|other| {
            let here = other
                .days
                .iter()
                .any(|h| h.day == ride.day && h.from_min <= from && to <= h.to_min);
            let meets = |a: u16, b: u16| a < to && from < b;
            let riding = plan.iter().any(|r| {
                r.person_id == other.person_id
                    && r.day == ride.day
                    && meets(r.from_min, ends(week, r))
            });
            let booked = week.fixed.iter().any(|f| {
                f.day == ride.day
                    && f.booking.person_id == Some(other.person_id)
                    && meets(f.booking.from_min, f.booking.from_min + f.booking.minutes)
            });
            other.person_id != ride.person_id
                && other.role != Role::Owner
                && here
                && !riding
                && !booked
        });
        if !free {
            say("alone");
        }
    }
}
