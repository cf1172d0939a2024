//! The verdict, first match wins: check first, ease back, advance, confirm,
//! refresh, stay. (Refresh stands before stay here because stay is what is left
//! when nothing else matches.)

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::gate_check::{GateCheck, ItemKind, check_gate, window_of};
use super::history::{DayVerdict, over_days};
use super::retention::{Retention, retention};
use super::side_drop::{SideDrop, side_drop};
use super::what_it_takes::{WhatItTakes, what_it_takes};
use super::words;
use crate::Side;
use crate::evidence::{Ask, asks_in_order};
use crate::ladder::Gate;
use crate::rep::Rep;

/// Reps a ride must have before it can send a level down.
const EASE_LEAST_REPS: usize = 6;
/// The soft share below which it does.
const EASE_SHARE: f64 = 0.5;

/// What the judge says of a level.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Verdict {
    /// Somebody looks at the horse before this is trained through.
    CheckFirst,
    /// Go back to what is held.
    EaseBack,
    /// The gate stands open.
    Advance,
    /// Same again: only days or the first ask are missing.
    Confirm,
    /// Stay and fill the rail that limits.
    Stay,
    /// Held but rusty: a short cold retest.
    Refresh,
}

/// Where a level stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum State {
    /// Nothing asked yet.
    Open,
    /// Being worked on.
    Working,
    /// Only days or the first ask are missing.
    Confirming,
    /// The gate has passed.
    Held,
    /// Held once, not shown soft for a while.
    Rusty,
    /// The judge sent it down.
    Eased,
}

/// One reason, with its place.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reason {
    /// The rail it speaks of, when it is one.
    pub item: Option<ItemKind>,
    /// The side it speaks of.
    pub side: Option<Side>,
    /// Whether it holds the level back.
    pub holds_back: bool,
    /// The reason in a sentence.
    pub says: String,
}

/// Everything the judge says of one level on one date.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Judgement {
    /// The date it was judged for.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub on: Date,
    /// The verdict.
    pub verdict: Verdict,
    /// Where the level stands.
    pub state: State,
    /// The verdict in a sentence.
    pub says: String,
    /// What it would take, in a sentence.
    pub takes: String,
    /// Every reason, those that hold it back first.
    pub reasons: Vec<Reason>,
    /// The gate's rails.
    pub gate: GateCheck,
    /// What it would take, in numbers.
    pub what_it_takes: WhatItTakes,
    /// How the level has kept.
    pub retention: Retention,
    /// The verdict after each day it was asked, oldest first.
    pub days: Vec<DayVerdict>,
}

/// Judges one level on `on` from all its reps; reps after `on` are not looked at.
pub fn judge_level(reps: &[Rep], gate: &Gate, on: Date) -> Judgement {
    let mut asks = asks_in_order(reps, &gate.soft);
    asks.retain(|ask| ask.day <= on);
    let days = over_days(&asks, gate);
    let check = check_gate(&asks, gate, on);
    let kept = retention(&asks, &days, gate, on);
    let seen = window_of(&asks, gate, on);
    let drop = side_drop(seen);
    let verdict = decide(seen, &check, drop.is_some(), kept.is_rusty());
    let takes = what_it_takes(&asks, gate, on);
    Judgement {
        on,
        verdict,
        state: state(verdict, &check, &kept),
        says: words::verdict(verdict, &check, &takes),
        takes: words::takes(&takes, &check),
        reasons: reasons(verdict, &check, gate, drop, &kept, seen),
        gate: check,
        what_it_takes: takes,
        retention: kept,
        days,
    }
}

/// The verdict for the asks in the window.
pub(super) fn decide(seen: &[Ask], check: &GateCheck, side_dropped: bool, rusty: bool) -> Verdict {
    if side_dropped {
        Verdict::CheckFirst
    } else if last_ride(seen).is_some_and(|(soft, asked)| eases(soft, asked)) {
        Verdict::EaseBack
    } else if check.passes {
        Verdict::Advance
    } else if rusty {
        Verdict::Refresh
    } else if only_days_or_first_asks_fail(check) {
        Verdict::Confirm
    } else {
        Verdict::Stay
    }
}

fn eases(soft: usize, asked: usize) -> bool {
    asked >= EASE_LEAST_REPS && (soft as f64) < EASE_SHARE * asked as f64
}

fn only_days_or_first_asks_fail(check: &GateCheck) -> bool {
    check
        .failing()
        .all(|item| matches!(item.item, ItemKind::Days | ItemKind::FirstAsk))
}

/// Soft and asked in the last ride, both sides.
fn last_ride(seen: &[Ask]) -> Option<(usize, usize)> {
    let last = seen.last()?.ride_id;
    let asked = seen.iter().filter(|ask| ask.ride_id == last);
    Some((asked.clone().filter(|ask| ask.soft).count(), asked.count()))
}

fn state(verdict: Verdict, check: &GateCheck, kept: &Retention) -> State {
    match verdict {
        Verdict::EaseBack => State::Eased,
        _ if kept.is_rusty() => State::Rusty,
        _ if kept.held_since.is_some() => State::Held,
        Verdict::Confirm => State::Confirming,
        _ if check.window.rides == 0 => State::Open,
        _ => State::Working,
    }
}

fn reasons(
    verdict: Verdict,
    check: &GateCheck,
    gate: &Gate,
    drop: Option<SideDrop>,
    kept: &Retention,
    seen: &[Ask],
) -> Vec<Reason> {
    let mut all = Vec::new();
    let own = |side, says| Reason {
        item: None,
        side,
        holds_back: true,
        says,
    };
    if let Some(drop) = drop {
        all.push(own(Some(drop.side), words::side_drop(&drop)));
    }
    if verdict == Verdict::EaseBack
        && let Some((soft, asked)) = last_ride(seen)
    {
        all.push(own(None, words::eased(soft, asked)));
    }
    if kept.is_rusty() {
        all.push(own(None, words::rusty(kept)));
    }
    let rails = |passes| check.items.iter().filter(move |item| item.passes == passes);
    for item in rails(false).chain(rails(true)) {
        all.push(Reason {
            item: Some(item.item),
            side: item.side,
            holds_back: !item.passes,
            says: words::item(item, check, gate),
        });
    }
    all
}
