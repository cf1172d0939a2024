//! A mare's season: the days seen, the days to reckon with, and whether she
//! answers otherwise then.
//!
//! # Source
//! A cycle of about 21 days, 5 to 7 of them in season, from spring to autumn:
//! the figures of veterinary handbooks on equine reproduction (from memory).

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::day::days_between;
use crate::evidence::SoftCount;
use crate::evidence::share::{difference, quantile};

/// Days from the beginning of one season to the next.
pub const CYCLE_DAYS: i64 = 21;
/// Days a season lasts, for the days to reckon with.
pub const SEASON_DAYS: i64 = 6;
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
/// seen. `days` were marked in season, in any order.
pub fn expected(days: &[Date], on: Date) -> Vec<SeasonDays> {
    let Some(began) = last_began(days, on) else {
        return Vec::new();
    };
    let since = days_between(began, on).max(0);
    let cycle = since / CYCLE_DAYS;
    (cycle..=cycle + AHEAD)
        .map(|cycles| began.saturating_add((cycles * CYCLE_DAYS).days()))
        .map(|from| SeasonDays {
            from,
            to: from.saturating_add((SEASON_DAYS - 1).days()),
        })
        .filter(|season| season.to >= on && (3..=10).contains(&season.from.month()))
        .collect()
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

/// Compares the shares; none until both were asked.
pub fn compare(in_season: SoftCount, out_of_season: SoftCount) -> Option<SeasonShare> {
    let found = difference(in_season, out_of_season, quantile(0.95, true))?;
    Some(SeasonShare {
        in_season,
        out_of_season,
        difference: found.difference,
        low: found.low,
        high: found.high,
    })
}
