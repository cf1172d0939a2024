//! How often the forecast's range held what happened.

use serde::Serialize;

use super::family::Family;
use super::population::{BenchHorse, Population};
use crate::judge::forecast::{Forecast, MOST_RIDES, forecast};
use crate::judge::horse::gate_input;

/// Rides after which a forecast is asked for.
const ASKED_AFTER: [usize; 5] = [8, 14, 22, 32, 44];

/// Forecasts against what happened.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
pub struct ForecastCoverage {
    /// Forecasts that gave a range.
    pub ranges: usize,
    /// Share of them that held what happened.
    pub coverage: f64,
    /// Share of what happened that came sooner than the range.
    pub sooner: f64,
    /// Share of what happened that came later than the range.
    pub later: f64,
    /// Share of the questions that were answered with "cannot say yet".
    pub cannot_say: f64,
}

/// Asks for forecasts on `count` horses of a population.
pub fn coverage(population: Population, count: u64, first_seed: u64) -> ForecastCoverage {
    let gate = &Family::Give.level().gate;
    let (mut ranges, mut held, mut sooner, mut later, mut cannot) =
        (0usize, 0usize, 0usize, 0usize, 0usize);
    for seed in first_seed..first_seed + count {
        let horse = BenchHorse::ride(population, seed, ASKED_AFTER[4] + MOST_RIDES as usize + 1);
        let whole = horse.judged_to_the_end().history;
        for after in ASKED_AFTER {
            let on = horse.days[after];
            let history = horse.judged(on).history;
            let asks = &horse.asks[..horse.asks.partition_point(|ask| ask.day <= on)];
            let shown = gate_input(Family::Give.alone(), asks, &history, None, 0, on);
            let ahead = &whole.days[after + 1..after + 1 + MOST_RIDES as usize];
            let happened = ahead
                .iter()
                .position(|day| day.passes)
                .map(|ride| ride as u32 + 1);
            match forecast(&shown, gate, seed) {
                Forecast::Now => {}
                Forecast::CannotSayYet => cannot += 1,
                Forecast::Rides { from, to, .. } => {
                    ranges += 1;
                    let beyond = u32::MAX;
                    let happened = happened.unwrap_or(beyond);
                    if happened < from.unwrap_or(beyond) {
                        sooner += 1;
                    } else if happened > to.unwrap_or(beyond) {
                        later += 1;
                    } else {
                        held += 1;
                    }
                }
            }
        }
    }
    let share = |part: usize, of: usize| part as f64 / of.max(1) as f64;
    ForecastCoverage {
        ranges,
        coverage: share(held, ranges),
        sooner: share(sooner, ranges),
        later: share(later, ranges),
        cannot_say: share(cannot, cannot + ranges),
    }
}
