//! What the reps of a level show.
//!
//! - [`share`]: soft share with its bounds, days as clusters
//! - [`readiness`]: how soft the horse is now, from its whole history
//! - [`learning`]: whether it is learning at all
//! - [`give_time`]: time to give, unanswered asks as censored
//! - [`first_ask`]: the first ask of a day and side
//! - [`evenness`]: left against right
//! - [`trend`]: improving, level, slipping
//! - [`slip`]: the alarm against the settled level

pub mod evenness;
pub mod first_ask;
pub mod give_time;
pub mod learning;
pub mod readiness;
pub mod share;
pub mod slip;
pub mod trend;

use jiff::Timestamp;
use jiff::civil::Date;
use uuid::Uuid;

use crate::Side;
use crate::ladder::{FaultSet, Ladder, LadderLevel};
use crate::rep::Rep;
use give_time::TimeToGive;

/// A rep as the judge sees it: softness decided, faults found.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Ask {
    /// The rep.
    pub rep_id: Uuid,
    /// Its ride.
    pub ride_id: Uuid,
    /// The barn's calendar day.
    pub day: Date,
    /// When the ask began.
    pub asked_at: Timestamp,
    /// The side asked.
    pub side: Side,
    /// Whether the answer was soft.
    pub soft: bool,
    /// What it adds to a count; 1 where nothing is counted.
    pub count: u32,
    /// Time to give, or time waited, where it was timed.
    pub time: Option<TimeToGive>,
    /// Faults seen or told of by the measure.
    pub faults: FaultSet,
}

impl Ask {
    /// A rep of `level` as the judge sees it.
    pub fn of(rep: &Rep, level: &LadderLevel, ladder: &Ladder) -> Ask {
        Ask {
            rep_id: rep.rep_id,
            ride_id: rep.ride_id,
            day: rep.day,
            asked_at: rep.asked_at,
            side: rep.side,
            soft: rep.measure.is_soft(&level.gate.soft, level.gait),
            count: rep.measure.count(),
            time: rep.measure.time(),
            faults: ladder.faults_of(rep, &level.gate.soft),
        }
    }
}

/// The asks of one level, oldest first. The order in which reps arrived does
/// not matter: they are sorted by day, time of asking and id.
pub fn asks_in_order<'a>(
    reps: impl IntoIterator<Item = &'a Rep>,
    level: &LadderLevel,
    ladder: &Ladder,
) -> Vec<Ask> {
    let mut asks: Vec<Ask> = reps
        .into_iter()
        .map(|rep| Ask::of(rep, level, ladder))
        .collect();
    sort(&mut asks);
    asks
}

/// Puts asks into the order of asking.
pub fn sort(asks: &mut [Ask]) {
    asks.sort_unstable_by_key(|ask| (ask.day, ask.asked_at, ask.rep_id));
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
        .filter_map(|ask| ask.time)
        .collect()
}
