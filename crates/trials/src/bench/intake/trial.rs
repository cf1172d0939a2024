//! One intake of one horse, ride after ride, and walking up from the ground beside it.

use super::worlds::IntakeHorse;
use crate::evidence::first_answer::{LUCK_BEGUN, SLIP};
use crate::intake::asked::Asked;
use crate::intake::belief::Effort;
use crate::intake::choice::{Chosen, next_ask};
use crate::intake::model::{met, needs_of};
use crate::intake::safe::Known;
use crate::intake::{Belief, IntakeAsk, Model};
use crate::ladder::Ladder;

/// Asks that a ride has room for.
pub const ASKS_A_RIDE: usize = 36;

/// What an intake of one horse came to.
#[derive(Debug, Clone, Default)]
pub struct Trial {
    /// Levels placed right after so many asks, as the marks say.
    pub right: Vec<f64>,
    /// Of those at the horse's edge.
    pub edge_right: Vec<f64>,
    /// Of levels said to be so likely held, in tenths: how many, and how many are.
    pub calibration: [(u32, u32); 10],
    /// The asks, in order.
    pub asks: Vec<IntakeAsk>,
    /// The chosen asks, in order.
    pub chosen: Vec<Chosen>,
}
/// One intake, ride after ride, looked at after so many asks.
pub fn intake(ladder: &Ladder, horse: &mut IntakeHorse, marks: &[usize], effort: Effort) -> Trial {
    let model = Model::new(ladder, &horse.story, &[]);
    let most = marks.last().copied().unwrap_or_default();
    let mut trial = Trial::default();
    let mut ride = 0;
    loop {
        let asked = Asked::of(ladder, &trial.asks, ride);
        let belief = Belief::draw(&model, &asked, effort, 7);
        let known = Known {
            ladder,
            story: &horse.story,
            asked: &asked,
            belief: &belief,
            brake: None,
        };
        let chances: Vec<f64> = (0..ladder.levels.len())
            .map(|index| belief.chance(index))
            .collect();
        let of_ride = trial.asks.iter().filter(|ask| ask.ride == ride).count();
        let next = next_ask(&known, 0.0, false)
            .ok()
            .filter(|_| trial.asks.len() < most);
        if trial.asks.len() < most && of_ride > 0 && (next.is_none() || of_ride >= ASKS_A_RIDE) {
            ride += 1;
            continue;
        }
        while trial.right.len() < marks.len()
            && (next.is_none() || trial.asks.len() >= marks[trial.right.len()])
        {
            let (right, edge) = score(ladder, &chances, &horse.holds);
            trial.right.push(right);
            trial.edge_right.push(edge);
            if trial.right.len() == marks.len() {
                for (chance, held) in chances.iter().zip(&horse.holds) {
                    let tenth = &mut trial.calibration[((chance * 10.0) as usize).min(9)];
                    tenth.0 += 1;
                    tenth.1 += u32::from(*held);
                }
            }
        }
        let Some(chosen) = next else { return trial };
        let soft = horse.answer(ladder, chosen.index, chosen.side);
        trial.chosen.push(chosen);
        trial.asks.push(IntakeAsk {
            level: ladder.levels[chosen.index].level.clone(),
            side: chosen.side,
            soft: Some(soft),
            ride,
        });
    }
}

/// Share of levels placed right, and of those at the edge.
pub fn score(ladder: &Ladder, chances: &[f64], holds: &[bool]) -> (f64, f64) {
    let edge = edge(ladder, holds);
    let right = |index: usize| (chances[index] >= 0.5) == holds[index];
    let share = |levels: &[usize]| {
        levels.iter().filter(|index| right(**index)).count() as f64 / levels.len().max(1) as f64
    };
    let all: Vec<usize> = (0..holds.len()).collect();
    (share(&all), share(&edge))
}

/// Held with nothing above held, or not held with everything under held.
fn edge(ladder: &Ladder, holds: &[bool]) -> Vec<usize> {
    let levels = &ladder.levels;
    let above = |index: usize| {
        let rung = levels.iter().position(|level| level.below == Some(index));
        levels[index].opens.iter().copied().chain(rung)
    };
    (0..levels.len())
        .filter(|index| {
            if holds[*index] {
                above(*index).all(|above| !holds[above])
            } else {
                met(&needs_of(&levels[*index]), holds)
            }
        })
        .collect()
}

/// How sure each level is made on the way up: one wrong step hides all above it.
const WALKING_SURE: f64 = 0.99;

/// Walking up from the ground: each level that stands on what was found is asked, side by
/// side, until the answers alone make it sure. The asks it takes, and the share of all
/// levels it places right.
pub fn walking(ladder: &Ladder, horse: &mut IntakeHorse) -> (usize, f64) {
    let mut holds = vec![false; ladder.levels.len()];
    let mut asks = 0;
    for (index, level) in ladder.levels.iter().enumerate() {
        if !met(&needs_of(level), &holds) {
            continue;
        }
        let mut log_odds = 0.0f64;
        let sure = (WALKING_SURE / (1.0 - WALKING_SURE)).ln();
        for side in level.asked_sides().iter().cycle() {
            if log_odds.abs() >= sure {
                break;
            }
            asks += 1;
            log_odds += if horse.answer(ladder, index, *side) {
                ((1.0 - SLIP) / LUCK_BEGUN).ln()
            } else {
                (SLIP / (1.0 - LUCK_BEGUN)).ln()
            };
        }
        holds[index] = log_odds > 0.0;
    }
    let chances: Vec<f64> = holds
        .iter()
        .map(|held| f64::from(u8::from(*held)))
        .collect();
    (asks, score(ladder, &chances, &horse.holds).0)
}
