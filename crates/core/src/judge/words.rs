//! How the judge says it: every sentence a verdict is made of.

use super::gate_check::{GateCheck, Item, ItemKind};
use super::retention::Retention;
use super::side_drop::SideDrop;
use super::verdict::Verdict;
use super::what_it_takes::{Further, MOST_DAYS, WhatItTakes};
use crate::Side;
use crate::ladder::Gate;

/// The verdict in a sentence.
pub fn verdict(verdict: Verdict, check: &GateCheck, takes: &WhatItTakes) -> String {
    match verdict {
        Verdict::CheckFirst => {
            "Have the horse looked at before this is trained through.".to_owned()
        }
        Verdict::EaseBack => {
            "Short set, lightest ask, and quit on the first good one each side.".to_owned()
        }
        Verdict::Advance => "Every rail is filled. The gate stands open: go on.".to_owned(),
        Verdict::Confirm if waits_for_days(check) => {
            "Good so far. Show it again on another day.".to_owned()
        }
        Verdict::Confirm => {
            "Same again. Only the first ask of each side matters next time.".to_owned()
        }
        Verdict::Stay if check.window.rides == 0 => {
            "Nothing asked lately. Start with a few light asks on each side.".to_owned()
        }
        Verdict::Stay => match takes.limits {
            Some(kind) => format!("What holds it: {}.", place(kind, takes.limits_side, check)),
            None => "Same again.".to_owned(),
        },
        Verdict::Refresh => "Held, but rusty. A short cold retest: two or three a side.".to_owned(),
    }
}

fn waits_for_days(check: &GateCheck) -> bool {
    check.failing().any(|item| item.item == ItemKind::Days)
}

/// A rail by name, with its side.
fn place(kind: ItemKind, side: Option<Side>, check: &GateCheck) -> String {
    let stiff = check.evenness.and_then(|even| even.stiff_side);
    let name = match (kind, stiff) {
        (ItemKind::Reps, _) => "too few asks",
        (ItemKind::Days, _) => "too few days",
        (ItemKind::SoftShare, _) => "not soft often enough",
        (ItemKind::LowShare, _) => "not surely soft enough yet",
        (ItemKind::FirstAsk, _) => "the first ask",
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
        Some(side) => format!("{name}, {} side", side.word()),
        None => name.to_owned(),
    }
}

/// What it would take, in a sentence or two.
pub fn takes(takes: &WhatItTakes, check: &GateCheck) -> String {
    if takes.if_all_soft.is_some_and(|further| further.days == 0) {
        return "Nothing more: every rail is filled.".to_owned();
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

fn reps_and_days(further: &Further) -> String {
    let reps = match (further.left_reps, further.right_reps) {
        (left, 0) => format!("{left} on the left"),
        (0, right) => format!("{right} on the right"),
        (left, right) => format!("{left} on the left and {right} on the right"),
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

/// One rail in a sentence.
pub fn item(item: &Item, check: &GateCheck, gate: &Gate) -> String {
    match item.side {
        Some(side) => format!(
            "{}: {}.",
            capital(side.word()),
            side_item(item, side, check, gate)
        ),
        None => both_item(item, check),
    }
}

fn side_item(item: &Item, side: Side, check: &GateCheck, gate: &Gate) -> String {
    let figures = check.figures(side);
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
        ItemKind::LowShare => match figures.low {
            Some(low) => {
                format!(
                    "surely above {}, {} needed",
                    percent_down(low),
                    percent(needed)
                )
            }
            None => format!("nothing asked yet, surely above {} needed", percent(needed)),
        },
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

fn both_item(item: &Item, check: &GateCheck) -> String {
    let Some(even) = check.evenness else {
        return "Left and right cannot be compared until both were asked.".to_owned();
    };
    let stiff = even
        .stiff_side
        .filter(|_| !item.passes)
        .map_or_else(String::new, |side| {
            format!("; the {} is the stiff side", side.word())
        });
    match item.item {
        ItemKind::Difference => format!(
            "The sides differ by {:.0} points of soft share, at most {:.0}{stiff}.",
            (even.difference.abs() * 100.0 - 1e-9).ceil().max(0.0),
            item.needed * 100.0
        ),
        _ if even.time_ratio < 1.05 => "Both sides take about as long.".to_owned(),
        _ => {
            let slower = if even.symmetry_index_pct > 0.0 {
                Side::Left
            } else {
                Side::Right
            };
            format!(
                "The {} takes {:.1} times as long as the {}, at most {:.1}.",
                slower.word(),
                (even.time_ratio * 10.0 - 1e-9).ceil() / 10.0,
                slower.other().word(),
                item.needed
            )
        }
    }
}

/// A side that dropped at once: who should look.
pub fn side_drop(drop: &SideDrop) -> String {
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
pub fn eased(soft: usize, asked: usize) -> String {
    format!("Last ride: {soft} of {asked} soft, under half.")
}

/// How long it has not been shown.
pub fn rusty(kept: &Retention) -> String {
    format!(
        "Last shown soft {} ago; after {} it counts as rusty.",
        days(kept.idle_days.unwrap_or_default()),
        days(kept.rusty_after_days)
    )
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
