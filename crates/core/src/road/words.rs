//! A road in sentences. A chance is never said without what it rests on.

use super::helps::Held;
use super::pace::LevelPace;
use super::told::{GoalRoad, Road};
use crate::plain::{count, lower, percent};

/// A chance below which a date is at risk. Product default.
pub const AT_RISK: f64 = 0.5;

/// What is said of a goal.
pub fn goal(goal: &GoalRoad) -> String {
    let day = goal.day.strftime("%B %-d");
    let chance = percent(goal.chance);
    let range = match (goal.from, goal.to) {
        (Some(from), Some(to)) => format!(
            "; likely between {} and {}",
            from.strftime("%B %-d"),
            to.strftime("%B %-d")
        ),
        (Some(from), None) => format!("; likely not before {}", from.strftime("%B %-d")),
        _ => String::new(),
    };
    format!(
        "{}: ready by {day} in {chance} of what may come{range}.",
        goal.name
    )
}

/// What the road rests on.
pub fn rests_on(road: &Road, pace: &[&LevelPace], futures: u32) -> String {
    let own: u32 = pace.iter().map(|one| one.horses).max().unwrap_or(0);
    let levels: usize = road.goals.iter().map(|goal| goal.levels.len()).sum();
    let by = if own == 0 {
        "the shipped pace, as no horse here has come that way yet".to_owned()
    } else {
        format!(
            "this barn's own pace, from {} at the most",
            count(own, "horse")
        )
    };
    format!(
        "It rests on {by}, on {} for {}, and on the horse's own asks.",
        count(futures, "drawn future"),
        count(levels as u32, "level")
    )
}

/// One more ride a week.
pub fn ride_more(chance: f64, held: Held) -> String {
    let pushed = if held.pushed {
        " But that is pushing a young or late horse: leave it, or ask your vet first."
    } else {
        ""
    };
    format!("One more ride a week: {}.{pushed}", percent(chance))
}

/// A level first.
pub fn work_first(name: &str, chance: f64) -> String {
    format!("Work on this first: {}: {}.", lower(name), percent(chance))
}

/// A level dropped.
pub fn drop(name: &str, chance: f64) -> String {
    format!("Without this: {}: {}.", lower(name), percent(chance))
}

/// A month later.
pub fn month_later(chance: f64) -> String {
    format!("A month later: {}.", percent(chance))
}
