//! The asks a gate looks at.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::evidence::Ask;
use crate::evidence::readiness::Readiness;
use crate::ladder::Gate;

/// The rides the gate looked at.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Window {
    /// The first day looked at; none when no ride lies in the window.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub from: Option<Date>,
    /// The last day the level was asked, while that lies in the window; then the day of
    /// judging. What a gate showed stays as it was until the level is asked again.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub to: Date,
    /// How many rides.
    pub rides: u32,
}

/// The soft share of the level below on the last day it was asked, by side of the level
/// above it, left or both first; none for a side that was not asked in the window.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Below(pub [Option<f64>; 2]);

impl Below {
    /// What it showed for a side.
    pub fn of(self, side: Side) -> Option<f64> {
        self.0[usize::from(side == Side::Right)]
    }

    /// Whether it was soft often enough for every side.
    pub fn is_soft(self, share: f64, sides: &[Side]) -> bool {
        let soft = |side: &Side| self.of(*side).is_some_and(|found| found >= share - 1e-9);
        sides.iter().all(soft)
    }
}

/// What a gate is checked against on one date: all asks until then, in order,
/// and what they have been taken to show.
#[derive(Debug, Clone, Copy)]
pub struct GateInput<'a> {
    /// All asks until the date, in order.
    pub asks: &'a [Ask],
    /// The date.
    pub on: Date,
    /// The readiness after those asks.
    pub readiness: &'a Readiness,
    /// What the level below showed; none where the gate does not look at it.
    pub below: Option<Below>,
    /// The sides that are asked.
    pub sides: &'static [Side],
}

/// The asks inside the gate's window on `on`: the last rides that asked it, and
/// further back while a side has fewer asks than the gate needs (a rider who quits on
/// the first good one asks once or twice), but not older than the window's days. `asks`
/// are in order.
pub fn window_of<'a>(asks: &'a [Ask], gate: &Gate, on: Date) -> &'a [Ask] {
    let oldest = on
        .checked_sub(i64::from(gate.window_days).days())
        .unwrap_or(Date::MIN);
    let end = asks.partition_point(|ask| ask.day <= on);
    let mut rides = Rides::default();
    let mut asked = AskedSides::default();
    let mut first = end;
    for (index, ask) in asks[..end].iter().enumerate().rev() {
        if ask.day <= oldest {
            break;
        }
        if !rides.contains(ask.ride_id) {
            if rides.count >= gate.window_rides as usize && asked.fewest() >= gate.least_reps {
                break;
            }
            rides.add(ask.ride_id);
        }
        asked.add(ask.side);
        first = index;
    }
    &asks[first..end]
}

/// The rides seen so far. The first few stand in place: a window is looked for after every
/// day of every level, and an allocation each time would be felt.
#[derive(Default)]
struct Rides {
    few: [Uuid; 8],
    more: Vec<Uuid>,
    count: usize,
}

impl Rides {
    fn contains(&self, ride_id: Uuid) -> bool {
        let few = &self.few[..self.count.min(self.few.len())];
        // Asks of one ride mostly stand together: the last one added is looked at first.
        few.iter().rev().any(|one| *one == ride_id) || self.more.contains(&ride_id)
    }

    fn add(&mut self, ride_id: Uuid) {
        match self.few.get_mut(self.count) {
            Some(place) => *place = ride_id,
            None => self.more.push(ride_id),
        }
        self.count += 1;
    }
}

/// Asks of each side.
#[derive(Default)]
struct AskedSides {
    left: u32,
    right: u32,
    both: u32,
}

impl AskedSides {
    fn add(&mut self, side: Side) {
        *match side {
            Side::Left => &mut self.left,
            Side::Right => &mut self.right,
            Side::Both => &mut self.both,
        } += 1;
    }

    /// Those of the side that was asked less.
    fn fewest(&self) -> u32 {
        if self.both > 0 {
            self.both
        } else {
            self.left.min(self.right)
        }
    }
}
