//! What intakes of a world came to, as tables.

use serde::Serialize;

use super::trial::{ASKS_A_RIDE, intake, score, walking};
use super::worlds::{IntakeHorse, World};
use crate::intake::asked::Asked;
use crate::intake::belief::Effort;
use crate::intake::{Belief, Model};
use crate::ladder::Ladder;
use crate::wording::percent;

/// A table of trials.
#[derive(Debug, Clone, Serialize)]
pub struct IntakeResult {
    /// The world.
    pub world: &'static str,
    /// Horses.
    pub horses: usize,
    /// Levels of the ladder.
    pub levels: usize,
    /// Levels placed right after one ride, two and three.
    pub right: Vec<f64>,
    /// Of those at the edge.
    pub edge_right: Vec<f64>,
    /// From the story alone.
    pub prior_right: f64,
    /// The same at the edge.
    pub prior_edge_right: f64,
    /// By walking up from the ground until each level is sure.
    pub walking_right: f64,
    /// Mean asks that takes.
    pub walking_asks: f64,
    /// Of levels said to be so likely held, in tenths, the share that is; none where
    /// fewer than fifty were said.
    pub calibration: Vec<Option<f64>>,
}
impl IntakeResult {
    /// Horses of a world, seen one by one.
    pub fn of(world: World, horses: u64, first_seed: u64) -> IntakeResult {
        let ladder = Ladder::shipped();
        let mut result = IntakeResult {
            world: world.name(),
            horses: horses as usize,
            levels: ladder.levels.len(),
            right: vec![0.0; 3],
            edge_right: vec![0.0; 3],
            prior_right: 0.0,
            prior_edge_right: 0.0,
            walking_right: 0.0,
            walking_asks: 0.0,
            calibration: Vec::new(),
        };
        let part = 1.0 / horses as f64;
        let mut calibration = [(0u32, 0u32); 10];
        for seed in first_seed..first_seed + horses {
            let mut horse = IntakeHorse::new(world, ladder, seed);
            let (walked, right) = walking(ladder, &mut horse);
            result.walking_asks += walked as f64 * part;
            result.walking_right += right * part;
            let marks = [1, 2, 3].map(|rides| rides * ASKS_A_RIDE);
            let trial = intake(ladder, &mut horse, &marks, Effort::USUAL);
            for index in 0..marks.len() {
                result.right[index] += trial.right[index] * part;
                result.edge_right[index] += trial.edge_right[index] * part;
            }
            for (all, one) in calibration.iter_mut().zip(trial.calibration) {
                all.0 += one.0;
                all.1 += one.1;
            }
            let model = Model::new(ladder, &horse.story, &[]);
            let belief = Belief::draw(&model, &Asked::of(ladder, &[], 0), Effort::USUAL, 7);
            let chances: Vec<f64> = (0..ladder.levels.len())
                .map(|index| belief.chance(index))
                .collect();
            let (right, edge) = score(ladder, &chances, &horse.holds);
            result.prior_right += right * part;
            result.prior_edge_right += edge * part;
        }
        result.calibration = calibration
            .iter()
            .map(|(said, are)| (*said >= 50).then(|| f64::from(*are) / f64::from(*said)))
            .collect();
        result
    }
}

impl IntakeResult {
    /// One world, in lines to read while the bench runs.
    pub fn in_words(&self) -> String {
        format!(
            "{}\n  all levels: story {} | asks {} | walking up {} in {:.0}\n  at the edge: story {} | asks {}\n  held of those said 0-10%, 10-20% ...: {}",
            self.world,
            percent(self.prior_right),
            percents(&self.right),
            percent(self.walking_right),
            self.walking_asks,
            percent(self.prior_edge_right),
            percents(&self.edge_right),
            self.calibration
                .iter()
                .map(|share| share.map_or_else(|| "-".to_owned(), percent))
                .collect::<Vec<_>>()
                .join(" "),
        )
    }

    /// The tables of docs/intake.md.
    pub fn tables(results: &[IntakeResult]) -> String {
        let mut placed = String::from(
            "| Horses | Story alone | One ride | Two rides | Three | Walking up | Asks of walking | Edge, story alone | Edge, one ride | Edge, two rides | Edge, three |\n|---|---|---|---|---|---|---|---|---|---|---|\n",
        );
        let mut sure = String::from(
            "| Horses | 0-10% | 10-20% | 20-30% | 30-40% | 40-50% | 50-60% | 60-70% | 70-80% | 80-90% | 90-100% |\n|---|---|---|---|---|---|---|---|---|---|---|\n",
        );
        for result in results {
            placed.push_str(&format!(
                "| {} | {} | {} | {} | {} | {} | {:.0} | {} | {} | {} | {} |\n",
                result.world,
                percent(result.prior_right),
                percent(result.right[0]),
                percent(result.right[1]),
                percent(result.right[2]),
                percent(result.walking_right),
                result.walking_asks,
                percent(result.prior_edge_right),
                percent(result.edge_right[0]),
                percent(result.edge_right[1]),
                percent(result.edge_right[2]),
            ));
            let shares = result
                .calibration
                .iter()
                .map(|share| share.map_or_else(|| "-".to_owned(), percent));
            sure.push_str(&format!(
                "| {} | {} |\n",
                result.world,
                shares.collect::<Vec<_>>().join(" | ")
            ));
        }
        format!(
            "Levels placed right:\n\n{placed}\nOf the levels said to be so likely held, the share that is:\n\n{sure}"
        )
    }
}

fn percents(shares: &[f64]) -> String {
    let each: Vec<String> = shares.iter().map(|share| percent(*share)).collect();
    each.join(", ")
}
