//! A road in sentences. A chance is never said without what it rests on.

use super::helps::Held;
use super::needed::RestsOn;
use super::told::{GoalRoad, OnChain};
use crate::plain::{count, lower, percent};

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

/// What a road rests on.
pub fn rests_on(on: &RestsOn) -> String {
    if on.to_come == 0 {
        return "Everything on this road is held today.".into();
    }
    let to_come = count(on.to_come, "level");
    let pace = match (on.of_barn, on.to_come - on.of_barn) {
        (0, _) => "the shipped pace, as no horse here has come that way yet".to_owned(),
        (_, 0) => format!(
            "this barn's own pace, from {} at the most",
            count(on.most_horses, "horse")
        ),
        (of_barn, others) => format!(
            "this barn's own pace for {of_barn} of them (from {} at the most) and the shipped \
             one for {others}",
            count(on.most_horses, "horse")
        ),
    };
    let asks = match on.of_forecast {
        0 => String::new(),
        some => format!(" {some} of them go by the forecast from the horse's own asks."),
    };
    format!("{to_come} to come. It rests on {pace}.{asks}")
}

/// What is said where a date is at risk.
pub fn at_risk(horse: &str, goal: &GoalRoad, chain: &[OnChain]) -> String {
    let day = goal.day.strftime("%B %-d");
    let chance = percent(goal.chance);
    let decides = chain.first().map_or_else(String::new, |first| {
        format!(" Most hangs on this: {}.", lower(&first.name))
    });
    format!(
        "{horse}: {} on {day} is at risk, ready by then in {chance} of what may come.{decides}",
        goal.name
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
