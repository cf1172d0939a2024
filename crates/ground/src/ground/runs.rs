//! Runs of the pattern side by side: over courses of different sizes, splits, spread, trend, and
//! how many a week are enough.
//!
//! # Formula
//! Courses of different sizes are compared by feet a second along the path. The official time
//! adds 5 s for every barrel that was knocked over; a broken pattern has no time. The best
//! splits together are what the horse has shown it can do. Spread is half the distance between
//! the quartiles; trend is Theil-Sen with Mann-Kendall, as for everything else.
//!
//! # Source
//! 5 s a barrel, no time for a broken pattern: rule books of the WPRA and the AQHA, from memory.
//! One or two pattern runs a week for a finished horse: common practice, no source.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, PATH_FT, RUN_S, RUNS};
use crate::evidence::trend::{Trend, trend};
use crate::rep::run::check_splits;

/// Seconds for a barrel that was knocked over.
pub const KNOCKED_S: f64 = 5.0;

/// One run.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RunToCompare))]
#[serde(deny_unknown_fields)]
pub struct Run {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// The clock's time, in seconds; null when it was not timed.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 5, maximum = 1800))]
    pub time_s: Option<f64>,
    /// The length of the way, in feet; null when the course is not known.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 100, maximum = 3000))]
    pub path_ft: Option<f64>,
    /// Seconds to barrel 1, from there to 2, to 3, and home; empty when they are not known.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 4))]
    pub splits_s: Vec<f64>,
    /// Barrels knocked over.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 3))]
    pub knocked: u8,
    /// The pattern was broken.
    #[serde(default)]
    pub broken: bool,
}

/// What a run comes to.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RunSaid {
    /// With what knocked barrels cost; null for a broken pattern or without a clock.
    pub official_s: Option<f64>,
    /// Along the path by the clock, in feet a second.
    pub speed_ft_s: Option<f64>,
}

/// All of them together.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RunsOutput))]
pub struct Said {
    /// Each, in the order they were given.
    pub runs: Vec<RunSaid>,
    /// The best by official time, from 0.
    pub best: Option<usize>,
    /// The fastest along its path, from 0; over courses of all sizes.
    pub fastest: Option<usize>,
    /// The best of each split, in seconds; empty when no run has splits.
    pub best_splits_s: Vec<f64>,
    /// The best splits one after the other.
    pub best_splits_sum_s: Option<f64>,
    /// Half the distance between the quartiles of the speed, in feet a second.
    pub spread_ft_s: Option<f64>,
    /// The speed by the day.
    pub trend: Trend,
}

impl Run {
    /// Checks every number.
    ///
    /// # Errors
    /// At the one that does not fit.
    pub fn check(&self, field: &str) -> Result<(), FieldError> {
        if let Some(time_s) = self.time_s {
            RUN_S.check(&format!("{field}/time_s"), time_s)?;
        }
        if let Some(path_ft) = self.path_ft {
            PATH_FT.check(&format!("{field}/path_ft"), path_ft)?;
        }
        check_splits(&format!("{field}/splits_s"), &self.splits_s)?;
        if self.knocked > 3 {
            let why = "must be 0 to 3 barrels";
            return Err(FieldError::new(format!("{field}/knocked"), why));
        }
        Ok(())
    }

    /// What it comes to.
    pub fn said(&self) -> RunSaid {
        let official = self.time_s.filter(|_| !self.broken);
        RunSaid {
            official_s: official.map(|time| time + KNOCKED_S * f64::from(self.knocked)),
            speed_ft_s: match (official, self.path_ft) {
                (Some(time), Some(path)) => Some(path / time),
                _ => None,
            },
        }
    }
}

/// Compares them.
///
/// # Errors
/// A number that does not fit.
pub fn compare(runs: &[Run]) -> Result<Said, FieldError> {
    RUNS.check_count("/runs", runs.len())?;
    for (index, run) in runs.iter().enumerate() {
        run.check(&format!("/runs/{index}"))?;
    }
    let said: Vec<RunSaid> = runs.iter().map(Run::said).collect();
    let of = |value: fn(&RunSaid) -> Option<f64>| {
        let said = said.iter().enumerate();
        said.filter_map(move |(index, run)| Some((index, value(run)?)))
    };
    let best = of(|run| run.official_s).min_by(|a, b| a.1.total_cmp(&b.1));
    let speeds: Vec<(usize, f64)> = of(|run| run.speed_ft_s).collect();
    let fastest = speeds.iter().max_by(|a, b| a.1.total_cmp(&b.1));
    let with_splits = || {
        runs.iter()
            .filter(|run| run.splits_s.len() == 4 && !run.broken)
    };
    let best_splits_s: Vec<f64> = if with_splits().next().is_some() {
        (0..4)
            .map(|split| {
                let all = with_splits().map(|run| run.splits_s[split]);
                all.fold(f64::INFINITY, f64::min)
            })
            .collect()
    } else {
        Vec::new()
    };
    let first_day = runs.iter().map(|run| run.day).min();
    let days: Vec<f64> = speeds
        .iter()
        .filter_map(
            |(index, _)| Some(crate::day::days_between(first_day?, runs[*index].day) as f64),
        )
        .collect();
    let values: Vec<f64> = speeds.iter().map(|(_, speed)| *speed).collect();
    Ok(Said {
        best: best.map(|(index, _)| index),
        fastest: fastest.map(|(index, _)| *index),
        best_splits_sum_s: (!best_splits_s.is_empty()).then(|| best_splits_s.iter().sum()),
        best_splits_s,
        spread_ft_s: spread(&values),
        trend: trend(&days, &values),
        runs: said,
    })
}

/// Half the distance between the quartiles, by straight lines between the values in order
/// (Hyndman and Fan, type 7).
fn spread(values: &[f64]) -> Option<f64> {
    if values.len() < 3 {
        return None;
    }
    let mut sorted = values.to_vec();
    sorted.sort_by(f64::total_cmp);
    let quantile = |part: f64| {
        let place = part * (sorted.len() - 1) as f64;
        let (low, over) = (place.floor() as usize, place.fract());
        let high = (low + 1).min(sorted.len() - 1);
        sorted[low] + over * (sorted[high] - sorted[low])
    };
    Some((quantile(0.75) - quantile(0.25)) / 2.0)
}

/// How many runs at speed are enough.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Quota {
    /// Runs at three-quarter speed or faster in the seven days up to now.
    pub ridden: u32,
    /// How many are enough.
    pub enough: u32,
    /// Whether the pattern is held at a run.
    pub finished: bool,
}

/// Two a week for a finished horse, one for one that is still learning: product defaults.
pub fn quota(ridden: u32, finished: bool) -> Quota {
    Quota {
        ridden,
        enough: if finished { 2 } else { 1 },
        finished,
    }
}
