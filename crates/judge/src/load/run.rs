//! What the loads of days add up to.
//!
//! # Source
//! Acute and chronic load by exponentially weighted averages: Williams et al. 2017
//! (`today = load * lambda + (1 - lambda) * yesterday`, `lambda = 2 / (N + 1)`, N = 7 and
//! 28 days); the average begins at the first day's load, as the paper leaves it open.
//! Monotony is a week's mean daily load over its standard deviation, strain is the week's
//! load times its monotony: Foster 1998. The deviation is the one of a sample (n - 1).

use serde::Serialize;

/// Days of the acute average.
pub const ACUTE_DAYS: f64 = 7.0;
/// Days of the chronic average, and days that have to be known before the ratio tells.
pub const CHRONIC_DAYS: f64 = 28.0;
/// Days of a week.
const WEEK_DAYS: usize = 7;

/// Where the load stands after a day.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DayLoad {
    /// The load of the day.
    pub load: f64,
    /// The average of about a week.
    pub acute: f64,
    /// The average of about four weeks.
    pub chronic: f64,
    /// Acute over chronic; null while the chronic load is 0.
    pub ratio: Option<f64>,
}

/// A week of load.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WeekLoad {
    /// Sum of its days.
    pub load: f64,
    /// Mean daily load over its standard deviation; null where every day is alike.
    pub monotony: Option<f64>,
    /// Load times monotony; null with it.
    pub strain: Option<f64>,
}

/// Weight of the newest day in an average of so many days.
pub fn lambda(days: f64) -> f64 {
    2.0 / (days + 1.0)
}

/// Acute and chronic load after each day, oldest first.
pub fn of_days(loads: &[f64]) -> Vec<DayLoad> {
    let mut averages: Option<(f64, f64)> = None;
    loads
        .iter()
        .map(|load| {
            let next = |before: f64, days| load * lambda(days) + (1.0 - lambda(days)) * before;
            let (acute, chronic) = match averages {
                None => (*load, *load),
                Some((acute, chronic)) => (next(acute, ACUTE_DAYS), next(chronic, CHRONIC_DAYS)),
            };
            averages = Some((acute, chronic));
            DayLoad {
                load: *load,
                acute,
                chronic,
                ratio: (chronic > 0.0).then(|| acute / chronic),
            }
        })
        .collect()
}

/// The last week of the days; none while fewer than seven are known.
pub fn of_week(loads: &[f64]) -> Option<WeekLoad> {
    let week = loads.last_chunk::<WEEK_DAYS>()?;
    let load: f64 = week.iter().sum();
    let mean = load / WEEK_DAYS as f64;
    let squares: f64 = week.iter().map(|one| (one - mean).powi(2)).sum();
    let deviation = (squares / (WEEK_DAYS - 1) as f64).sqrt();
    let monotony = (deviation > mean * 1e-9 && deviation > 0.0).then(|| mean / deviation);
    Some(WeekLoad {
        load,
        monotony,
        strain: monotony.map(|monotony| monotony * load),
    })
}
