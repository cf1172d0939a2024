//! What it would take: the least number of further soft reps per side, and
//! days, after which the gate would pass. When that may be, answering as the horse
//! does, is the forecast's to say.
//!
//! It is found by trying, against the gate itself: further days are put behind the
//! known ones, at this horse's own pace (its usual reps a side and its usual days
//! between rides), until every rail passes.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::coming_days::{ComingDays, least_filled};
use super::item::ItemKind;
use super::rails::{Rail, Tally};
use super::window::{GateInput, window_of};
use crate::Side;
use crate::day::days_between;
use crate::evidence::{Ask, days_of};
use crate::ladder::Gate;
use crate::rep::TimeToGive;

/// How many further days are tried before the answer is "not within sight".
pub const MOST_DAYS: u32 = 40;
/// Reps a side and day for a horse that was never asked. Product default.
const FRESH_PACE: u32 = 4;

/// Reps and days that are still needed.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StillNeeded {
    /// Reps on the left, where sides are asked each on its own.
    pub left_reps: u32,
    /// Reps on the right, where sides are asked each on its own.
    pub right_reps: u32,
    /// Reps, where both sides are asked at once; for what adds up, the number.
    pub both_reps: u32,
    /// Days.
    pub days: u32,
}

/// What it would take from here.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WhatItTakes {
    /// If every further answer is soft; none when even that would not do within [`MOST_DAYS`] days.
    pub if_all_soft: Option<StillNeeded>,
    /// The rail that fills last.
    pub limits: Option<ItemKind>,
    /// The side of that rail.
    pub limits_side: Option<Side>,
}

/// How far it is, without the count of reps.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Nearest {
    /// Days if every further answer is soft; none beyond [`MOST_DAYS`].
    pub days: Option<u32>,
    /// The rail that fills last.
    pub limits: ItemKind,
    /// The side of that rail.
    pub limits_side: Option<Side>,
}

/// Finds how far it is from the day of `shown`; none when every rail passes.
pub fn nearest(shown: &GateInput<'_>, gate: &Gate) -> Option<Nearest> {
    let seen = window_of(shown.asks, gate, shown.on);
    let tally = Tally::of(shown, seen, gate);
    let least_filled = least_filled(shown, &tally, gate)?;
    if gate.least_count > 0 {
        return Some(Nearest {
            days: Some(1),
            limits: ItemKind::Count,
            limits_side: None,
        });
    }
    let (days, last_to_fill) = Trial::new(shown, seen, gate).least_days();
    let limits = last_to_fill.unwrap_or(least_filled);
    Some(Nearest {
        days,
        limits: limits.item,
        limits_side: limits.side,
    })
}

/// Finds what it would take after the day of `shown`.
pub fn what_it_takes(shown: &GateInput<'_>, gate: &Gate) -> WhatItTakes {
    let seen = window_of(shown.asks, gate, shown.on);
    let tally = Tally::of(shown, seen, gate);
    let Some(least_filled) = least_filled(shown, &tally, gate) else {
        return WhatItTakes {
            if_all_soft: Some(StillNeeded::default()),
            limits: None,
            limits_side: None,
        };
    };
    if gate.least_count > 0 {
        return of_a_count(shown, gate);
    }
    let trial = Trial::new(shown, seen, gate);
    let (if_all_soft, limits) = trial.least_soft();
    let limits = limits.unwrap_or(least_filled);
    WhatItTakes {
        if_all_soft,
        limits: Some(limits.item),
        limits_side: limits.side,
    }
}

/// What adds up: the rest of the number.
fn of_a_count(shown: &GateInput<'_>, gate: &Gate) -> WhatItTakes {
    let so_far: u32 = shown.asks.iter().map(|ask| ask.count).sum();
    let both_reps = gate.least_count.saturating_sub(so_far);
    WhatItTakes {
        if_all_soft: Some(StillNeeded {
            both_reps,
            days: 1,
            ..StillNeeded::default()
        }),
        limits: Some(ItemKind::Count),
        limits_side: None,
    }
}

/// The known asks of the window, and how further days are made for this horse.
struct Trial<'a> {
    shown: &'a GateInput<'a>,
    known: &'a [Ask],
    gate: &'a Gate,
    pace: u32,
    gap_days: i64,
    /// The usual time of a soft answer, by side.
    soft_times: Vec<(Side, Option<TimeToGive>)>,
}

