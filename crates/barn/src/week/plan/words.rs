//! A plan in sentences: why a ride is left out, and which soft rules were given up.

use super::instance::{WeekHorse, WeekInstance};
use super::obstacle::{DayObstacle, Obstacle};
use super::score::{Term, TermKind};
use super::work::WorkKind;
use crate::wording::{count, weekday};

/// Why rides of a horse are left out, one sentence for each thing that stood in the way.
pub fn why(instance: &WeekInstance, horse: &WeekHorse, days: &[DayObstacle]) -> Vec<String> {
    let mut seen: Vec<Obstacle> = Vec::new();
    for one in days {
        if !seen.contains(&one.obstacle) {
            seen.push(one.obstacle);
        }
    }
    seen.into_iter()
        .map(|obstacle| {
            let same = days.iter().filter(|one| one.obstacle == obstacle);
            let on: Vec<u8> = same.map(|one| one.day).collect();
            sentence(instance, horse, obstacle, &on)
        })
        .collect()
}

fn sentence(instance: &WeekInstance, horse: &WeekHorse, obstacle: Obstacle, on: &[u8]) -> String {
    let days = days_named(instance, on);
    let shortest = horse.works.iter().map(|work| work.minutes).min();
    let minutes = shortest.unwrap_or(0);
    let name = &horse.name;
    match obstacle {
        Obstacle::CheckFirst => format!("Have {name} looked at before anybody gets on."),
        Obstacle::NoWork => format!("Nothing to ride {name} for: open a level, or add a place."),
        Obstacle::HorseOff => format!("{name} is off on {days}."),
        Obstacle::RiddenThatDay => format!("{name} is ridden on {days} already."),
        Obstacle::DayOff => format!("{name} has one day off a week, so not on {days} too."),
        Obstacle::TooOften => format!("{name} has had that work as often as it may be."),
        Obstacle::WorksLeft => format!("No {} works left this week.", lot_name(instance, horse)),
        Obstacle::WorksLeftThatDay => {
            format!("No {} works left on {days}.", lot_name(instance, horse))
        }
        Obstacle::HardDays => format!("{name} works hard next to {days}."),
        Obstacle::NobodyCleared => format!("Nobody who is cleared for {name} works on {days}."),
        Obstacle::MostHorses => {
            format!("Whoever may ride {name} has the most horses already on {days}.")
        }
        Obstacle::TooHot => format!("Too hot on {days} at every hour that is left."),
        Obstacle::NoTime => {
            format!("Nobody who may ride {name} has {minutes} minutes left on {days}.")
        }
        Obstacle::NoPlace => format!("On {days} the places that fit are full or closed."),
        Obstacle::NobodyBy => format!("Nobody is free to stand by on {days}."),
        Obstacle::NotWorth => {
            format!("There is room on {days}, if softer rules give way.")
        }
    }
}

fn lot_name(instance: &WeekInstance, horse: &WeekHorse) -> String {
    let lot_id = horse.works.iter().find_map(|work| work.lot_id);
    let lot = instance
        .cattle
        .iter()
        .find(|lot| Some(lot.lot_id) == lot_id);
    lot.map_or_else(|| "cattle".to_owned(), |lot| lot.name.clone())
}

/// Days by name: "Monday", "Monday and Thursday", "Monday, Tuesday and Thursday".
pub fn days_named(instance: &WeekInstance, days: &[u8]) -> String {
    let names: Vec<String> = days
        .iter()
        .filter_map(|day| instance.days.get(usize::from(*day)))
        .map(|day| weekday(day.date))
        .collect();
    match names.as_slice() {
        [] => "any day".to_owned(),
        [one] => one.clone(),
        [all @ .., last] => format!("{} and {last}", all.join(", ")),
    }
}

/// What a term stands for, and what of it was given up; empty where nothing was.
pub fn given_up(instance: &WeekInstance, term: &Term) -> String {
    let often = term.given_up;
    if often == 0 {
        return String::new();
    }
    match term.kind {
        TermKind::Rides => {
            let wanted: u32 = instance
                .horses
                .iter()
                .map(|one| u32::from(one.wanted))
                .sum();
            format!("{often} of {wanted} rides don't fit.")
        }
        TermKind::Herd => format!("The herd is gathered again {}.", count(often, "time")),
        TermKind::Barrels => format!("Barrels are set again {}.", count(often, "time")),
        TermKind::Knows => format!(
            "{} with a rider who hardly knows the horse.",
            count(often, "ride")
        ),
        TermKind::Quiet => format!(
            "{} on a hot or green horse when it isn't quiet.",
            count(often, "ride")
        ),
        TermKind::YoungHeat => format!("{} on a young horse in the warmth.", count(often, "ride")),
        TermKind::Home => format!("Somebody is home late {}.", count(often, "time")),
        TermKind::Spread => format!("Rides lie unevenly {}.", count(often, "time")),
        TermKind::Change => format!("{} of the plan before moved.", count(often, "ride")),
        TermKind::GateSoon | TermKind::Worth => String::new(),
    }
}

/// What a kind of work is called, in the middle of a sentence.
pub fn work_named(kind: WorkKind) -> &'static str {
    match kind {
        WorkKind::Ride => "a ride",
        WorkKind::Cattle => "cattle work",
        WorkKind::Pattern => "the pattern",
        WorkKind::Outing => "an outing, nothing asked",
    }
}
