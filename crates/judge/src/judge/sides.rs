//! The sides of each level against each other over the last four weeks. Which side is the
//! stiff one is said of the horse, over all its levels: see
//! [`stiff`](crate::evidence::stiff).

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::horse_file::HorseFile;
use crate::Side;
use crate::evidence::SoftCount;
use crate::evidence::evenness::{Evenness, evenness};
use crate::evidence::share::{difference_of_days, quantile};
use crate::evidence::{Ask, days_of, times_of};
use crate::ladder::{Gate, Ladder, Sides};

/// Days looked back.
pub const LOOK_BACK_DAYS: i64 = 28;
/// Two-sided confidence of the difference of the shares.
const CONFIDENCE: f64 = 0.90;

/// Left against right at one level.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LevelSides {
    /// The index of the level.
    pub level: usize,
    /// The left.
    pub left: SoftCount,
    /// The right.
    pub right: SoftCount,
    /// The figures.
    pub evenness: Evenness,
    /// Lower bound of the difference of the soft shares, left less right, 90 %.
    pub low: f64,
    /// Upper bound of it.
    pub high: f64,
}

/// Every level that was asked on each side in the last four weeks, the most uneven
/// first.
pub fn sides(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<LevelSides> {
    let oldest = on.saturating_sub(LOOK_BACK_DAYS.days());
    let mut found: Vec<LevelSides> = ladder
        .levels
        .iter()
        .zip(&file.asks)
        .enumerate()
        .filter(|(_, (level, _))| level.sides == Sides::Each)
        .filter_map(|(index, (level, asks))| {
            let start = asks.partition_point(|ask| ask.day <= oldest);
            let end = asks.partition_point(|ask| ask.day <= on);
            of_level(index, &asks[start..end], &level.gate)
        })
        .collect();
    found.sort_by(|a, b| {
        let size = |of: &LevelSides| of.evenness.difference.abs();
        size(b).total_cmp(&size(a))
    });
    found
}

fn of_level(level: usize, asks: &[Ask], gate: &Gate) -> Option<LevelSides> {
    let of_side = |side| SoftCount::of(asks.iter().filter(|ask| ask.side == side));
    let (left, right) = (of_side(Side::Left), of_side(Side::Right));
    let days = |side| days_of(asks, side);
    let z = quantile(CONFIDENCE, true);
    let found = difference_of_days(&days(Side::Left), &days(Side::Right), gate.prior_icc, z)?;
    let (left_share, right_share) = left.share().zip(right.share())?;
    Some(LevelSides {
        level,
        left,
        right,
        evenness: evenness(
            (left_share, &times_of(asks, Side::Left)),
            (right_share, &times_of(asks, Side::Right)),
            gate.horizon_s,
        ),
        low: found.low,
        high: found.high,
    })
}