impl<'a> Trial<'a> {
    fn new(shown: &'a GateInput<'a>, known: &'a [Ask], gate: &'a Gate) -> Trial<'a> {
        Trial {
            shown,
            known,
            gate,
            pace: usual_pace(known, shown.sides),
            gap_days: usual_gap_days(known),
            soft_times: shown
                .sides
                .iter()
                .map(|side| (*side, soft_time(known, *side, gate)))
                .collect(),
        }
    }

    fn begin(&self) -> ComingDays<'a> {
        ComingDays::after(self.shown, self.known, self.gate)
    }

    /// A day of so many soft asks on each side, in the order of the sides.
    fn soft_day(&self, coming: &mut ComingDays<'_>, reps: impl Iterator<Item = u32>) {
        let sides = self.soft_times.iter().zip(reps);
        let asked =
            sides.flat_map(|((side, time), reps)| (0..reps).map(move |_| (*side, true, *time)));
        coming.day(self.gap_days, asked);
    }

    /// The fewest days of soft rides at the horse's own pace, and the rail that is
    /// least filled one day before.
    fn least_days(&self) -> (Option<u32>, Option<Rail>) {
        let mut coming = self.begin();
        let mut last_to_fill = None;
        while coming.days < MOST_DAYS {
            self.soft_day(&mut coming, std::iter::repeat(self.pace));
            match coming.least_filled() {
                None => return (Some(coming.days), last_to_fill),
                rail => last_to_fill = rail,
            }
        }
        (None, None)
    }

    /// Fewest days first, then the fewest reps if both sides get as many, then
    /// fewer on the left, then on the right as far as that goes; and the rail that
    /// fills last.
    fn least_soft(&self) -> (Option<StillNeeded>, Option<Rail>) {
        let (days, last_to_fill) = self.least_days();
        let Some(days) = days else {
            return (None, None);
        };
        let most = days * self.pace;
        let sides = self.shown.sides;
        let even = (0..=most).find(|each| self.passes_with(days, &vec![*each; sides.len()]));
        let mut reps = vec![even.unwrap_or(most); sides.len()];
        for index in 0..reps.len() {
            let most = reps[index];
            let least = (0..=most).find(|fewer| {
                reps[index] = *fewer;
                self.passes_with(days, &reps)
            });
            reps[index] = least.unwrap_or(most);
        }
        let of = |side: Side| {
            let at = sides.iter().position(|asked| *asked == side);
            at.map_or(0, |at| reps[at])
        };
        let further = StillNeeded {
            left_reps: of(Side::Left),
            right_reps: of(Side::Right),
            both_reps: of(Side::Both),
            days,
        };
        (Some(further), last_to_fill)
    }

    /// Whether so many soft reps a side, spread over so many days, would do.
    fn passes_with(&self, days: u32, reps: &[u32]) -> bool {
        let mut coming = self.begin();
        for day in 0..days {
            let today = reps.iter();
            self.soft_day(
                &mut coming,
                today.map(|reps| reps / days + u32::from(day < reps % days)),
            );
        }
        coming.pass()
    }
}

/// The usual time of a soft answer on that side; half the longest soft time
/// when there is none; nothing where it is not timed.
fn soft_time(known: &[Ask], side: Side, gate: &Gate) -> Option<TimeToGive> {
    if known.last().is_some_and(|ask| ask.time.is_none()) {
        return None;
    }
    let soft = known.iter().filter(|ask| ask.side == side && ask.soft);
    let mut times: Vec<f64> = soft
        .filter_map(|ask| ask.time.map(|time| time.seconds))
        .collect();
    times.sort_by(f64::total_cmp);
    Some(TimeToGive {
        seconds: times
            .get(times.len() / 2)
            .copied()
            .unwrap_or(gate.soft.stand_walk_s / 2.0),
        gave: true,
    })
}

/// The median number of reps a side and day.
fn usual_pace(known: &[Ask], sides: &[Side]) -> u32 {
    let mut counts: Vec<u32> = sides
        .iter()
        .flat_map(|side| days_of(known, *side))
        .map(|day| day.asked)
        .collect();
    counts.sort_unstable();
    counts
        .get(counts.len() / 2)
        .copied()
        .unwrap_or(FRESH_PACE)
        .clamp(1, 12)
}

/// The median number of days from one ride day to the next.
fn usual_gap_days(known: &[Ask]) -> i64 {
    let mut days: Vec<Date> = known.iter().map(|ask| ask.day).collect();
    days.dedup();
    let mut gaps: Vec<i64> = days
        .windows(2)
        .map(|pair| days_between(pair[0], pair[1]))
        .collect();
    gaps.sort_unstable();
    gaps.get(gaps.len() / 2).copied().unwrap_or(1).clamp(1, 7)
}
