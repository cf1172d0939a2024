//! Each rail of the gate: what is needed, what is found, whether it passes.

use jiff::{ToSpan, civil::Date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::evidence::evenness::{Evenness, evenness};
use crate::evidence::first_ask::{FirstAsk, first_asks};
use crate::evidence::give_time::{median_s, restricted_mean_s};
use crate::evidence::share::{quantile, share_of_days};
use crate::evidence::{Ask, days_of, times_of};
use crate::ladder::Gate;

/// What a rail of the gate asks for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ItemKind {
    /// Asks in the window.
    Reps,
    /// Days in the window.
    Days,
    /// Share of soft answers.
    SoftShare,
    /// Lower bound of that share.
    LowShare,
    /// Soft first asks among the last days.
    FirstAsk,
    /// Difference of the sides' soft shares.
    Difference,
    /// Ratio of the sides' restricted mean times.
    TimeRatio,
}

impl ItemKind {
    /// Rails with a left and a right half, from the bottom of the gate up.
    pub const PER_SIDE: [ItemKind; 5] = [
        ItemKind::Reps,
        ItemKind::Days,
        ItemKind::SoftShare,
        ItemKind::LowShare,
        ItemKind::FirstAsk,
    ];

    /// Whether the figure has to stay below what the gate names.
    pub fn at_most(self) -> bool {
        matches!(self, ItemKind::Difference | ItemKind::TimeRatio)
    }
}

/// One rail, or the half of one.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Item {
    /// What it asks for.
    pub item: ItemKind,
    /// The side, for a rail with two halves.
    pub side: Option<Side>,
    /// The least that passes; for difference and ratio, the most.
    pub needed: f64,
    /// What was found; none while there is nothing to find it from.
    pub found: Option<f64>,
    /// How far the rail is filled, 0 to 1; 1 when it passes.
    pub filled: f64,
    /// Whether it passes.
    pub passes: bool,
}

/// The rides the gate looked at.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Window {
    /// The first day looked at; none when no ride lies in the window.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub from: Option<Date>,
    /// The day of judging.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub to: Date,
    /// How many rides.
    pub rides: u32,
}

/// One side's figures in the window.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideFigures {
    /// The side.
    pub side: Side,
    /// Asks.
    pub asked: u32,
    /// Soft answers.
    pub soft: u32,
    /// Days on which it was asked.
    pub days: u32,
    /// soft / asked.
    pub share: Option<f64>,
    /// One-sided lower bound of the share.
    pub low: Option<f64>,
    /// How alike the reps of one day are (intra-cluster correlation, drawn to the prior).
    pub icc: Option<f64>,
    /// Asks divided by the design effect.
    pub effective_asked: Option<f64>,
    /// First asks of the last days the gate looks at, oldest first.
    pub first_asks: Vec<FirstAsk>,
    /// Median time to give, in seconds, where it is reached.
    pub median_s: Option<f64>,
    /// Restricted mean time to give, in seconds.
    pub restricted_mean_s: Option<f64>,
}

/// The whole gate on one date.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GateCheck {
    /// The rides looked at.
    pub window: Window,
    /// Every rail; left before right.
    pub items: Vec<Item>,
    /// Figures of the left side.
    pub left: SideFigures,
    /// Figures of the right side.
    pub right: SideFigures,
    /// Left against right, once both were asked.
    pub evenness: Option<Evenness>,
    /// Whether every rail passes.
    pub passes: bool,
}

impl GateCheck {
    /// The figures of one side.
    pub fn figures(&self, side: Side) -> &SideFigures {
        match side {
            Side::Left => &self.left,
            Side::Right => &self.right,
        }
    }

    /// The rails that do not pass.
    pub fn failing(&self) -> impl Iterator<Item = &Item> {
        self.items.iter().filter(|item| !item.passes)
    }
}

