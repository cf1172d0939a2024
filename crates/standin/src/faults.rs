//! What goes wrong with devices, from a seed: lines that never arrive, lines that come through
//! broken, noise, a clock that runs fast.

use std::sync::{Arc, Mutex};

use axum::Router;
use axum::extract::{Query, State};
use axum::http::StatusCode;
use axum::response::{IntoResponse, Response};
use axum::routing::post;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use serde::Deserialize;

/// How much goes wrong.
#[derive(Debug, Clone, Copy, Default, PartialEq, Deserialize)]
pub struct Rates {
    /// The share of lines, or of answers, that never arrive.
    #[serde(default)]
    pub drop_outs: f64,
    /// The share of lines that come through broken.
    #[serde(default)]
    pub broken: f64,
    /// What a measuring device adds by chance, as a multiple of its usual noise.
    #[serde(default)]
    pub noise: f64,
    /// By how much a clock runs fast, such as 0.01.
    #[serde(default)]
    pub drift: f64,
}

/// The faults of all devices.
#[derive(Debug, Clone)]
pub struct Faults(Arc<Mutex<(ChaCha8Rng, Rates)>>);

impl Default for Faults {
    fn default() -> Faults {
        Faults::new(0, Rates::default())
    }
}

impl Faults {
    /// Faults from a seed.
    pub fn new(seed: u64, rates: Rates) -> Faults {
        Faults(Arc::new(Mutex::new((
            ChaCha8Rng::seed_from_u64(seed),
            rates,
        ))))
    }

    fn with<T>(&self, what: impl FnOnce(&mut (ChaCha8Rng, Rates)) -> T) -> T {
        what(&mut self.0.lock().unwrap_or_else(|held| held.into_inner()))
    }

    /// How much goes wrong from now on.
    pub fn set(&self, rates: Rates) {
        self.with(|held| held.1 = rates);
    }

    /// How much goes wrong now.
    pub fn rates(&self) -> Rates {
        self.with(|held| held.1)
    }

    /// Whether something never arrives.
    pub fn drops(&self) -> bool {
        self.with(|(random, rates)| random.random_range(0.0..1.0) < rates.drop_outs)
    }

    /// A line as it comes through; none when it never arrives.
    pub fn pass(&self, line: String) -> Option<String> {
        if self.drops() {
            return None;
        }
        let broken = self.with(|(random, rates)| random.random_range(0.0..1.0) < rates.broken);
        // A letter in the middle of it.
        let at = line.len() / 2;
        Some(match line.get(at..=at) {
            Some(letter) if broken => {
                let other = if letter == "?" { "!" } else { "?" };
                format!("{}{other}{}", &line[..at], &line[at + 1..])
            }
            _ => line,
        })
    }

    /// What a device whose noise is usually so much adds to a reading.
    pub fn noise(&self, usual: f64) -> f64 {
        self.with(|(random, rates)| {
            // The sum of twelve even draws less six is near enough to normal, with deviation 1.
            let drawn: f64 = (0..12).map(|_| random.random_range(0.0..1.0)).sum();
            usual * rates.noise.max(1.0) * (drawn - 6.0)
        })
    }

    /// So much by a clock that runs as it does.
    pub fn drifted(&self, ms: f64) -> f64 {
        ms * (1.0 + self.rates().drift)
    }

    /// `POST /faults?drop_outs=0.02&broken=0.01&noise=2&drift=0.01`: what goes wrong from now on.
    pub fn routes(self) -> Router {
        Router::new().route("/faults", post(set)).with_state(self)
    }
}

async fn set(State(faults): State<Faults>, Query(rates): Query<Rates>) -> Response {
    let shares = [rates.drop_outs, rates.broken];
    if shares.iter().any(|share| !(0.0..=1.0).contains(share))
        || !(0.0..=20.0).contains(&rates.noise)
        || !(-0.1..=0.1).contains(&rates.drift)
    {
        let why = "drop_outs and broken must be 0 to 1, noise 0 to 20, drift -0.1 to 0.1";
        return (StatusCode::UNPROCESSABLE_ENTITY, why).into_response();
    }
    faults.set(rates);
    StatusCode::NO_CONTENT.into_response()
}
