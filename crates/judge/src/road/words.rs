//! A road in sentences. A chance is never said without what it rests on.

use super::answer::{GoalRoad, OnChain};
use super::needed::RestsOn;
use crate::wording::{count, lower};

/// What is said of a goal.
pub fn goal(goal: &GoalRoad) -> String {
    let day = goal.day.strftime("%B %-d");
    let chance = times(goal.chance);
    let range = match (goal.from, goal.to) {
        (Some(from), Some(to)) => format!(
            "; likely ready between {} and {}",
            from.strftime("%B %-d"),
            to.strftime("%B %-d")
        ),
        (Some(from), None) => format!("; likely not ready before {}", from.strftime("%B %-d")),
        _ => String::new(),
    };
    format!("{}, {day}: ready in time {chance}{range}.", goal.name)
}

/// What a road rests on.
pub fn rests_on(on: &RestsOn) -> String {
    if on.to_come == 0 {
        return "Everything on this road is held today.".into();
    }
    let to_come = count(on.to_come, "level");
    let pace = match (on.of_barn, on.to_come - on.of_barn) {
        (0, _) => {
            "the shipped pace set to this barn's speed, as no horse here has come that way yet"
                .to_owned()
        }
        (_, 0) => format!(
            "this barn's own pace, from {} at the most",
            count(on.most_horses, "horse")
        ),
        (of_barn, others) => format!(
            "this barn's own pace for {of_barn} of them (from {} at the most) and the shipped \
             one, set to its speed, for {others}",
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
    let chance = times(goal.chance);
    let decides = chain.first().map_or_else(String::new, |first| {
        format!(" Most hangs on this: {}.", lower(&first.name))
    });
    format!(
        "{horse}: {} on {day} is at risk: ready in time {chance}.{decides}",
        goal.name
    )
}

/// One more ride a week.
pub fn ride_more(chance: f64, pushed: bool) -> String {
    let pushed = if pushed {
        " But that is pushing a young or late horse: leave it, or ask your vet first."
    } else {
        ""
    };
    format!("One more ride a week: {}.{pushed}", times(chance))
}

/// A level first.
pub fn work_first(name: &str, chance: f64) -> String {
    format!("Work on this first: {}: {}.", lower(name), times(chance))
}

/// A level dropped.
pub fn drop(name: &str, chance: f64) -> String {
    format!("Without this: {}: {}.", lower(name), times(chance))
}

/// A month later.
pub fn month_later(chance: f64) -> String {
    format!("A month later: {}.", times(chance))
}

/// A chance as people say it; never a certainty.
pub fn times(chance: f64) -> String {
    match (100.0 * chance).round() as u32 {
        0 => "less than once in 100".into(),
        1 => "once in 100".into(),
        100.. => "more than 99 times in 100".into(),
        times => format!("{times} times in 100"),
    }
}
