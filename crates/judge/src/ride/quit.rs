//! A good place to quit: quit on a good one, leave it wanting more.
//!
//! Source: common practice of the trade, no source; the figures are product defaults.

use serde::{Deserialize, Serialize};

use crate::Side;
use crate::evidence::SoftCount;
use crate::horse::Sex;
use crate::wording::{capital, percent_down, pronouns};

/// Soft answers in a row that are a good place. Product default.
pub const IN_A_ROW: usize = 3;
/// By how much today's share has to be above the last ride's. Product default.
pub const BETTER_BY: f64 = 0.2;
/// Asks before today's share says anything. Product default.
pub const LEAST_ASKS: usize = 6;
/// The first and the last asks that are compared for tiring.
pub const COMPARED: usize = 4;

/// One ask of the block, in the order of asking.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct BlockAsk {
    /// The side that was asked.
    pub side: Side,
    /// Whether the answer was soft.
    pub soft: bool,
    /// Milliseconds from the ride's start to the ask, where known.
    #[serde(default)]
    pub after_ms: Option<u32>,
}

/// What is known beside today's asks.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub struct Before {
    /// The level was never asked before this ride.
    pub brand_new: bool,
    /// The level is not held yet.
    pub green: bool,
    /// Soft and asked on the last ride that asked the level.
    pub last_ride: SoftCount,
    /// How many asks were made when the minutes of the block were used up; none while
    /// they are not, or for a block without a budget.
    pub budget_used_at: Option<usize>,
}

/// Why this is a good place to quit.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Quit {
    /// The first good try of something brand new.
    FirstGoodTry,
    /// Three soft in a row, both sides among them where they are asked apart.
    SoftInARow,
    /// Today's share is well above the last ride's, on a level that is not held yet.
    BetterThanLast,
    /// The last four are worse than the first four: tiring.
    Tiring,
    /// The minutes are used up.
    BudgetUsed,
}

/// Longer than this between two asks something else was done. Product default.
const ELSEWHERE_MIN: f64 = 3.0;

/// How many asks were made when the minutes of the block were used up; none while they
/// are not.
pub fn budget_used_at(asks: &[BlockAsk], budget_min: f64) -> Option<usize> {
    let mut used_min = 0.0;
    for (index, pair) in asks.windows(2).enumerate() {
        let (earlier, later) = pair[0].after_ms.zip(pair[1].after_ms)?;
        let apart_min = f64::from(later.saturating_sub(earlier)) / 60_000.0;
        used_min += apart_min.min(ELSEWHERE_MIN);
        if used_min >= budget_min {
            return Some(index + 2);
        }
    }
    None
}

/// The signal after the last ask, if it brought one. What was so before the last ask is
/// not said again: nobody is nagged.
pub fn quit(asks: &[BlockAsk], before: &Before) -> Option<Quit> {
    let (_, earlier) = asks.split_last()?;
    let was = signals(earlier, before);
    signals(asks, before)
        .into_iter()
        .find(|signal| !was.contains(signal))
}

fn signals(asks: &[BlockAsk], before: &Before) -> Vec<Quit> {
    if asks.is_empty() {
        return Vec::new();
    }
    [
        (Quit::FirstGoodTry, first_good_try(asks, before)),
        (Quit::SoftInARow, soft_in_a_row(asks)),
        (Quit::BetterThanLast, better_than_last(asks, before)),
        (Quit::Tiring, tiring(asks)),
        (
            Quit::BudgetUsed,
            before.budget_used_at.is_some_and(|at| asks.len() >= at),
        ),
    ]
    .into_iter()
    .filter_map(|(signal, given)| given.then_some(signal))
    .collect()
}

fn first_good_try(asks: &[BlockAsk], before: &Before) -> bool {
    before.brand_new && asks.iter().any(|ask| ask.soft)
}

fn soft_in_a_row(asks: &[BlockAsk]) -> bool {
    let row: Vec<&BlockAsk> = asks.iter().rev().take_while(|ask| ask.soft).collect();
    let has = |side: Side| row.iter().any(|ask| ask.side == side);
    let both_sides = has(Side::Both) || (has(Side::Left) && has(Side::Right));
    row.len() >= IN_A_ROW && both_sides
}

fn better_than_last(asks: &[BlockAsk], before: &Before) -> bool {
    let last = before.last_ride.share();
    let today = today(asks).share();
    before.green
        && asks.len() >= LEAST_ASKS
        && last
            .zip(today)
            .is_some_and(|(last, today)| today >= last + BETTER_BY - 1e-9)
}

fn tiring(asks: &[BlockAsk]) -> bool {
    let soft = |asks: &[BlockAsk]| asks.iter().filter(|ask| ask.soft).count();
    asks.len() >= 2 * COMPARED && soft(&asks[asks.len() - COMPARED..]) < soft(&asks[..COMPARED])
}

fn today(asks: &[BlockAsk]) -> SoftCount {
    let mut today = SoftCount::default();
    for ask in asks {
        today.count(ask.soft);
    }
    today
}

/// The signal in words.
pub fn words(signal: Quit, asks: &[BlockAsk], before: &Before, sex: Option<Sex>) -> String {
    match signal {
        Quit::FirstGoodTry => "Good place to quit: the first good try of something new.".into(),
        Quit::SoftInARow => "Good place to quit: three soft in a row.".into(),
        Quit::BetterThanLast => format!(
            "Good place to quit: {} soft today, {} last ride.",
            percent_down(today(asks).share().unwrap_or_default()),
            percent_down(before.last_ride.share().unwrap_or_default())
        ),
        Quit::Tiring => {
            let he = pronouns(sex).he;
            format!("{} may be tiring. Finish on something easy.", capital(he))
        }
        Quit::BudgetUsed => "That's enough of this. Finish on a good one.".into(),
    }
}
