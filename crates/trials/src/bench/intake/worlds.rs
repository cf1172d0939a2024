//! The horses of the trials: what each holds, what its owner says, how it answers.

use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::{Distribution, StandardNormal};

use crate::Side;
use crate::evidence::first_answer::{LUCK_BEGUN, LUCK_UNTAUGHT, SLIP};
use crate::intake::asked::Evidence;
use crate::intake::chain::Chain;
use crate::intake::model::{logistic, met, needs_of};
use crate::intake::{Model, Story};
use crate::ladder::{AtHand, Ladder};

/// How the horses of a trial come about.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum World {
    /// Drawn from the model's own prior; answers with its slips.
    Own,
    /// Trained level by level by somebody with a favourite track; the story is off by a
    /// factor of up to three.
    Trained,
    /// As trained, with a level missing that everything above it was built without.
    WithAHole,
    /// As trained, each horse with slips and lucky answers of its own.
    OtherSlips,
    /// As trained; the whole day is a good or a bad one.
    OneDay,
    /// As trained; a level that is not held is easy on one side.
    OneGoodSide,
}

impl World {
    /// All of them.
    pub const ALL: [World; 6] = [
        World::Own,
        World::Trained,
        World::WithAHole,
        World::OtherSlips,
        World::OneDay,
        World::OneGoodSide,
    ];

    /// What it is, for the table.
    pub fn name(self) -> &'static str {
        match self {
            World::Own => "drawn from the model's own prior",
            World::Trained => "trained level by level, story off by up to three times",
            World::WithAHole => "the same with a hole under the rest",
            World::OtherSlips => "the same, each horse with slips and luck of its own",
            World::OneDay => "the same, the whole day good or bad (0.5 on the logit scale)",
            World::OneGoodSide => "the same, levels not held are easy on one side",
        }
    }
}

/// A horse with a known truth.
#[derive(Debug, Clone)]
pub struct IntakeHorse {
    /// What the owner says.
    pub story: Story,
    /// What it holds.
    pub holds: Vec<bool>,
    /// By how much answers are softer, on the logit scale: when held, when not held on
    /// the left, on the right.
    softer: [f64; 3],
    rng: ChaCha8Rng,
}

impl IntakeHorse {
    /// The horse of that seed.
    pub fn new(world: World, ladder: &Ladder, seed: u64) -> IntakeHorse {
        let mut rng = ChaCha8Rng::seed_from_u64(seed.wrapping_mul(0x9e37_79b9_7f4a_7c15));
        let days = f64::exp(rng.random_range(2.0..6.6));
        let mut story = Story {
            days_ridden: Some(days as u32),
            age_years: Some(3 + (days / 150.0) as u32),
            at_hand: AtHand::ALL.to_vec(),
            helper: true,
            minutes: 180,
            ..Story::default()
        };
        let jobs = ["cow", "barrel", "trail"];
        let job = jobs[rng.random_range(0..jobs.len())];
        if days > 120.0 {
            story.worked_on = vec![job.to_owned()];
        }
        let holds = match world {
            World::Own => {
                let model = Model::new(ladder, &story, &[]);
                let none = vec![Evidence::default(); ladder.levels.len()];
                Chain::new(&model, &none, &mut rng).holds
            }
            _ => {
                let off = f64::exp(rng.random_range(-1.1..1.1));
                trained(ladder, days * off, job, world == World::WithAHole, &mut rng)
            }
        };
        let softer = match world {
            World::OtherSlips => {
                let luckier = rng.random_range(-0.8..0.8);
                [rng.random_range(-0.8..0.8), luckier, luckier]
            }
            World::OneDay => {
                let day: f64 = StandardNormal.sample(&mut rng);
                [0.5 * day; 3]
            }
            World::OneGoodSide => [0.0, 1.0, -0.5],
            _ => [0.0; 3],
        };
        IntakeHorse {
            story,
            holds,
            softer,
            rng,
        }
    }

    /// Its answer to an ask.
    pub fn answer(&mut self, ladder: &Ladder, index: usize, side: Side) -> bool {
        let not_held = 1 + usize::from(side == Side::Right);
        let (chance, softer) = if self.holds[index] {
            (1.0 - SLIP, self.softer[0])
        } else if met(&needs_of(&ladder.levels[index]), &self.holds) {
            (LUCK_BEGUN, self.softer[not_held])
        } else {
            (LUCK_UNTAUGHT, self.softer[not_held])
        };
        let logit = (chance / (1.0 - chance)).ln() + softer;
        self.rng.random_bool(logistic(logit))
    }
}

/// Trained level by level: the lower a level and the nearer to the favourite track, the
/// sooner; one and a half levels a week.
fn trained(
    ladder: &Ladder,
    days: f64,
    job: &str,
    with_a_hole: bool,
    rng: &mut ChaCha8Rng,
) -> Vec<bool> {
    let needs: Vec<Vec<Vec<usize>>> = ladder.levels.iter().map(needs_of).collect();
    let mut holds = vec![false; ladder.levels.len()];
    let levels = ladder.levels.len() as f64;
    let learned = (levels * (1.0 - (-days / 280.0).exp())).round() as usize;
    let skipped = (with_a_hole && learned > 10).then(|| rng.random_range(8..learned));
    let mut hole = None;
    for step in 0..learned {
        let open = (0..holds.len())
            .filter(|index| !holds[*index] && hole != Some(*index) && met(&needs[*index], &holds));
        let weighed: Vec<(usize, f64)> = open
            .map(|index| {
                let track = &ladder.tracks[ladder.levels[index].track].id;
                let sooner = match track.as_str() {
                    track if track == job => 3.0,
                    "cow" | "barrel" | "trail" => 0.2,
                    _ => 2.0,
                };
                (index, sooner / (1.0 + index as f64 / 40.0))
            })
            .collect();
        let sum: f64 = weighed.iter().map(|(_, weight)| weight).sum();
        let mut at = rng.random::<f64>() * sum;
        let next = weighed.iter().find(|(_, weight)| {
            at -= weight;
            at <= 0.0
        });
        match next {
            Some((index, _)) if skipped == Some(step) => hole = Some(*index),
            Some((index, _)) => holds[*index] = true,
            None => break,
        }
    }
    holds
}
