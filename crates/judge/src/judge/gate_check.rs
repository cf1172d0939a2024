//! Each rail of the gate: what is needed, what is found, whether it passes.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::item::{Item, ItemKind};
use super::rails::{Rail, Tally, failing};
use super::window::{GateInput, Window, window_of};
use crate::Side;
use crate::evidence::evenness::{Evenness, evenness};
use crate::evidence::first_ask::FirstAsk;
use crate::evidence::give_time::{median_s, restricted_mean_s};
use crate::evidence::readiness::Readiness;
use crate::evidence::share::{quantile, share_of_days};
use crate::evidence::{Ask, days_of, times_of};
use crate::ladder::Gate;

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
    /// One-sided lower bound of that share (Wilson, days as clusters).
    pub share_low: Option<f64>,
    /// Readiness now, from the whole history.
    pub ready: Option<f64>,
    /// What the readiness surely lies above.
    pub ready_low: Option<f64>,
    /// How alike the reps of one day are (intra-cluster correlation, drawn to the prior).
    pub icc: Option<f64>,
    /// Asks divided by the design effect.
    pub effective_asked: Option<f64>,
    /// First asks of the last days the gate looks at, oldest first.
    pub first_asks: Vec<FirstAsk>,
    /// Median time to give, in seconds, where it is timed and reached.
    pub median_s: Option<f64>,
    /// Restricted mean time to give, in seconds, where it is timed.
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
    /// Figures of each side asked, left before right.
    pub sides: Vec<SideFigures>,
    /// Left against right, once both were asked.
    pub evenness: Option<Evenness>,
    /// Whether every rail passes.
    pub passes: bool,
}

impl GateCheck {
    /// The figures of one side.
    pub fn figures(&self, side: Side) -> Option<&SideFigures> {
        self.sides.iter().find(|figures| figures.side == side)
    }

    /// The rails that do not pass.
    pub fn failing(&self) -> impl Iterator<Item = &Item> {
        self.items.iter().filter(|item| !item.passes)
    }
}

/// Checks every rail of `gate` with all figures.
pub fn check_gate(shown: &GateInput<'_>, gate: &Gate) -> GateCheck {
    let seen = window_of(shown.asks, gate, shown.on);
    let tally = Tally::of(shown, seen, gate);
    let sides: Vec<SideFigures> = shown
        .sides
        .iter()
        .map(|side| figures(seen, shown.readiness, gate, *side))
        .collect();
    let items: Vec<Item> = super::rails::rails(shown, gate)
        .map(|rail| item(rail, &tally, gate, &sides))
        .collect();
    let mut rides: Vec<Uuid> = seen.iter().map(|ask| ask.ride_id).collect();
    rides.sort_unstable();
    rides.dedup();
    GateCheck {
        window: Window {
            from: seen.first().map(|ask| ask.day),
            to: shown.on,
            rides: rides.len() as u32,
        },
        passes: failing(shown, &tally, gate).next().is_none(),
        items,
        evenness: evenness_of(seen, &sides, gate),
        sides,
    }
}

fn evenness_of(seen: &[Ask], sides: &[SideFigures], gate: &Gate) -> Option<Evenness> {
    let [left, right] = sides else { return None };
    Some(evenness(
        (left.share?, &times_of(seen, left.side)),
        (right.share?, &times_of(seen, right.side)),
        gate.horizon_s,
    ))
}

fn figures(seen: &[Ask], readiness: &Readiness, gate: &Gate, side: Side) -> SideFigures {
    let days = days_of(seen, side);
    let times = times_of(seen, side);
    let share = share_of_days(&days, gate.prior_icc, quantile(gate.confidence, false));
    let mut first_asks = crate::evidence::first_ask::first_asks(seen, side);
    let skip = first_asks
        .len()
        .saturating_sub(gate.first_ask_days as usize);
    SideFigures {
        side,
        asked: share.map_or(0, |s| s.asked),
        soft: share.map_or(0, |s| s.soft),
        days: days.len() as u32,
        share: share.map(|s| s.share),
        share_low: share.map(|s| s.interval.low),
        ready: share.map(|_| readiness.now(side)),
        ready_low: share.map(|_| readiness.low(side, gate.confidence)),
        icc: share.map(|s| s.icc),
        effective_asked: share.map(|s| s.effective_asked),
        first_asks: first_asks.split_off(skip),
        median_s: median_s(&times),
        restricted_mean_s: restricted_mean_s(&times, gate.horizon_s),
    }
}

/// A rail with what was found; for the readiness that is the lower bound itself.
fn item(rail: Rail, tally: &Tally, gate: &Gate, sides: &[SideFigures]) -> Item {
    let needed = rail.needed(gate);
    let passes = rail.passes(tally, gate);
    let found = match (rail.item, rail.side) {
        (ItemKind::LowShare, Some(side)) => sides
            .iter()
            .find(|figures| figures.side == side)
            .and_then(|figures| figures.ready_low),
        _ => rail.found(tally),
    };
    let filled = match found {
        _ if passes => 1.0,
        None => 0.0,
        Some(found) if rail.item.at_most() => needed / found,
        Some(found) => found / needed,
    };
    Item {
        item: rail.item,
        side: rail.side,
        needed,
        found,
        filled: filled.clamp(0.0, 1.0),
        passes,
    }
}
