//! One draw after another of what a horse may hold: a Markov chain over sets of levels
//! closed under their needs.
//!
//! # Method
//! A sweep is: each level by Gibbs sampling, given how far the horse has come and what
//! else it holds; the distances by Metropolis steps given the levels; then distances and
//! levels moved together, each level seen as a uniform number that falls below its
//! chance or not (non-centred). The last moves freely while little was asked, the others
//! once much was (interweaving: Yu and Meng 2011, from memory).

use rand::RngExt;
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, StandardNormal};

use super::asked::Evidence;
use super::model::{Model, STORY_SD, TRACK_SD, logistic, met};

/// A horse as it may be.
#[derive(Debug, Clone)]
pub struct Chain<'a> {
    model: &'a Model,
    evidence: &'a [Evidence],
    /// Which levels it holds.
    pub holds: Vec<bool>,
    come: f64,
    apart: Vec<f64>,
    below: Vec<f64>,
    /// The levels of each track.
    levels_of: Vec<Vec<usize>>,
}

impl<'a> Chain<'a> {
    /// A first draw, from the prior alone.
    pub fn new(model: &'a Model, evidence: &'a [Evidence], rng: &mut ChaCha8Rng) -> Chain<'a> {
        let come = model.come + STORY_SD * normal(rng);
        let apart = model
            .apart
            .iter()
            .map(|mean| mean + TRACK_SD * normal(rng))
            .collect();
        let mut chain = Chain {
            model,
            evidence,
            holds: vec![false; model.height.len()],
            come,
            apart,
            below: vec![0.0; model.height.len()],
            levels_of: levels_of(model),
        };
        for below in &mut chain.below {
            *below = rng.random();
        }
        chain.holds = chain.held_at(chain.come, &chain.apart);
        chain
    }

    /// One sweep.
    pub fn sweep(&mut self, upwards: bool, rng: &mut ChaCha8Rng) {
        let levels = self.holds.len();
        for at in 0..levels {
            self.redraw(if upwards { at } else { levels - 1 - at }, rng);
        }
        self.move_centred(rng);
        self.draw_numbers(rng);
        self.move_together(rng);
    }

    fn log_odds(&self, index: usize, come: f64, apart: &[f64]) -> f64 {
        self.model
            .log_odds(index, come + apart[self.model.track[index]])
    }

    fn redraw(&mut self, index: usize, rng: &mut ChaCha8Rng) {
        if !met(&self.model.needs[index], &self.holds) {
            return;
        }
        self.holds[index] = false;
        let evidence = self.evidence[index];
        let mut log_odds =
            self.log_odds(index, self.come, &self.apart) + evidence.held - evidence.open;
        for above in &self.model.opens[index] {
            if met(&self.model.needs[*above], &self.holds) {
                continue; // By another way.
            }
            if self.holds[*above] {
                self.holds[index] = true; // Something held stands on it.
                return;
            }
            self.holds[index] = true;
            if met(&self.model.needs[*above], &self.holds) {
                // It would stand open, and is not held.
                let open = self.log_odds(*above, self.come, &self.apart);
                log_odds += self.evidence[*above].open - softplus(open);
            }
            self.holds[index] = false;
        }
        self.holds[index] = rng.random::<f64>() < logistic(log_odds);
    }

    /// How likely the levels of a track are, of those whose needs are held, for a horse
    /// that has come so far on it.
    fn fit(&self, track: usize, met: &[bool], come: f64) -> f64 {
        let levels = self.levels_of[track].iter().filter(|index| met[**index]);
        let of_level = |index: &usize| {
            let log_odds = self.model.log_odds(*index, come);
            -softplus(if self.holds[*index] {
                -log_odds
            } else {
                log_odds
            })
        };
        levels.map(of_level).sum()
    }

    fn move_centred(&mut self, rng: &mut ChaCha8Rng) {
        let met: Vec<bool> = self
            .model
            .needs
            .iter()
            .map(|needs| met(needs, &self.holds))
            .collect();
        let come = self.come + normal(rng);
        let at = |come: f64| -> f64 {
            let tracks = self.apart.iter().enumerate();
            tracks
                .map(|(track, apart)| self.fit(track, &met, come + apart))
                .sum()
        };
        let gain = at(come) - at(self.come) + prior(come, self.model.come, STORY_SD)
            - prior(self.come, self.model.come, STORY_SD);
        if accepts(gain, rng) {
            self.come = come;
        }
        for track in 0..self.apart.len() {
            let was = self.apart[track];
            let apart = was + 1.5 * normal(rng);
            let mean = self.model.apart[track];
            let gain = self.fit(track, &met, self.come + apart)
                - self.fit(track, &met, self.come + was)
                + prior(apart, mean, TRACK_SD)
                - prior(was, mean, TRACK_SD);
            if accepts(gain, rng) {
                self.apart[track] = apart;
            }
        }
    }

    /// A number for each level that agrees with what is held.
    fn draw_numbers(&mut self, rng: &mut ChaCha8Rng) {
        for index in 0..self.holds.len() {
            let number: f64 = rng.random();
            self.below[index] = if met(&self.model.needs[index], &self.holds) {
                let chance = logistic(self.log_odds(index, self.come, &self.apart));
                if self.holds[index] {
                    number * chance
                } else {
                    chance + number * (1.0 - chance)
                }
            } else {
                number
            };
        }
    }

    /// What is held at those distances, by the numbers.
    fn held_at(&self, come: f64, apart: &[f64]) -> Vec<bool> {
        let mut holds = vec![false; self.below.len()];
        for index in 0..holds.len() {
            holds[index] = met(&self.model.needs[index], &holds)
                && self.below[index] < logistic(self.log_odds(index, come, apart));
        }
        holds
    }

    fn move_together(&mut self, rng: &mut ChaCha8Rng) {
        let come = self.come + 1.5 * normal(rng);
        let apart = self.apart.clone();
        self.try_together(come, apart, rng);
        let track = rng.random_range(0..self.apart.len().max(1));
        if track < self.apart.len() {
            let mut apart = self.apart.clone();
            apart[track] += TRACK_SD * normal(rng);
            self.try_together(self.come, apart, rng);
        }
    }

    /// What the answers tell of a set of levels.
    fn told(&self, holds: &[bool]) -> f64 {
        let of_level = |(index, evidence): (usize, &Evidence)| match holds[index] {
            true => evidence.held,
            false if met(&self.model.needs[index], holds) => evidence.open,
            false => 0.0,
        };
        self.evidence.iter().enumerate().map(of_level).sum()
    }

    fn try_together(&mut self, come: f64, apart: Vec<f64>, rng: &mut ChaCha8Rng) {
        let holds = self.held_at(come, &apart);
        let mut gain = self.told(&holds) - self.told(&self.holds)
            + prior(come, self.model.come, STORY_SD)
            - prior(self.come, self.model.come, STORY_SD);
        for (track, mean) in self.model.apart.iter().enumerate() {
            gain +=
                prior(apart[track], *mean, TRACK_SD) - prior(self.apart[track], *mean, TRACK_SD);
        }
        if accepts(gain, rng) {
            (self.holds, self.come, self.apart) = (holds, come, apart);
        }
    }
}

fn levels_of(model: &Model) -> Vec<Vec<usize>> {
    let mut levels_of = vec![Vec::new(); model.apart.len()];
    for (index, track) in model.track.iter().enumerate() {
        levels_of[*track].push(index);
    }
    levels_of
}

/// ln(1 + e^x), without overflow.
fn softplus(x: f64) -> f64 {
    x.max(0.0) + (-x.abs()).exp().ln_1p()
}

fn prior(at: f64, mean: f64, sd: f64) -> f64 {
    -0.5 * ((at - mean) / sd).powi(2)
}

fn accepts(gain: f64, rng: &mut ChaCha8Rng) -> bool {
    gain >= 0.0 || rng.random::<f64>() < gain.exp()
}

fn normal(rng: &mut ChaCha8Rng) -> f64 {
    StandardNormal.sample(rng)
}
