//! The days of a week as the planner sees them: how hot, how quiet, from when on.

use cavesson_core::heat::HeatHour;
use cavesson_core::week::plan::{QuietHours, WeekDay};
use cavesson_store::BarnTransaction;
use jiff::civil::Date;

use super::what_if::WhatIf;
use crate::day::weather;
use crate::http::problem::Answer;
use crate::http::signed_in::Signed;

/// Before and after these it is quiet in a barn. Product default.
const QUIET: (u16, u16) = (9 * 60, 16 * 60);

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
        let mut heat = weather::of_day(barn, signed, *date).await?;
        if let Some(from_min) = what_if.too_hot_from_min.filter(|_| days.is_empty()) {
            heat = with_too_hot(heat, from_min);
        }
        let not_before_min = if *date == today {
            signed.minutes_of(today, signed.now().timestamp())
        } else {
            0
        };
        days.push(WeekDay {
            date: *date,
            heat,
            quiet: quiet_hours(),
            not_before_min,
        });
    }
    Ok(days)
}

fn quiet_hours() -> Vec<QuietHours> {
    [(0, QUIET.0), (QUIET.1, 24 * 60)]
        .map(|(from_min, to_min)| QuietHours { from_min, to_min })
        .to_vec()
}

/// The heat of a day on which it is too hot to ride from a minute on.
fn with_too_hot(heat: Vec<HeatHour>, from_min: u16) -> Vec<HeatHour> {
    let cooler = heat.into_iter().filter(|hour| hour.from_min < from_min);
    let mut heat: Vec<HeatHour> = cooler.collect();
    heat.extend((from_min..24 * 60).step_by(60).map(HeatHour::too_hot));
    heat
}
