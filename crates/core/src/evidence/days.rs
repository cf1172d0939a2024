//! The asks of one side, day by day.

use jiff::civil::Date;

use super::ask::Ask;
use super::share;
use crate::Side;
use crate::rep::TimeToGive;

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
