//! What Cavesson says of a level: every sentence a verdict is made of. The rules of
//! wording stand in DESIGN.md, "How do the screens speak?".

use super::caution::Caution;
use super::forecast::{Forecast, MOST_RIDES};
use super::gate_check::{GateCheck, SideFigures};
use super::held::drop::SideDrop;
use super::held::ease::EaseReason;
use super::held::retention::Retention;
use super::held_words;
use super::item::{Item, ItemKind};
use super::overrule::Overrule;
use super::standing::Standing;
use super::verdict::{State, Verdict};
use super::what_it_takes::{MOST_DAYS, StillNeeded, WhatItTakes};
use crate::Side;
use crate::evidence::rider::RiderOffset;
use crate::evidence::rigs::RigShare;
use crate::horse::{CareKind, Sex};
use crate::ladder::{Gate, Ladder};
use crate::wording::{capital, count, days, lower, on_weekday, percent, percent_down, pronouns};

/// The soft share at which riders are compared in points.
const USUAL_SHARE: f64 = 0.75;

/// The verdict in a sentence.
pub fn verdict(
    standing: &Standing,
    check: &GateCheck,
    takes: &WhatItTakes,
    ladder: &Ladder,
    sex: Option<Sex>,
) -> String {
    let looks_at_the_gate = matches!(
        standing.verdict,
        Verdict::Confirm | Verdict::Refresh | Verdict::Stay
    );
    if let Some(text) = looks_at_the_gate
        .then(|| held_words::verdict(standing, ladder, sex))
        .flatten()
    {
        return text;
    }
    match standing.verdict {
        Verdict::CheckFirst => format!(
            "Get {} looked at before you work on this.",
            pronouns(sex).him
        ),
        Verdict::EaseBack => match standing.ease_to {
            Some(level) => format!(
                "Go back to: {}. Keep it short, ask light, and quit on the first good one.",
                lower(&ladder.levels[level].name)
            ),
            None => {
                "Keep it short, ask light, and quit on the first good one each side.".to_owned()
            }
        },
        Verdict::Advance => "Every rail is filled and the gate is open: move on.".to_owned(),
        Verdict::Confirm if waits_for_days(check) => {
            "Good so far. Show it again on another day.".to_owned()
        }
        Verdict::Confirm => {
            "Same again. Next time only the first ask on each side counts.".to_owned()
        }
        Verdict::Refresh => "Held, but rusty. Test it cold: two or three asks a side.".to_owned(),
        Verdict::Stay => stay(standing, check, takes, ladder, sex),
    }
}

fn stay(
    standing: &Standing,
    check: &GateCheck,
    takes: &WhatItTakes,
    ladder: &Ladder,
    sex: Option<Sex>,
) -> String {
    if let Some(level) = standing.missing.first() {
        return format!(
            "Not open yet. First {} needs: {}.",
            pronouns(sex).he,
            lower(&ladder.levels[*level].name)
        );
    }
    if check.passes {
        if let Some(level) = standing.doubtful.first() {
            return format!(
                "Ready, but this is in doubt: {}.",
                lower(&ladder.levels[*level].name)
            );
        }
        let rusty = standing.stale.first().map(|level| &ladder.levels[*level]);
        return match rusty {
            Some(level) => format!("Ready, but freshen up first: {}.", lower(&level.name)),
            None => "Same again.".to_owned(),
        };
    }
    if check.window.rides == 0 {
        return match standing.state {
            State::ShownAtIntake => {
                "Shown at intake: the first ask on each side confirms it.".to_owned()
            }
            State::Held | State::Overruled => "Held, but not asked lately.".to_owned(),
            _ => "Not asked lately. Start with a few light asks on each side.".to_owned(),
        };
    }
    match takes.limits {
        Some(kind) => {
            let lower = check.evenness.and_then(|even| even.lower_side);
            format!(
                "What's holding {} back: {}.",
                pronouns(sex).him,
                rail(kind, takes.limits_side.or(lower))
            )
        }
        None => "Same again.".to_owned(),
    }
}

fn waits_for_days(check: &GateCheck) -> bool {
    check.failing().any(|item| item.item == ItemKind::Days)
}

