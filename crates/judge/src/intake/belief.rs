//! Many draws of what a horse may hold: how sure each level is, and what an ask of it
//! would tell.

use rand::SeedableRng;
use rand_chacha::ChaCha8Rng;

use super::asked::Asked;
use super::chain::Chain;
use super::model::{Model, met};
use crate::evidence::first_answer::{LUCK_BEGUN, LUCK_UNTAUGHT, SLIP};

/// How much is drawn.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Effort {
    /// Chains, each begun anew from the prior.
    pub chains: usize,
    /// Sweeps of each before its draws count.
    pub warm_up: usize,
    /// Sweeps of each whose draws count.
    pub sweeps: usize,
}

impl Effort {
    /// As the product does it.
    pub const USUAL: Effort = Effort {
        chains: 4,
        warm_up: 64,
        sweeps: 192,
    };
    /// Enough to see that an order of asks is kept.
    pub const LITTLE: Effort = Effort {
        chains: 2,
        warm_up: 10,
        sweeps: 32,
    };
}

/// Many draws, level by level: one bit for each draw.
#[derive(Debug, Clone)]
pub struct Belief {
    held: Vec<Vec<u64>>,
    /// Not held although what it needs is.
    open: Vec<Vec<u64>>,
    draws: usize,
}

impl Belief {
    /// Draws from the posterior; the same seed gives the same draws.
    pub fn draw(model: &Model, asked: &Asked, effort: Effort, seed: u64) -> Belief {
        let draws = effort.chains * effort.sweeps;
        let mut belief = Belief {
            held: vec![vec![0; draws.div_ceil(64)]; model.height.len()],
            open: vec![vec![0; draws.div_ceil(64)]; model.height.len()],
            draws,
        };
        let mut draw = 0;
        for number in 0..effort.chains {
            let mut rng =
                ChaCha8Rng::seed_from_u64(seed ^ (number as u64).wrapping_mul(0x9e37_79b9));
            let mut chain = Chain::new(model, &asked.evidence, &mut rng);
            for sweep in 0..effort.warm_up + effort.sweeps {
                chain.sweep(sweep % 2 == 0, &mut rng);
                if sweep >= effort.warm_up {
                    belief.keep(draw, model, &chain.holds);
                    draw += 1;
                }
            }
        }
        belief
    }

    fn keep(&mut self, draw: usize, model: &Model, holds: &[bool]) {
        let (word, bit) = (draw / 64, draw % 64);
        for (index, held) in holds.iter().enumerate() {
            let open = !held && met(&model.needs[index], holds);
            self.held[index][word] |= u64::from(*held) << bit;
            self.open[index][word] |= u64::from(open) << bit;
        }
    }

    /// How likely a level is held.
    pub fn chance(&self, index: usize) -> f64 {
        self.share_of(&self.held[index])
    }

    fn share_of(&self, draws: &[u64]) -> f64 {
        self.share(draws.iter().map(|bits| bits.count_ones()).sum())
    }

    fn share(&self, draws: u32) -> f64 {
        f64::from(draws) / self.draws as f64
    }

    fn both(&self, one: &[u64], other: &[u64]) -> f64 {
        let pairs = one.iter().zip(other);
        self.share(pairs.map(|(a, b)| (a & b).count_ones()).sum())
    }

    /// By how much an ask of a level is expected to lessen the doubt about all levels:
    /// the entropy of each level's chance, in bits, summed.
    pub fn would_tell(&self, index: usize) -> f64 {
        let (held, open) = (&self.held[index], &self.open[index]);
        let soft = soft_chance(self.share_of(held), self.share_of(open), 1.0);
        let mut gain = 0.0;
        for other in 0..self.held.len() {
            let chance = self.chance(other);
            if chance <= 0.0 || chance >= 1.0 {
                continue;
            }
            let of_other = &self.held[other];
            let both = soft_chance(self.both(held, of_other), self.both(open, of_other), chance);
            let if_soft = both / soft;
            let if_not = (chance - both) / (1.0 - soft);
            gain += entropy(chance) - soft * entropy(if_soft) - (1.0 - soft) * entropy(if_not);
        }
        gain
    }

    /// The doubt about all levels, in bits.
    pub fn doubt(&self) -> f64 {
        (0..self.held.len())
            .map(|index| entropy(self.chance(index)))
            .sum()
    }
}

/// The chance of a soft answer together with something of chance `all`, of which so much
/// goes with the level being held and so much with its being open.
fn soft_chance(held: f64, open: f64, all: f64) -> f64 {
    held * (1.0 - SLIP) + open * LUCK_BEGUN + (all - held - open) * LUCK_UNTAUGHT
}

fn entropy(chance: f64) -> f64 {
    let part = |p: f64| if p > 0.0 { -p * p.log2() } else { 0.0 };
    part(chance) + part(1.0 - chance)
}
