//! One answer of any measure, drawn from the chance that it is soft.

use rand::RngExt;
use rand_chacha::ChaCha8Rng;

use crate::ladder::LadderLevel;
use crate::rep::{Asked, Measure};

/// Draws an answer at `level`.
pub fn draw(level: &LadderLevel, chance: f64, rng: &mut ChaCha8Rng) -> Measure {
    let soft = rng.random_bool(chance.clamp(0.0, 1.0));
    let asked = Asked {
        rule: &level.gate.soft,
        gait: level.gait,
        chance,
        soft,
    };
    level.measure.draw(&asked, rng)
}