/// A rail that is not filled, by name. The side is its own; of a rail that compares
/// the sides, the one that lags.
pub fn rail(kind: ItemKind, side: Option<Side>) -> String {
    let side = side.filter(|side| *side != Side::Both);
    let name = match (kind, side) {
        (ItemKind::Count, _) => return "not enough of them yet".to_owned(),
        (ItemKind::LevelBelow, None) => {
            return "the level below wasn't soft on its last day".to_owned();
        }
        (ItemKind::LevelBelow, Some(side)) => {
            return format!(
                "the level below wasn't soft on the {} on its last day",
                side.word()
            );
        }
        (ItemKind::Difference, Some(side)) => {
            return format!("the {} side lags behind", side.word());
        }
        (ItemKind::TimeRatio, Some(side)) => {
            return format!("the {} side takes longer", side.word());
        }
        (ItemKind::Difference, None) => "one side lags behind",
        (ItemKind::TimeRatio, None) => "one side takes longer",
        (ItemKind::Reps, _) => "too few asks",
        (ItemKind::Days, _) => "too few days",
        (ItemKind::SoftShare, _) => "not soft often enough",
        (ItemKind::LowShare, _) => "not proven soft yet",
        (ItemKind::FirstAsk, _) => "the first ask",
        (ItemKind::NoMiss, _) => "it has to be soft every time",
    };
    match side {
        Some(side) => format!("{name} on the {}", side.word()),
        None => name.to_owned(),
    }
}

/// What it would take, in a sentence.
pub fn takes(takes: &WhatItTakes, check: &GateCheck) -> String {
    let Some(further) = takes.if_all_soft else {
        return format!("More than {MOST_DAYS} days, even if every answer is soft.");
    };
    if further.days == 0 {
        return "Nothing more: every rail is filled.".to_owned();
    }
    if takes.limits == Some(ItemKind::Count) {
        return format!("{} more.", further.both_reps);
    }
    let so_much = format!(
        "At least {} over {}.",
        soft_asks(&further),
        days(further.days)
    );
    if check.window.rides == 0 {
        format!("{so_much} Not asked lately, so there is no pace to go by.")
    } else {
        so_much
    }
}

fn soft_asks(further: &StillNeeded) -> String {
    match (further.left_reps, further.right_reps, further.both_reps) {
        (0, 0, both) => count(both, "soft ask"),
        (left, 0, _) => format!("{} on the left", count(left, "soft ask")),
        (0, right, _) => format!("{} on the right", count(right, "soft ask")),
        (left, right, _) if left == right => format!("{} a side", count(left, "soft ask")),
        (left, right, _) => format!(
            "{} on the left and {right} on the right",
            count(left, "soft ask")
        ),
    }
}

/// The forecast in a sentence.
pub fn forecast(forecast: &Forecast, sex: Option<Sex>) -> String {
    match *forecast {
        Forecast::Now => "Ready now.".to_owned(),
        Forecast::CannotSayYet => format!(
            "Too soon to say when: {} isn't clearly getting better.",
            pronouns(sex).he
        ),
        Forecast::Rides { from: None, .. } => {
            format!("Most likely more than {MOST_RIDES} rides.")
        }
        Forecast::Rides {
            median,
            from: Some(from),
            to,
        } => match (median, to) {
            (_, Some(to)) if from == to => format!("About {}.", count(from, "more ride")),
            (Some(median), Some(to)) => format!(
                "About {}, most likely {from} to {to}.",
                count(median, "more ride")
            ),
            _ => format!("Most likely {from} rides or more; it may be over {MOST_RIDES}."),
        },
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
        ItemKind::Reps => format!("{}, needs {needed}", count(figures.asked, "ask")),
        ItemKind::Days => format!("asked on {}, needs {needed}", days(figures.days)),
        ItemKind::SoftShare => match figures.share {
            Some(share) => format!(
                "{} soft ({} of {}), needs {}",
                percent_down(share),
                figures.soft,
                figures.asked,
                percent(needed)
            ),
            None => format!("not asked yet, needs {} soft", percent(needed)),
        },
        ItemKind::LowShare => match figures.ready_low {
            Some(low) => format!(
                "proven above {}, needs {}",
                percent_down(low),
                percent(needed)
            ),
            None => format!("not asked yet, needs proof above {}", percent(needed)),
        },
        ItemKind::LevelBelow => match item.found {
            Some(found) => format!(
                "the level below was {} soft the last day it was asked, needs {}",
                percent_down(found),
                percent(needed)
            ),
            None => "the level below wasn't asked lately, show it soft too".to_owned(),
        },
        ItemKind::NoMiss => format!(
            "{} soft in a row, needs {needed} without a miss",
            item.found.unwrap_or_default()
        ),
        _ if figures.first_asks.is_empty() => format!(
            "no first ask yet, needs {needed} soft in {} days",
            gate.first_ask_days
        ),
        _ => {
            let soft = figures.first_asks.iter().filter(|first| first.soft).count();
            format!(
                "first ask soft on {soft} of the last {}, needs {needed} of {}",
                days(figures.first_asks.len() as u32),
                gate.first_ask_days
            )
        }
    }
}

fn whole_item(item: &Item, check: &GateCheck) -> String {
    match item.item {
        ItemKind::Count => format!(
            "{} so far, needs {}.",
            item.found.unwrap_or_default(),
            item.needed
        ),
        _ => sides_item(item, check),
    }
}

