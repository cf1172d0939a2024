//! How the judge says it: every sentence a verdict is made of.

use super::caution::Caution;
use super::ease::EaseReason;
use super::forecast::{Forecast, MOST_RIDES};
use super::gate_check::{GateCheck, Item, ItemKind, SideFigures};
use super::horse::Standing;
use super::overrule::Overrule;
use super::retention::Retention;
use super::side_drop::SideDrop;
use super::verdict::{State, Verdict};
use super::what_it_takes::{Further, MOST_DAYS, WhatItTakes};
use crate::Side;
use crate::horse::CareKind;
use crate::ladder::{Gate, Ladder, LadderLevel};

/// The verdict in a sentence.
pub fn verdict(
    standing: &Standing,
    check: &GateCheck,
    takes: &WhatItTakes,
    ladder: &Ladder,
) -> String {
    match standing.verdict {
        Verdict::CheckFirst => {
            "Have the horse looked at before this is trained through.".to_owned()
        }
        Verdict::EaseBack => match standing.ease_to {
            Some(place) => format!(
                "Back to what it holds: {}. Short set, lightest ask, quit on the first good one.",
                lower(&ladder.levels[place].name)
            ),
            None => "Short set, lightest ask, and quit on the first good one each side.".to_owned(),
        },
        Verdict::Advance => "Every rail is filled. The gate stands open: go on.".to_owned(),
        Verdict::Confirm if waits_for_days(check) => {
            "Good so far. Show it again on another day.".to_owned()
        }
        Verdict::Confirm => {
            "Same again. Only the first ask of each side matters next time.".to_owned()
        }
        Verdict::Refresh => "Held, but rusty. A short cold retest: two or three a side.".to_owned(),
        Verdict::Stay => stay(standing, check, takes, ladder),
    }
}

fn stay(standing: &Standing, check: &GateCheck, takes: &WhatItTakes, ladder: &Ladder) -> String {
    if let Some(place) = standing.missing.first() {
        return format!(
            "Closed until it holds: {}.",
            lower(&ladder.levels[*place].name)
        );
    }
    if check.passes {
        let rusty = standing.stale.first().map(|place| &ladder.levels[*place]);
        return match rusty {
            Some(level) => format!("Ready, but freshen up first: {}.", lower(&level.name)),
            None => "Same again.".to_owned(),
        };
    }
    if check.window.rides == 0 {
        return match standing.state {
            State::Held | State::Overruled => "Held; not asked lately.".to_owned(),
            _ => "Nothing asked lately. Start with a few light asks on each side.".to_owned(),
        };
    }
    match takes.limits {
        Some(kind) => format!("What holds it: {}.", place(kind, takes.limits_side, check)),
        None => "Same again.".to_owned(),
    }
}

fn waits_for_days(check: &GateCheck) -> bool {
    check.failing().any(|item| item.item == ItemKind::Days)
}

/// A rail by name, with its side.
pub fn place(kind: ItemKind, side: Option<Side>, check: &GateCheck) -> String {
    let stiff = check.evenness.and_then(|even| even.stiff_side);
    let name = match (kind, stiff) {
        (ItemKind::Count, _) => "the number is not reached",
        (ItemKind::Reps, _) => "too few asks",
        (ItemKind::Days, _) => "too few days",
        (ItemKind::SoftShare, _) => "not soft often enough",
        (ItemKind::LowShare, _) => "not surely soft enough yet",
        (ItemKind::FirstAsk, _) => "the first ask",
        (ItemKind::NoMiss, _) => "it has to be soft every time",
        (ItemKind::LevelBelow, _) => "the level below was not soft on its last day",
        (ItemKind::Difference, Some(side)) => {
            return format!("the {} side lags behind", side.word());
        }
        (ItemKind::TimeRatio, Some(side)) => {
            return format!("the {} side takes longer", side.word());
        }
        (ItemKind::Difference, None) => "the sides differ",
        (ItemKind::TimeRatio, None) => "one side takes longer",
    };
    match side {
        Some(side) if side != Side::Both => format!("{name}, {} side", side.word()),
        _ => name.to_owned(),
    }
}

/// A rail by name, with its side, where the figures are not at hand.
pub fn rail(kind: ItemKind, side: Option<Side>) -> String {
    let name = match kind {
        ItemKind::Count => "the number",
        ItemKind::Reps => "too few asks",
        ItemKind::Days => "too few days",
        ItemKind::SoftShare => "not soft often enough",
        ItemKind::LowShare => "not surely soft yet",
        ItemKind::FirstAsk => "the first ask",
        ItemKind::NoMiss => "soft every time",
        ItemKind::Difference => "the sides differ",
        ItemKind::TimeRatio => "one side takes longer",
        ItemKind::LevelBelow => "the level below",
    };
    match side {
        Some(side) if side != Side::Both => format!("{name}, {}", side.word()),
        _ => name.to_owned(),
    }
}

