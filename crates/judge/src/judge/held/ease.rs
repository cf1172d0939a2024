//! What sends a level down: a ride that was soft less than half, or a fault that
//! has a rule of its own. It stays down until its first asks are soft again on two of
//! three days and what it went back to is soft: time does not bring it back. A pause that
//! a fault asks for ends after so many rides.
//!
//! On a level's first days with nothing under it there is nowhere to go back to: shorter
//! and lighter then, quit on the first good one.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::Side;
use crate::evidence::Ask;
use crate::ladder::{FaultId, Gate, Ladder, LadderLevel, Level};

/// Days on which first asks have to be soft ...
const SOFT_DAYS: usize = 2;
/// ... out of so many.
const OF_DAYS: usize = 3;
/// Days asked that count as a level's first. Product default.
pub const FIRST_DAYS: usize = 3;

/// The ride after which a pause began, and the rides it lasts.
pub type Pause = (Uuid, u32);

/// A level that was sent down.
#[derive(Debug, Clone, PartialEq)]
pub struct Eased {
    /// The day of the poor ride.
    pub since: Date,
    /// Why.
    pub reason: EaseReason,
    /// What it went back to: the highest level held under it.
    pub to: Option<Level>,
    /// Where a fault asks for a pause.
    pub pause: Option<Pause>,
    /// Whether the first asks were soft, on the days since.
    firsts: Vec<bool>,
}

impl Eased {
    /// Sent down on a day.
    pub fn on(since: Date, reason: EaseReason, to: Option<Level>, pause: Option<Pause>) -> Eased {
        Eased {
            since,
            reason,
            to,
            pause,
            firsts: Vec::new(),
        }
    }

    /// It was asked on a later day, first asks soft or not.
    pub fn asked(&mut self, firsts_soft: bool) {
        if self.firsts.len() == OF_DAYS {
            self.firsts.remove(0);
        }
        self.firsts.push(firsts_soft);
    }

    /// Whether a day on which the level was not asked may end it.
    pub fn may_end_unasked(&self) -> bool {
        self.pause.is_some() || self.firsts_are_soft()
    }

    /// Whether first asks were soft on enough days since.
    pub fn firsts_are_soft(&self) -> bool {
        self.firsts.iter().filter(|soft| **soft).count() >= SOFT_DAYS
    }
}

/// Whether the first ask of a day was soft on every side that is asked.
pub fn firsts_soft(day: &[Ask], sides: &[Side]) -> bool {
    sides.iter().all(|side| {
        let mut of_side = day.iter().filter(|ask| ask.side == *side);
        of_side.next().is_some_and(|first| first.soft)
    })
}

/// Why a level is sent down.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(tag = "because", rename_all = "snake_case")]
pub enum EaseReason {
    /// The last rides were soft less than the gate's least.
    Share {
        /// Soft answers of the last ride.
        soft: u32,
        /// Asks of the last ride.
        asked: u32,
        /// How many such rides in a row.
        rides: u32,
        /// The share it takes to stay.
        least_share: f64,
    },
    /// A fault came too often.
    Fault {
        /// The fault.
        fault: FaultId,
        /// How often it came.
        times: u32,
        /// In how many asks.
        asks: u32,
        /// What to do.
        text: String,
    },
}

/// What of a level's asks sends it down, with the pause it asks for.
pub fn reason(
    asks: &[Ask],
    seen: &[Ask],
    gate: &Gate,
    ladder: &Ladder,
) -> Option<(EaseReason, Option<Pause>)> {
    if let Some(share) = by_share(seen, gate) {
        return Some((share, None));
    }
    by_fault(asks, ladder)
}

/// The last rides of `seen` when all of them were soft too seldom.
pub fn by_share(seen: &[Ask], gate: &Gate) -> Option<EaseReason> {
    if gate.ease_rides == 0 {
        return None;
    }
    let mut end = seen.len();
    let mut found = None;
    for ride in 0..gate.ease_rides {
        let (start, soft) = last_ride(&seen[..end])?;
        let asked = (end - start) as u32;
        if asked < gate.ease_reps || f64::from(soft) >= gate.ease_share * f64::from(asked) {
            return None;
        }
        if ride == 0 {
            found = Some((soft, asked));
        }
        end = start;
    }
    found.map(|(soft, asked)| EaseReason::Share {
        soft,
        asked,
        rides: gate.ease_rides,
        least_share: gate.ease_share,
    })
}

/// Where the last ride of `seen` begins, and its soft answers.
fn last_ride(seen: &[Ask]) -> Option<(usize, u32)> {
    let last: Uuid = seen.last()?.ride_id;
    let start = seen
        .iter()
        .rposition(|ask| ask.ride_id != last)
        .map_or(0, |before| before + 1);
    let soft = seen[start..].iter().filter(|ask| ask.soft).count() as u32;
    Some((start, soft))
}

/// A fault that came too often in the last asks, with the pause it asks for.
fn by_fault(asks: &[Ask], ladder: &Ladder) -> Option<(EaseReason, Option<Pause>)> {
    let last = asks.last()?;
    ladder.faults.iter().enumerate().find_map(|(index, fault)| {
        let rule = fault.ease.as_ref()?;
        let looked_at = latest(asks, last, rule.of_last, rule.pause_rides);
        let times = looked_at.iter().filter(|ask| ask.faults.has(index)).count() as u32;
        let pause = (rule.pause_rides > 0).then_some((last.ride_id, rule.pause_rides));
        (times >= rule.times).then(|| {
            let reason = EaseReason::Fault {
                fault: fault.id.clone(),
                times,
                asks: looked_at.len() as u32,
                text: rule.text.clone(),
            };
            (reason, pause)
        })
    })
}

/// The asks a rule looks at: the last so many; for a pause, all of the last ride.
fn latest<'a>(asks: &'a [Ask], last: &Ask, of_last: u32, pause_rides: u32) -> &'a [Ask] {
    let from = if pause_rides > 0 {
        asks.iter()
            .rposition(|ask| ask.ride_id != last.ride_id)
            .map_or(0, |before| before + 1)
    } else {
        asks.len().saturating_sub(of_last as usize)
    };
    &asks[from..]
}

/// The highest held level among those a level stands on: the one below it if
/// that is held, else the last in the order of the work.
pub fn highest_held_under(
    level: &LadderLevel,
    ladder: &Ladder,
    held: impl Fn(usize) -> bool,
) -> Option<usize> {
    let mut under: Vec<usize> = stands_on(level).collect();
    let mut seen = vec![false; ladder.levels.len()];
    let mut deeper = Vec::new();
    while !under.is_empty() {
        if let Some(held) = under.iter().copied().filter(|p| held(*p)).max() {
            return Some(held);
        }
        for index in under.drain(..) {
            for need in stands_on(&ladder.levels[index]) {
                if !std::mem::replace(&mut seen[need], true) {
                    deeper.push(need);
                }
            }
        }
        std::mem::swap(&mut under, &mut deeper);
    }
    None
}

/// What a level stands on at once: the one below it, and all alternatives of its needs.
fn stands_on(level: &LadderLevel) -> impl Iterator<Item = usize> + '_ {
    let needs = level.needs.iter().flatten();
    level.below.iter().chain(needs).copied()
}
