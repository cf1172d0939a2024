//! A mare's season: the days seen, the days to reckon with, and whether she
//! answers otherwise then.
//!
//! # Source
//! A cycle of about 21 days, 5 to 7 of them in season, from spring to autumn:
//! the figures of veterinary handbooks on equine reproduction (from memory).

use std::collections::BTreeMap;
use std::ops::RangeInclusive;

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::day::days_between;
use crate::evidence::share::{PRIOR_ICC, difference_of_days, quantile};
use crate::evidence::{Ask, SoftCount};

/// Days from the beginning of one season to the next.
pub const CYCLE_DAYS: i64 = 21;
/// Days a season lasts, for the days to reckon with.
pub const SEASON_DAYS: i64 = 6;
/// Months in which mares come in season; in the others none is reckoned with.
const MONTHS: RangeInclusive<i8> = 3..=10;
/// Seasons looked ahead.
const AHEAD: i64 = 2;

/// Days to reckon with.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SeasonDays {
    /// First day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub from: Date,
    /// Last day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub to: Date,
}

/// In season against out of season, over all asks of the last year.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SeasonShare {
    /// In season.
    pub in_season: SoftCount,
    /// Out of season.
    pub out_of_season: SoftCount,
    /// Soft share in season less out of season.
    pub difference: f64,
    /// Lower bound of the difference, 95 %.
    pub low: f64,
    /// Upper bound of the difference, 95 %.
    pub high: f64,
}

/// The seasons to reckon with after `on`, counted on from the last that was
/// seen. `days` were marked in season, in any order; `cycle_days` is the mare's own cycle.
pub fn expected(days: &[Date], cycle_days: i64, on: Date) -> Vec<SeasonDays> {
    begins(days, cycle_days, on)
        .map(|from| SeasonDays {
            from,
            to: from.saturating_add((SEASON_DAYS - 1).days()),
        })
        .filter(|season| season.to >= on)
        .collect()
}

/// The first day of the next season on or after `on`, by the days seen and the mare's own
/// cycle.
pub fn next(days: &[Date], cycle_days: i64, on: Date) -> Option<Date> {
    begins(days, cycle_days, on).find(|from| *from >= on)
}

/// The day a mare was seen in season last, and the first day of the next season after it, on
/// or after `on`. One that was not noted comes again all the same.
pub fn due(days: &[Date], cycle_days: i64, on: Date) -> Option<(Date, Date)> {
    let last = days.iter().copied().filter(|day| *day <= on).max()?;
    let after = on.max(last.saturating_add(1.day()));
    Some((last, next(days, cycle_days, after)?))
}

/// First days of the season that `on` lies in or after, and of the next ones.
fn begins(days: &[Date], cycle_days: i64, on: Date) -> impl Iterator<Item = Date> {
    let cycle_days = cycle_days.max(1);
    let began = last_began(days, on);
    let gone = began.map_or(0, |began| days_between(began, on).max(0) / cycle_days);
    (gone..=gone + AHEAD)
        .filter_map(move |cycles| Some(began?.saturating_add((cycles * cycle_days).days())))
        .filter(|from| MONTHS.contains(&from.month()))
}

/// The first day of the last run of marked days.
fn last_began(days: &[Date], on: Date) -> Option<Date> {
    let mut sorted: Vec<Date> = days.iter().copied().filter(|day| *day <= on).collect();
    sorted.sort_unstable();
    let mut began = *sorted.last()?;
    for day in sorted.into_iter().rev() {
        if days_between(day, began) > SEASON_DAYS {
            break;
        }
        began = day;
    }
    Some(began)
}

/// The same over asks, `is_in_season` or not.
pub fn of_asks<'a>(
    asks: impl IntoIterator<Item = &'a Ask>,
    is_in_season: impl Fn(&Ask) -> bool,
) -> Option<SeasonShare> {
    let mut days: [BTreeMap<Date, SoftCount>; 2] = Default::default();
    for ask in asks {
        let of = &mut days[usize::from(is_in_season(ask))];
        of.entry(ask.day).or_default().count(ask.soft);
    }
    let [outside, inside] = days.map(|days| days.into_values().collect::<Vec<_>>());
    compare(&inside, &outside)
}

/// Compares the shares, day by day: asks of one day are alike, so days are what is counted.
/// None until both were asked.
pub fn compare(in_season: &[SoftCount], out_of_season: &[SoftCount]) -> Option<SeasonShare> {
    let z = quantile(0.95, true);
    let found = difference_of_days(in_season, out_of_season, PRIOR_ICC, z)?;
    Some(SeasonShare {
        in_season: SoftCount::sum(in_season),
        out_of_season: SoftCount::sum(out_of_season),
        difference: found.difference,
        low: found.low,
        high: found.high,
    })
}