/// What it would take, in a sentence or two.
pub fn takes(takes: &WhatItTakes, check: &GateCheck) -> String {
    if takes.if_all_soft.is_some_and(|further| further.days == 0) {
        return "Nothing more: every rail is filled.".to_owned();
    }
    if takes.limits == Some(ItemKind::Count) {
        return of_a_count(takes);
    }
    let all_soft = takes.if_all_soft.map_or_else(
        || format!("Not within {MOST_DAYS} days, even if every answer is soft."),
        |further| format!("At least {}, all soft.", reps_and_days(&further)),
    );
    if check.window.rides == 0 {
        return format!("{all_soft} Nothing was asked lately, so there is no rate to go by.");
    }
    let present = takes.at_present_rate.map_or_else(
        || format!("Going on as now, not within {MOST_DAYS} days."),
        |further| format!("Going on as now, about {}.", days(further.days)),
    );
    format!("{all_soft} {present}")
}

fn of_a_count(takes: &WhatItTakes) -> String {
    let more = takes.if_all_soft.map_or(0, |further| further.both_reps);
    match takes.at_present_rate {
        Some(further) => format!(
            "{more} more; going on as now, about {}.",
            days(further.days)
        ),
        None => format!("{more} more."),
    }
}

fn reps_and_days(further: &Further) -> String {
    let reps = match (further.left_reps, further.right_reps, further.both_reps) {
        (0, 0, both) => format!("{both} asks"),
        (left, 0, _) => format!("{left} on the left"),
        (0, right, _) => format!("{right} on the right"),
        (left, right, _) => format!("{left} on the left and {right} on the right"),
    };
    format!("{reps} over {}", days(further.days))
}

fn days(count: u32) -> String {
    if count == 1 {
        "1 day".to_owned()
    } else {
        format!("{count} days")
    }
}

/// The forecast in a sentence.
pub fn forecast(forecast: &Forecast) -> String {
    match *forecast {
        Forecast::Now => "The gate is filled now.".to_owned(),
        Forecast::CannotSayYet => {
            "Cannot say yet when: it is not surely getting better.".to_owned()
        }
        Forecast::Rides { median, from, to } => {
            let beyond = format!("more than {MOST_RIDES}");
            let or_beyond = |rides: Option<u32>| rides.map_or(beyond.clone(), |r| r.to_string());
            match (from, median, to) {
                (None, _, _) => format!("Most likely {beyond} rides."),
                (Some(from), _, Some(to)) if from == to => {
                    format!(
                        "About {from} more {}.",
                        if from == 1 { "ride" } else { "rides" }
                    )
                }
                (Some(from), median, to) => format!(
                    "About {} more rides; four horses in five like this one take {from} to {}.",
                    or_beyond(median),
                    or_beyond(to)
                ),
            }
        }
    }
}

/// One rail in a sentence.
pub fn item(item: &Item, check: &GateCheck, gate: &Gate) -> String {
    let figures = item.side.and_then(|side| check.figures(side));
    match (item.side, figures) {
        (Some(Side::Both), Some(figures)) => {
            capital(&format!("{}.", side_item(item, figures, gate)))
        }
        (Some(side), Some(figures)) => format!(
            "{}: {}.",
            capital(side.word()),
            side_item(item, figures, gate)
        ),
        _ => whole_item(item, check),
    }
}

fn side_item(item: &Item, figures: &SideFigures, gate: &Gate) -> String {
    let needed = item.needed;
    match item.item {
        ItemKind::Reps => format!("{} asks, {needed} needed", figures.asked),
        ItemKind::Days => format!("asked on {}, {needed} needed", days(figures.days)),
        ItemKind::SoftShare => match figures.share {
            Some(share) => format!(
                "{} soft ({} of {}), {} needed",
                percent_down(share),
                figures.soft,
                figures.asked,
                percent(needed)
            ),
            None => format!("nothing asked yet, {} soft needed", percent(needed)),
        },
        ItemKind::LowShare => match figures.ready_low {
            Some(low) => {
                format!(
                    "surely above {}, {} needed",
                    percent_down(low),
                    percent(needed)
                )
            }
            None => format!("nothing asked yet, surely above {} needed", percent(needed)),
        },
        ItemKind::NoMiss => format!(
            "{} soft in a row, {needed} needed without one miss",
            item.found.unwrap_or_default()
        ),
        _ if figures.first_asks.is_empty() => {
            format!(
                "no first ask yet, soft on {needed} of {} days needed",
                gate.first_ask_days
            )
        }
        _ => {
            let soft = figures.first_asks.iter().filter(|first| first.soft).count();
            format!(
                "first ask soft on {soft} of the last {}, {needed} of {} needed",
                days(figures.first_asks.len() as u32),
                gate.first_ask_days
            )
        }
    }
}

fn whole_item(item: &Item, check: &GateCheck) -> String {
    match item.item {
        ItemKind::Count => format!(
            "{} so far, {} needed.",
            item.found.unwrap_or_default(),
            item.needed
        ),
        ItemKind::LevelBelow => format!(
            "The level below was {} soft on the last day it was asked, {} needed.",
            percent_down(item.found.unwrap_or_default()),
            percent(item.needed)
        ),
        _ => sides_item(item, check),
    }
}

