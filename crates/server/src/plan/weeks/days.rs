//! The days of a week as the planner sees them: how hot, how quiet, from when on.

use cavesson_core::week::plan::WeekDay;
use cavesson_store::BarnTransaction;
use jiff::civil::Date;

use super::what_if::WhatIf;
use crate::day::weather;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;

/// The days that are planned, in their order.
pub(super) async fn of_week(
    barn: &mut BarnTransaction,
    signed: &Signed,
    dates: &[Date],
    what_if: &WhatIf,
) -> Answer<Vec<WeekDay>> {
    let today = signed.today();
    let mut days: Vec<WeekDay> = Vec::with_capacity(dates.len());
    for date in dates {
        let heat = weather::of_day(barn, signed, *date).await?;
        let not_before_min = if *date == today {
            signed.minutes_of(today, signed.now().timestamp())
        } else {
            0
        };
        let day = WeekDay::of(*date, heat, not_before_min);
        days.push(match what_if.too_hot_from_min.filter(|_| days.is_empty()) {
            Some(from_min) => day.too_hot_from(from_min),
            None => day,
        });
    }
    Ok(days)
}
