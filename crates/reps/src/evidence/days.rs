//! The asks of one side, day by day.

use jiff::civil::Date;

use super::ask::Ask;
use super::soft_count::SoftCount;
use crate::Side;
use crate::rep::TimeToGive;

/// Soft and asked, day by day, for one side.
pub fn days_of(asks: &[Ask], side: Side) -> Vec<SoftCount> {
    let mut days: Vec<(Date, SoftCount)> = Vec::new();
    for ask in asks.iter().filter(|ask| ask.side == side) {
        if days.last().is_none_or(|(day, _)| *day != ask.day) {
            days.push((ask.day, SoftCount::default()));
        }
        if let Some((_, of_day)) = days.last_mut() {
            of_day.count(ask.soft);
        }
    }
    days.into_iter().map(|(_, of_day)| of_day).collect()
}

/// The times of one side.
pub fn times_of(asks: &[Ask], side: Side) -> Vec<TimeToGive> {
    let mut times = Vec::with_capacity(asks.len());
    let of_side = asks.iter().filter(|ask| ask.side == side);
    times.extend(of_side.filter_map(|ask| ask.time));
    times
}