/// The asks inside the gate's window on `on`: the last rides that asked it, not
/// older than the window's days. `asks` are in order.
pub fn window_of<'a>(asks: &'a [Ask], gate: &Gate, on: Date) -> &'a [Ask] {
    let oldest = on
        .checked_sub(i64::from(gate.window_days).days())
        .unwrap_or(Date::MIN);
    let end = asks.partition_point(|ask| ask.day <= on);
    let start = asks[..end].partition_point(|ask| ask.day <= oldest);
    let mut rides: Vec<Uuid> = Vec::new();
    let mut first = end;
    for (index, ask) in asks[start..end].iter().enumerate().rev() {
        if !rides.contains(&ask.ride_id) {
            if rides.len() == gate.window_rides as usize {
                break;
            }
            rides.push(ask.ride_id);
        }
        first = start + index;
    }
    &asks[first..end]
}

/// Checks every rail of `gate` on `on`. `asks` are in order.
pub fn check_gate(asks: &[Ask], gate: &Gate, on: Date) -> GateCheck {
    let seen = window_of(asks, gate, on);
    let left = figures(seen, gate, Side::Left);
    let right = figures(seen, gate, Side::Right);
    let even = match (left.share, right.share) {
        (Some(l), Some(r)) => evenness(
            (l, &times_of(seen, Side::Left)),
            (r, &times_of(seen, Side::Right)),
            gate.horizon_s,
        ),
        _ => None,
    };
    let mut items = Vec::with_capacity(12);
    for kind in ItemKind::PER_SIDE {
        for figures in [&left, &right] {
            items.push(side_item(kind, figures, gate));
        }
    }
    items.push(item(
        ItemKind::Difference,
        None,
        gate.most_difference,
        even.map(|e| e.difference.abs()),
    ));
    items.push(item(
        ItemKind::TimeRatio,
        None,
        gate.most_time_ratio,
        even.map(|e| e.time_ratio),
    ));
    let mut rides: Vec<Uuid> = seen.iter().map(|ask| ask.ride_id).collect();
    rides.sort_unstable();
    rides.dedup();
    GateCheck {
        window: Window {
            from: seen.first().map(|ask| ask.day),
            to: on,
            rides: rides.len() as u32,
        },
        passes: items.iter().all(|item| item.passes),
        items,
        left,
        right,
        evenness: even,
    }
}

fn figures(seen: &[Ask], gate: &Gate, side: Side) -> SideFigures {
    let days = days_of(seen, side);
    let times = times_of(seen, side);
    let share = share_of_days(&days, gate.prior_icc, quantile(gate.confidence, false));
    let mut firsts = first_asks(seen, side);
    let skip = firsts.len().saturating_sub(gate.first_ask_days as usize);
    SideFigures {
        side,
        asked: share.map_or(0, |s| s.asked),
        soft: share.map_or(0, |s| s.soft),
        days: days.len() as u32,
        share: share.map(|s| s.share),
        low: share.map(|s| s.interval.low),
        icc: share.map(|s| s.icc),
        effective_asked: share.map(|s| s.effective_asked),
        first_asks: firsts.split_off(skip),
        median_s: median_s(&times),
        restricted_mean_s: restricted_mean_s(&times, gate.horizon_s),
    }
}

fn side_item(kind: ItemKind, figures: &SideFigures, gate: &Gate) -> Item {
    let (needed, found) = match kind {
        ItemKind::Reps => (f64::from(gate.least_reps), Some(f64::from(figures.asked))),
        ItemKind::Days => (f64::from(gate.least_days), Some(f64::from(figures.days))),
        ItemKind::SoftShare => (gate.soft_share, figures.share),
        ItemKind::LowShare => (gate.low_share, figures.low),
        _ => {
            let soft = figures.first_asks.iter().filter(|first| first.soft).count();
            (f64::from(gate.first_ask_soft), Some(soft as f64))
        }
    };
    item(kind, Some(figures.side), needed, found)
}

fn item(kind: ItemKind, side: Option<Side>, needed: f64, found: Option<f64>) -> Item {
    // A share of 12 in 15 is 0.8 to a trainer, whatever the last binary digit says.
    let slack = 1e-9;
    let passes = found.is_some_and(|found| {
        if kind.at_most() {
            found <= needed + slack
        } else {
            found >= needed - slack
        }
    });
    let filled = match found {
        _ if passes => 1.0,
        None => 0.0,
        Some(found) if kind.at_most() => needed / found,
        Some(found) => found / needed,
    };
    Item {
        item: kind,
        side,
        needed,
        found,
        filled: filled.clamp(0.0, 1.0),
        passes,
    }
}
