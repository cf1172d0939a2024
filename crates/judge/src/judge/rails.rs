//! The rails of a gate, and what they are held against: one tally of the
//! window, made in one walk. The judge goes over every day of a horse's history
//! with it, so nothing here is figured out that a rail does not ask for.

use super::item::ItemKind;
use super::window::{Below, GateInput};
use crate::Side;
use crate::evidence::Ask;
use crate::evidence::evenness::time_ratio;
use crate::ladder::Gate;

/// A rail, or the half of one.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Rail {
    /// What it asks for.
    pub item: ItemKind,
    /// The side, for a rail with two halves.
    pub side: Option<Side>,
}

/// What one side shows in the window.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
struct SideTally {
    asked: u32,
    soft: u32,
    days: u32,
    first_soft: u32,
    soft_in_a_row: u32,
    sure: f64,
}

/// What a level shows in the window.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Tally {
    sides: [SideTally; 2],
    count: u32,
    time_ratio: Option<f64>,
    below: Option<Below>,
}

/// A share of 12 in 15 is 0.8 to a trainer, whatever the last binary digit says.
const SLACK: f64 = 1e-9;

fn slot(side: Side) -> usize {
    usize::from(side == Side::Right)
}

impl Tally {
    /// The tally of `seen`, the window of `shown`.
    pub fn of(shown: &GateInput<'_>, seen: &[Ask], gate: &Gate) -> Tally {
        let mut sides = [SideTally::default(); 2];
        for side in shown.sides {
            sides[slot(*side)] = side_tally(shown, seen, gate, *side);
        }
        let two = shown.sides.len() == 2;
        Tally {
            sides,
            count: if gate.least_count > 0 {
                shown.asks.iter().map(|ask| ask.count).sum()
            } else {
                0
            },
            time_ratio: (two && gate.most_time_ratio.is_some())
                .then(|| time_ratio(seen, gate.horizon_s))
                .flatten(),
            below: shown.below,
        }
    }

    fn share(&self, side: usize) -> Option<f64> {
        let tally = &self.sides[side];
        (tally.asked > 0).then(|| f64::from(tally.soft) / f64::from(tally.asked))
    }
}

fn side_tally(shown: &GateInput<'_>, seen: &[Ask], gate: &Gate, side: Side) -> SideTally {
    let mut tally = SideTally::default();
    let mut firsts = 0u64;
    let mut day = None;
    for ask in seen.iter().filter(|ask| ask.side == side) {
        tally.asked += 1;
        tally.soft += u32::from(ask.soft);
        if day != Some(ask.day) {
            day = Some(ask.day);
            tally.days += 1;
            firsts = firsts << 1 | u64::from(ask.soft);
        }
    }
    let looked_at = (1u64 << gate.first_ask_days.min(63)) - 1;
    tally.first_soft = (firsts & looked_at).count_ones();
    if gate.no_miss_reps > 0 {
        let latest = shown.asks.iter().rev().filter(|ask| ask.side == side);
        tally.soft_in_a_row = latest
            .take(gate.no_miss_reps as usize)
            .take_while(|ask| ask.soft)
            .count() as u32;
    }
    if gate.low_share > 0.0 && tally.asked > 0 {
        tally.sure = shown.readiness.sure_above(side, gate.low_share);
    }
    tally
}

/// The rails of a gate, from the bottom up; left before right. A rail that asks
/// for nothing is not there.
pub fn rails(shown: &GateInput<'_>, gate: &Gate) -> impl Iterator<Item = Rail> {
    let sides = shown.sides;
    let two = sides.len() == 2;
    let timed = shown.asks.last().is_none_or(|ask| ask.time.is_some());
    let below = gate.level_below && shown.below.is_some();
    let gate = *gate;
    let halves = ItemKind::PER_SIDE
        .into_iter()
        .filter(move |item| below || *item != ItemKind::LevelBelow);
    let halves = halves.flat_map(move |item| {
        // What adds up is not counted by side.
        let of = if item == ItemKind::Count {
            &sides[..1]
        } else {
            sides
        };
        of.iter().map(move |side| Rail {
            item,
            side: (item != ItemKind::Count).then_some(*side),
        })
    });
    let whole = [
        (two && gate.most_difference.is_some(), ItemKind::Difference),
        (
            two && timed && gate.most_time_ratio.is_some(),
            ItemKind::TimeRatio,
        ),
    ];
    halves.filter(move |rail| rail.needed(&gate) > 0.0).chain(
        whole
            .into_iter()
            .filter_map(|(there, item)| there.then_some(Rail { item, side: None })),
    )
}

/// The rails that do not pass.
pub fn failing(shown: &GateInput<'_>, tally: &Tally, gate: &Gate) -> impl Iterator<Item = Rail> {
    rails(shown, gate).filter(move |rail| !rail.passes(tally, gate))
}

impl Rail {
    /// The least that passes; for difference and ratio, the most. A gate that does
    /// not have the rail has no such most.
    pub fn needed(self, gate: &Gate) -> f64 {
        match self.item {
            ItemKind::Count => f64::from(gate.least_count),
            ItemKind::Reps => f64::from(gate.least_reps),
            ItemKind::Days => f64::from(gate.least_days),
            ItemKind::SoftShare | ItemKind::LevelBelow => gate.soft_share,
            ItemKind::LowShare => gate.low_share,
            ItemKind::FirstAsk => f64::from(gate.first_ask_soft),
            ItemKind::NoMiss => f64::from(gate.no_miss_reps),
            ItemKind::Difference => gate.most_difference.unwrap_or(f64::INFINITY),
            ItemKind::TimeRatio => gate.most_time_ratio.unwrap_or(f64::INFINITY),
        }
    }

    /// What was found. For the readiness, how sure it is to lie above the need.
    pub fn found(self, tally: &Tally) -> Option<f64> {
        let index = self.side.map_or(0, slot);
        let side = &tally.sides[index];
        match self.item {
            ItemKind::Count => Some(f64::from(tally.count)),
            ItemKind::Reps => Some(f64::from(side.asked)),
            ItemKind::Days => Some(f64::from(side.days)),
            ItemKind::SoftShare => tally.share(index),
            ItemKind::LowShare => (side.asked > 0).then_some(side.sure),
            ItemKind::FirstAsk => Some(f64::from(side.first_soft)),
            ItemKind::NoMiss => Some(f64::from(side.soft_in_a_row)),
            ItemKind::Difference => Some((tally.share(0)? - tally.share(1)?).abs()),
            ItemKind::TimeRatio => tally.time_ratio,
            ItemKind::LevelBelow => tally.below?.0[index],
        }
    }

    /// Whether it passes.
    pub fn passes(self, tally: &Tally, gate: &Gate) -> bool {
        let needed = match self.item {
            ItemKind::LowShare => gate.confidence,
            _ => self.needed(gate),
        };
        self.found(tally).is_some_and(|found| {
            if self.item.at_most() {
                found <= needed + SLACK
            } else {
                found >= needed - SLACK
            }
        })
    }

    /// How far it is filled, 0 to 1.
    pub fn filled(self, tally: &Tally, gate: &Gate) -> f64 {
        let needed = match self.item {
            ItemKind::LowShare => gate.confidence,
            _ => self.needed(gate),
        };
        match self.found(tally) {
            _ if self.passes(tally, gate) => 1.0,
            None => 0.0,
            Some(found) if self.item.at_most() => (needed / found).clamp(0.0, 1.0),
            Some(found) => (found / needed).clamp(0.0, 1.0),
        }
    }
}
