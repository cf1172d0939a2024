//! What the level below showed.

use jiff::civil::Date;

use crate::Side;
use crate::day::days_between;
use crate::judge::held::soft_day::SoftDay;
use crate::judge::window::Below;
use crate::ladder::{Ladder, LadderLevel};

/// What the level below showed, side by side, on the last day it was asked until `on`, on
/// the same day where it was asked then; none where the gate does not look at it.
pub fn below(
    ladder: &Ladder,
    level: &LadderLevel,
    soft_days: &[SoftDay],
    on: Date,
) -> Option<Below> {
    let below = &ladder.levels[level.below?];
    if !level.gate.level_below {
        return None;
    }
    let until = soft_days.partition_point(|day| day.day <= on);
    let last = soft_days[..until]
        .last()
        .filter(|last| days_between(last.day, on) < i64::from(level.gate.window_days));
    let share = |side: Side| {
        let last = last?;
        let of = |side: Side| last.sides[usize::from(side == Side::Right)].share();
        match (side, below.asked_sides()) {
            // What is asked on both reins at once stands on both sides of what is below.
            (Side::Both, [Side::Left, Side::Right]) => Some(of(Side::Left)?.min(of(Side::Right)?)),
            (_, [Side::Both]) => of(Side::Both),
            _ => of(side),
        }
    };
    let mut shares = [None; 2];
    for side in level.asked_sides() {
        shares[usize::from(*side == Side::Right)] = share(*side);
    }
    Some(Below(shares))
}
