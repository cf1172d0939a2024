//! How the asks of a block are shared out between the sides: more on the stiff side, between
//! 1:1 and 2:1.
//!
//! Which side is the stiff one is said once, of the horse, over all its levels, and only
//! where it is very likely real. A level's own times never name another one; they may only
//! ask for more of the same.
//!
//! Source: that the stiff side is asked up to twice as often is common practice of the
//! trade, no source; the way from shares to asks is a product default.

use super::day::Day;
use super::horse::Horse;
use crate::Side;
use crate::evidence::evenness::time_ratio;
use crate::evidence::give_time::restricted_mean_s;
use crate::evidence::stiff::SidesApart;
use crate::evidence::times_of;
use crate::horse::HorseTrait;
use crate::judge::track::{sides_lately, stiff_side};
use crate::judge::window::window_of;

/// Asks of a side that is worked for itself, for one on the other.
const MORE: f64 = 1.5;
/// Never more than so many for one on the good side.
const MOST: f64 = 2.0;
/// A difference of all asks soft on one side and none on the other is worth so many more.
const BY_SHARE: f64 = 2.0;

/// The side that gets more on a card.
#[derive(Debug, Clone, Copy)]
pub struct SideShare {
    side: Option<Side>,
    ratio: f64,
}

impl SideShare {
    /// By the horse's stiff side. Of a horse that is known as one-sided, the side that is
    /// less often soft lately is taken where none is sure yet.
    pub fn of(horse: Horse<'_>, day: &Day) -> SideShare {
        let ratio = |share: f64, other: f64| 1.0 + BY_SHARE * (other - share);
        let one_sided = day.is(HorseTrait::OneSided);
        let least = if one_sided { MORE } else { 1.0 };
        if let Some(stiff) = stiff_side(horse.file, horse.on) {
            return SideShare {
                side: Some(stiff.side),
                ratio: ratio(stiff.share, stiff.other_share).clamp(least, MOST),
            };
        }
        let lately = one_sided.then(|| sides_lately(horse.file, horse.on));
        let leans: Option<SidesApart> = lately.flatten();
        SideShare {
            side: leans.map(|apart| apart.stiff),
            ratio: if leans.is_some() { MORE } else { 1.0 },
        }
    }

    /// The side that gets more at one level, and how many for one on the other, 1 to 2: the
    /// side its trainer put on the card first, then the stiff one.
    pub fn of_level(&self, horse: Horse<'_>, day: &Day, index: usize) -> (Option<Side>, f64) {
        let level = &horse.ladder.levels[index];
        let planned = day
            .planned
            .iter()
            .find(|block| block.level == level.level)
            .and_then(|block| block.side)
            .filter(|side| *side != Side::Both);
        let side = planned.or(self.side);
        let by_times = side.map_or(1.0, |side| slower(horse, index, side));
        let own = if side == self.side { self.ratio } else { 1.0 };
        let least = if planned.is_some() { MORE } else { 1.0 };
        (side, own.max(by_times).clamp(least, MOST))
    }
}

/// How many times as long a side takes to give at a level as the other; 1 where it is the
/// quicker one, or not timed.
fn slower(horse: Horse<'_>, index: usize, side: Side) -> f64 {
    let gate = &horse.ladder.levels[index].gate;
    let asks = horse.file.asks_until(index, horse.on);
    let seen = window_of(asks, gate, horse.on);
    let mean_s = |side| restricted_mean_s(&times_of(seen, side), gate.horizon_s);
    let is_slower = mean_s(side)
        .zip(mean_s(side.other()))
        .is_some_and(|(own, other)| own > other);
    is_slower
        .then(|| time_ratio(seen, gate.horizon_s))
        .flatten()
        .unwrap_or(1.0)
}
