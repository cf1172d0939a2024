//! Weather from a seed. A year, a day and a run of warmer and cooler days are laid over
//! each other; damp goes against warmth. Nothing of it is measured anywhere.

use std::f64::consts::TAU;

use jiff::Timestamp;
use jiff::tz::TimeZone;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use sha2::{Digest, Sha256};

/// The climate of a place.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Climate {
    seed: [u8; 32],
    mean_f: f64,
    damp_pct: f64,
    /// Added to every temperature: a heat wave to try things with.
    warmer_f: f64,
}

/// The weather of an hour.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Hour {
    /// When it begins.
    pub at: Timestamp,
    /// Temperature, in degrees Fahrenheit.
    pub temperature_f: f64,
    /// Relative humidity, in percent.
    pub humidity_pct: f64,
}

const YEAR_F: f64 = 24.0;
const DAY_F: f64 = 13.0;
/// Hours that noon comes after that of UTC: somewhere in the western states.
const WEST_HOURS: f64 = 7.0;

impl Climate {
    /// The climate of a place that is called `place`.
    pub fn of(seed: u64, place: &str, warmer_f: f64) -> Climate {
        let mut hash = Sha256::new();
        hash.update(seed.to_be_bytes());
        hash.update(place.as_bytes());
        let seed: [u8; 32] = hash.finalize().into();
        let mut random = ChaCha8Rng::from_seed(seed);
        Climate {
            seed,
            mean_f: random.random_range(50.0..66.0),
            damp_pct: random.random_range(35.0..60.0),
            warmer_f,
        }
    }

    /// The weather of the hour that begins at `at`.
    pub fn hour(&self, at: Timestamp) -> Hour {
        let utc = at.to_zoned(TimeZone::UTC);
        let day_of_year = f64::from(utc.day_of_year());
        let hour = f64::from(utc.hour()) - WEST_HOURS;
        // Warmest about July 20 and about three in the afternoon.
        let year = (TAU * (day_of_year - 201.0) / 365.25).cos();
        let day = (TAU * (hour - 15.0) / 24.0).cos();
        let days = at.as_second().div_euclid(86_400);
        let into = at.as_second().rem_euclid(86_400) as f64 / 86_400.0;
        // From one day's spell into the next without a jump.
        let spell = self.spell(days) * (1.0 - into) + self.spell(days + 1) * into;
        let temperature_f = self.mean_f + YEAR_F * year + DAY_F * day + spell + self.warmer_f;
        let humidity = self.damp_pct - 18.0 * day - 0.6 * spell;
        Hour {
            at,
            temperature_f: (temperature_f.clamp(-40.0, 130.0) * 10.0).round() / 10.0,
            humidity_pct: humidity.clamp(5.0, 99.0).round(),
        }
    }

    /// How much warmer a day is than its season.
    fn spell(&self, day: i64) -> f64 {
        let mut random = ChaCha8Rng::from_seed(self.seed);
        random.set_stream(day.unsigned_abs());
        (0..4).map(|_| random.random_range(-4.0..4.0)).sum::<f64>()
    }
}