fn sides_item(item: &Item, check: &GateCheck) -> String {
    let Some(even) = check.evenness else {
        return "Left and right cannot be compared until both were asked.".to_owned();
    };
    let stiff = even
        .stiff_side
        .filter(|_| !item.passes)
        .map_or_else(String::new, |side| {
            format!("; the {} is the stiff side", side.word())
        });
    match (item.item, even.time_ratio, even.symmetry_index_pct) {
        (ItemKind::TimeRatio, Some(ratio), _) if ratio < 1.05 => {
            "Both sides take about as long.".to_owned()
        }
        (ItemKind::TimeRatio, Some(ratio), Some(index)) => {
            let slower = if index > 0.0 { Side::Left } else { Side::Right };
            format!(
                "The {} takes {:.1} times as long as the {}, at most {:.1}.",
                slower.word(),
                (ratio * 10.0 - 1e-9).ceil() / 10.0,
                slower.other().word(),
                item.needed
            )
        }
        _ => format!(
            "The sides differ by {:.0} points of soft share, at most {:.0}{stiff}.",
            (even.difference.abs() * 100.0 - 1e-9).ceil().max(0.0),
            item.needed * 100.0
        ),
    }
}

/// Who should look first, and why.
pub fn caution(caution: &Caution) -> String {
    match caution {
        Caution::SideDrop(drop) => side_drop(drop),
        Caution::Flag { kind, since } => format!(
            "{} noted on {}: let {} look before this is trained through.",
            match kind {
                CareKind::Pain => "Pain was",
                CareKind::Unlevel => "Unlevel steps were",
                _ => "A rig that does not fit was",
            },
            date(*since),
            kind.who()
        ),
        Caution::Overdue { kind, last } => format!(
            "{} last looked at on {}: let {} look before more is asked in the mouth.",
            if *kind == CareKind::Teeth {
                "The teeth were"
            } else {
                "The bit seat was"
            },
            date(*last),
            kind.who()
        ),
        Caution::Trouble { day } => format!(
            "Signs of trouble on two rides in a row, last on {}. That may be pain: let a vet, \
             farrier or saddle fitter look before this is trained through.",
            date(*day)
        ),
    }
}

/// A side that dropped at once: who should look.
fn side_drop(drop: &SideDrop) -> String {
    format!(
        "The {side} side went from {} soft to {} of {} in one ride while the {other} stayed soft. \
         New trouble on one side may be pain: let a vet, equine dentist or saddle fitter look \
         before more is asked on the {side}.",
        percent(drop.share_before),
        drop.soft,
        drop.asked,
        side = drop.side.word(),
        other = drop.side.other().word(),
    )
}

/// Why the level was eased.
pub fn eased(eased: &EaseReason, ladder: &Ladder) -> String {
    match eased {
        EaseReason::Share {
            soft,
            asked,
            rides,
            least_share,
        } => {
            let last = if *rides == 1 {
                "Last ride".to_owned()
            } else {
                format!("{rides} rides in a row; the last")
            };
            format!(
                "{last}: {soft} of {asked} soft, under {}.",
                percent(*least_share)
            )
        }
        EaseReason::Fault {
            fault,
            times,
            asks,
            says,
        } => {
            let name = ladder
                .fault(fault)
                .map_or(fault.0.as_str(), |place| ladder.faults[place].name.as_str());
            format!("{}: {times} of the last {asks}. {says}", capital(name))
        }
    }
}

/// How long it has not been shown.
pub fn rusty(kept: &Retention) -> String {
    format!(
        "Last shown soft {} ago; after {} it counts as rusty.",
        days(kept.idle_days.unwrap_or_default()),
        days(kept.rusty_after_days)
    )
}

/// A level that is needed and not held, or rusty.
pub fn need(level: &LadderLevel, rusty: bool) -> String {
    if rusty {
        format!("{}: held, but rusty.", level.name)
    } else {
        format!("{}: not held yet.", level.name)
    }
}

/// A decision of the trainer.
pub fn overruled(overrule: &Overrule) -> String {
    let counts = if overrule.lets_count() {
        "Counts as held"
    } else {
        "Does not count as held"
    };
    format!(
        "{counts} since {}, by the trainer's word: {}",
        date(overrule.day),
        overrule.reason.trim()
    )
}

fn date(day: jiff::civil::Date) -> String {
    day.strftime("%A %-d %B %Y").to_string()
}

fn percent(share: f64) -> String {
    format!("{:.0} %", share * 100.0)
}

/// What was found is never rounded up to what is needed.
fn percent_down(share: f64) -> String {
    format!("{:.0} %", (share * 100.0 + 1e-9).floor())
}

fn capital(word: &str) -> String {
    let mut letters = word.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_uppercase().chain(letters).collect()
    })
}

fn lower(name: &str) -> String {
    let mut letters = name.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_lowercase().chain(letters).collect()
    })
}
