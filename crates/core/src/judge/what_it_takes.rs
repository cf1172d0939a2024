//! What it would take: the least number of further soft reps per side, and
//! days, after which the gate would pass; and the same if the horse goes on
//! answering as it has.
//!
//! Both are found by trying, against the gate itself: further days are put
//! behind the known ones, at this horse's own pace (its usual reps a side and
//! its usual days between rides), until every rail passes.

use jiff::{ToSpan, civil::Date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::gate_check::{ItemKind, check_gate, window_of};
use crate::Side;
use crate::evidence::give_time::TimeToGive;
use crate::evidence::{Ask, days_of};
use crate::ladder::Gate;

/// How many further days are tried before the answer is "not within sight".
pub const MOST_DAYS: u32 = 40;
/// Reps a side and day for a horse that was never asked. Product default.
const FRESH_PACE: u32 = 4;

/// Further reps and days.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Further {
    /// Reps on the left.
    pub left_reps: u32,
    /// Reps on the right.
    pub right_reps: u32,
    /// Days.
    pub days: u32,
}

/// What it would take from here.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WhatItTakes {
    /// If every further answer is soft; none when even that would not do within [`MOST_DAYS`] days.
    pub if_all_soft: Option<Further>,
    /// If answers keep coming as they have in the window; none when the gate would not pass that way.
    pub at_present_rate: Option<Further>,
    /// The rail that fills last.
    pub limits: Option<ItemKind>,
    /// The side of that rail.
    pub limits_side: Option<Side>,
}

/// Finds what it would take after `on`. `asks` are in order.
pub fn what_it_takes(asks: &[Ask], gate: &Gate, on: Date) -> WhatItTakes {
    let now = check_gate(asks, gate, on);
    if now.passes {
        let none = Some(Further {
            left_reps: 0,
            right_reps: 0,
            days: 0,
        });
        return WhatItTakes {
            if_all_soft: none,
            at_present_rate: none,
            limits: None,
            limits_side: None,
        };
    }
    let trial = Trial::new(asks, gate, on);
    let if_all_soft = trial.least_soft();
    let limit = trial.last_to_fill(if_all_soft).or_else(|| {
        now.failing()
            .min_by(|a, b| a.filled.total_cmp(&b.filled))
            .map(|i| (i.item, i.side))
    });
    WhatItTakes {
        if_all_soft,
        at_present_rate: trial.at_present_rate(),
        limits: limit.map(|(item, _)| item),
        limits_side: limit.and_then(|(_, side)| side),
    }
}

/// The known asks, and how further days are made for this horse.
struct Trial<'a> {
    known: &'a [Ask],
    gate: &'a Gate,
    on: Date,
    pace: u32,
    gap_days: i64,
}

impl<'a> Trial<'a> {
    fn new(asks: &'a [Ask], gate: &'a Gate, on: Date) -> Trial<'a> {
        let known = window_of(asks, gate, on);
        Trial {
            known,
            gate,
            on,
            pace: usual_pace(known),
            gap_days: usual_gap_days(known),
        }
    }

    /// Fewest days first, then the fewest reps on the left, then on the right.
    fn least_soft(&self) -> Option<Further> {
        let days = (1..=MOST_DAYS).find(|days| {
            let full = days * self.pace;
            self.passes_with(*days, full, full)
        })?;
        let full = days * self.pace;
        let left_reps = (0..=full).find(|left| self.passes_with(days, *left, full))?;
        let right_reps = (0..=full).find(|right| self.passes_with(days, left_reps, *right))?;
        Some(Further {
            left_reps,
            right_reps,
            days,
        })
    }

    fn passes_with(&self, days: u32, left: u32, right: u32) -> bool {
        let (asks, on) = self.with_soft(days, left, right);
        check_gate(&asks, self.gate, on).passes
    }

    /// The rail that is least filled one day before the gate would pass at the
    /// horse's own pace.
    fn last_to_fill(&self, further: Option<Further>) -> Option<(ItemKind, Option<Side>)> {
        let days = further?.days.checked_sub(1)?;
        let full = days * self.pace;
        let (asks, on) = self.with_soft(days, full, full);
        check_gate(&asks, self.gate, on)
            .failing()
            .min_by(|a, b| a.filled.total_cmp(&b.filled))
            .map(|item| (item.item, item.side))
    }

    /// The known asks with soft ones behind them, spread over `days` days.
    fn with_soft(&self, days: u32, left: u32, right: u32) -> (Vec<Ask>, Date) {
        let mut asks = self.known.to_vec();
        let mut on = self.on;
        for day in 0..days {
            on = self.next_day(on);
            for (side, reps) in [(Side::Left, left), (Side::Right, right)] {
                let today = reps / days + u32::from(day < reps % days);
                let time = TimeToGive {
                    seconds: self.soft_time_s(side),
                    gave: true,
                };
                for _ in 0..today {
                    asks.push(Ask {
                        side,
                        soft: true,
                        time,
                        ..self.blank(day, on)
                    });
                }
            }
        }
        (asks, on)
    }

    /// The horse's own days of the window, played again behind the known ones.
    fn at_present_rate(&self) -> Option<Further> {
        let rides: Vec<&[Ask]> = self.known.chunk_by(|a, b| a.day == b.day).collect();
        if rides.is_empty() {
            return None;
        }
        let mut asks = self.known.to_vec();
        let mut on = self.on;
        let mut further = Further {
            left_reps: 0,
            right_reps: 0,
            days: 0,
        };
        for day in 0..MOST_DAYS {
            on = self.next_day(on);
            for ask in rides[day as usize % rides.len()] {
                asks.push(Ask {
                    side: ask.side,
                    soft: ask.soft,
                    time: ask.time,
                    ..self.blank(day, on)
                });
                match ask.side {
                    Side::Left => further.left_reps += 1,
                    Side::Right => further.right_reps += 1,
                }
            }
            further.days += 1;
            if check_gate(&asks, self.gate, on).passes {
                return Some(further);
            }
        }
        None
    }

    fn next_day(&self, day: Date) -> Date {
        day.saturating_add(self.gap_days.days())
    }

    /// An ask of a ride that has not been ridden: its id counts from one.
    fn blank(&self, day: u32, on: Date) -> Ask {
        Ask {
            rep_id: Uuid::nil(),
            ride_id: Uuid::from_u128(u128::from(day) + 1),
            day: on,
            side: Side::Left,
            soft: true,
            time: TimeToGive {
                seconds: 0.0,
                gave: true,
            },
        }
    }

    /// The usual time of a soft answer on that side; half the longest soft time when there is none.
    fn soft_time_s(&self, side: Side) -> f64 {
        let mut times: Vec<f64> = self
            .known
            .iter()
            .filter(|ask| ask.side == side && ask.soft)
            .map(|ask| ask.time.seconds)
            .collect();
        times.sort_by(f64::total_cmp);
        times
            .get(times.len() / 2)
            .copied()
            .unwrap_or(self.gate.soft.stand_walk_s / 2.0)
    }
}

/// The median number of reps a side and day.
fn usual_pace(known: &[Ask]) -> u32 {
    let mut counts: Vec<u32> = Side::EACH
        .into_iter()
        .flat_map(|side| days_of(known, side))
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
        .map(|pair| i64::from((pair[1] - pair[0]).get_days()))
        .collect();
    gaps.sort_unstable();
    gaps.get(gaps.len() / 2).copied().unwrap_or(1).clamp(1, 7)
}
