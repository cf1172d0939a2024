//! What the reps of a level show.
//!
//! - [`share`]: soft share with its bounds, days as clusters
//! - [`give_time`]: time to give, unanswered asks as censored
//! - [`first_ask`]: the first ask of a day and side
//! - [`evenness`]: left against right
//! - [`trend`]: improving, level, slipping
//! - [`slip`]: the alarm against the settled level

pub mod evenness;
pub mod first_ask;
pub mod give_time;
pub mod share;
pub mod slip;
pub mod trend;

use jiff::civil::Date;
use uuid::Uuid;

use crate::Side;
use crate::rep::{Rep, SoftRule};
use give_time::TimeToGive;

/// A rep as the judge sees it: softness decided, in the order of asking.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Ask {
    /// The rep.
    pub rep_id: Uuid,
    /// Its ride.
    pub ride_id: Uuid,
    /// The barn's calendar day.
    pub day: Date,
    /// The side asked.
    pub side: Side,
    /// Whether the answer was soft.
    pub soft: bool,
    /// Time to give, or time waited.
    pub time: TimeToGive,
}

/// The asks of one level, oldest first. The order in which reps arrived does
/// not matter: they are sorted by day, time of asking and id.
pub fn asks_in_order(reps: &[Rep], rule: &SoftRule) -> Vec<Ask> {
    let mut sorted: Vec<&Rep> = reps.iter().collect();
    sorted.sort_by_key(|rep| (rep.day, rep.asked_at, rep.rep_id));
    sorted
        .into_iter()
        .map(|rep| {
            let (seconds, gave) = rep.time();
            Ask {
                rep_id: rep.rep_id,
                ride_id: rep.ride_id,
                day: rep.day,
                side: rep.side,
                soft: rep.is_soft(rule),
                time: TimeToGive { seconds, gave },
            }
        })
        .collect()
}

/// Soft and asked, day by day, for one side.
pub fn days_of(asks: &[Ask], side: Side) -> Vec<share::Day> {
    let mut days: Vec<(Date, share::Day)> = Vec::new();
    for ask in asks.iter().filter(|ask| ask.side == side) {
        if days.last().is_none_or(|(day, _)| *day != ask.day) {
            days.push((ask.day, share::Day { soft: 0, asked: 0 }));
        }
        if let Some((_, tally)) = days.last_mut() {
            tally.asked += 1;
            tally.soft += u32::from(ask.soft);
        }
    }
    days.into_iter().map(|(_, tally)| tally).collect()
}

/// The times of one side.
pub fn times_of(asks: &[Ask], side: Side) -> Vec<TimeToGive> {
    asks.iter()
        .filter(|ask| ask.side == side)
        .map(|ask| ask.time)
        .collect()
}
