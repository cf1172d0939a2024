//! One horse out of those that the posterior holds possible, drawn to see how it
//! might go on.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, StandardNormal};

use super::algebra::{logistic, root};
use super::readiness::{COLD, FUTURE_FADE, Filter, Readiness, SPELL, WARM, slot};
use crate::Side;

/// One horse out of those the posterior holds possible, as it goes on learning.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PossibleHorse {
    logits: [f64; 2],
    speed: f64,
    fade: f64,
    day_sd: f64,
    spell_variance: f64,
    drift_variance: f64,
    spell: f64,
    day_effect: f64,
}

impl Readiness {
    /// Draws a horse from the posterior.
    pub fn draw(&self, rng: &mut ChaCha8Rng) -> PossibleHorse {
        let best = self
            .filters
            .iter()
            .map(|filter| filter.log_evidence)
            .fold(f64::MIN, f64::max);
        let weights = self
            .filters
            .map(|filter| (filter.log_evidence - best).exp());
        let mut left = rng.random_range(0.0..weights.iter().sum());
        let chosen = weights
            .iter()
            .position(|weight| {
                left -= weight;
                left < 0.0
            })
            .unwrap_or(0);
        self.filters[chosen].draw(rng)
    }
}

impl Filter {
    fn draw(&self, rng: &mut ChaCha8Rng) -> PossibleHorse {
        let lower = root(&self.covariance);
        let normal: [f64; 4] = std::array::from_fn(|_| StandardNormal.sample(rng));
        let at = |row: usize| {
            self.mean[row]
                + (0..=row)
                    .map(|column| lower[row][column] * normal[column])
                    .sum::<f64>()
        };
        PossibleHorse {
            logits: [at(0), at(1)],
            speed: at(2),
            fade: rng.random_range(FUTURE_FADE.0..FUTURE_FADE.1),
            day_sd: self.day_variance.sqrt(),
            spell_variance: self.spell_variance,
            drift_variance: self.drift_variance,
            spell: if self.spell_variance > 0.0 {
                at(3)
            } else {
                0.0
            },
            day_effect: 0.0,
        }
    }
}

impl PossibleHorse {
    /// Goes on to the next day asked, so many days later.
    pub fn ride(&mut self, gap_days: f64, rng: &mut ChaCha8Rng) {
        let mut noise = |variance: f64| variance.sqrt() * rng.sample::<f64, _>(StandardNormal);
        for logit in &mut self.logits {
            *logit += self.speed + noise(self.drift_variance);
        }
        self.speed *= self.fade;
        if self.spell_variance > 0.0 {
            let left = SPELL.powf(gap_days);
            self.spell = left * self.spell + noise((1.0 - left * left) * self.spell_variance);
        }
        self.day_effect = self.spell + noise(self.day_sd * self.day_sd);
    }

    /// The chance that the next ask on `side` is soft.
    pub fn chance(&self, side: Side, first: bool) -> f64 {
        let offset = if first { COLD } else { WARM };
        logistic(self.logits[slot(side)] + self.day_effect + offset).clamp(0.0, 1.0)
    }
}