fn sides_item(item: &Item, check: &GateCheck) -> String {
    let Some(even) = check.evenness else {
        return "Left and right can't be compared until both were asked.".to_owned();
    };
    let lags = even
        .lower_side
        .filter(|_| !item.passes)
        .map_or_else(String::new, |side| format!("; the {} lags", side.word()));
    match (item.item, even.time_ratio, even.symmetry_index_pct) {
        (ItemKind::TimeRatio, Some(ratio), _) if ratio < 1.05 => {
            "Both sides take about as long.".to_owned()
        }
        (ItemKind::TimeRatio, Some(ratio), Some(index)) => {
            let slower = if index > 0.0 { Side::Left } else { Side::Right };
            format!(
                "The {} takes {:.1} times as long as the {} ({:.1} at most).",
                slower.word(),
                (ratio * 10.0 - 1e-9).ceil() / 10.0,
                slower.other().word(),
                item.needed
            )
        }
        _ => format!(
            "The sides are {:.0} points apart ({:.0} at most){lags}.",
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
            "{} since {}: have {} look before you work on this.",
            match kind {
                CareKind::Pain => "Pain",
                CareKind::Unlevel => "Off or uneven",
                _ => "Tack that doesn't fit,",
            },
            on_weekday(*since),
            kind.who()
        ),
        Caution::Overdue {
            kind: CareKind::Feet,
            last,
        } => format!(
            "Feet last done {}: have {} look before fast work.",
            on_weekday(*last),
            CareKind::Feet.who()
        ),
        Caution::Overdue { kind, last } => format!(
            "{} last checked {}: have {} look before you ask for more in the mouth.",
            if *kind == CareKind::Teeth {
                "Teeth"
            } else {
                "Bit seat"
            },
            on_weekday(*last),
            kind.who()
        ),
        Caution::Trouble { day } => format!(
            "Signs of trouble two rides in a row, last on {}. That may be pain: have a vet, \
             farrier or saddle fitter look before you work on this.",
            on_weekday(*day)
        ),
    }
}

/// A side that dropped at once: who should look.
fn side_drop(drop: &SideDrop) -> String {
    format!(
        "The {side} side went from {} soft to {} of {} in one ride while the {other} stayed soft. \
         Sudden trouble on one side may be pain: have a vet, equine dentist or saddle fitter look \
         before you ask more on the {side}.",
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
                format!("{rides} poor rides in a row; the last")
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
            text,
        } => {
            let name = ladder
                .fault(fault)
                .map_or(fault.0.as_str(), |index| ladder.faults[index].name.as_str());
            format!("{}: {times} of the last {asks}. {text}", capital(name))
        }
    }
}

/// That riders differ, and what the verdict would be if they did not.
pub fn riders(otherwise: Verdict) -> String {
    format!(
        "Adjusted for who rode; by the bare count it would be {}.",
        otherwise.word().replace('_', " ")
    )
}

/// How a rider differs from the barn's usual one.
pub fn rider(difference: Option<&RiderOffset>) -> String {
    let Some(rider) = difference else {
        return "Can't be compared: nobody else asked the same within two weeks.".to_owned();
    };
    let points = (rider.share_more(USUAL_SHARE) * 100.0).round();
    let way = if points < 0.0 { "fewer" } else { "more" };
    let size = count(points.abs() as u32, "point");
    if rider.is_very_likely_real() {
        format!(
            "About {size} {way} soft than the barn's usual rider on the same horses, very likely \
             real. Cavesson adjusts for it."
        )
    } else if points == 0.0 {
        "As soft as the barn's usual rider on the same horses.".to_owned()
    } else {
        format!(
            "About {size} {way} soft than the barn's usual rider on the same horses; may be chance."
        )
    }
}

/// How soft a horse is in a rig, against its others.
pub fn rig(share: &RigShare) -> String {
    let Some(against) = &share.against else {
        return "No other tack at the same levels within two weeks, so learning can't be told \
                apart from the tack."
            .to_owned();
    };
    let points = against.points.round();
    let way = if points < 0.0 { "fewer" } else { "more" };
    let size = count(points.abs() as u32, "point");
    if points == 0.0 {
        "As soft as in the other tack of the same two weeks.".to_owned()
    } else if against.very_likely_real {
        format!(
            "About {size} {way} soft than in the other tack of the same two weeks, very likely real."
        )
    } else {
        format!(
            "About {size} {way} soft than in the other tack of the same two weeks; may be chance."
        )
    }
}

/// How long it has not been shown.
pub fn rusty(kept: &Retention) -> String {
    format!(
        "Last soft {} ago; rusty after {}.",
        days(kept.idle_days.unwrap_or_default()),
        days(kept.rusty_after_days)
    )
}

/// A decision of the trainer.
pub fn overruled(overrule: &Overrule) -> String {
    let counts = if overrule.lets_count() {
        "Held"
    } else {
        "Kept back"
    };
    format!(
        "{counts} since {}, trainer's call: {}",
        on_weekday(overrule.day),
        overrule.reason.trim()
    )
}
