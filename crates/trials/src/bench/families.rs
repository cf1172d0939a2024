//! Each family of gates on the bench: false advances, delay, and what luck alone opens.

use serde::Serialize;

use super::family::Family;
use super::population::{BenchHorse, Population};
use super::{RIDES, Rule, RuleResult};
use crate::evidence::readiness::Readiness;
use crate::judge::risk::{Passed, risk};

/// A family of gates in one world.
#[derive(Debug, Clone, PartialEq, Serialize)]
pub struct FamilyResult {
    /// What the shipped gate did.
    pub shipped: RuleResult,
    /// The mean of the risks that it said of its advances.
    pub said: f64,
}

/// Runs `horses` of a population through the gate of a family.
pub fn family(
    family: Family,
    population: Population,
    horses: u64,
    first_seed: u64,
) -> FamilyResult {
    let ridden: Vec<BenchHorse> = (first_seed..first_seed + horses)
        .map(|seed| BenchHorse::ride_of(family, population, seed, RIDES))
        .collect();
    let risks: Vec<f64> = ridden.iter().filter_map(said).collect();
    FamilyResult {
        shipped: RuleResult::of(Rule::Shipped, &ridden),
        said: risks.iter().sum::<f64>() / risks.len().max(1) as f64,
    }
}

/// The risk that the gate said of its first advance.
pub fn said(horse: &BenchHorse) -> Option<f64> {
    let at = Rule::Shipped.advances_at(horse)?;
    let day = horse.days[at];
    let asks = &horse.asks[..horse.asks.partition_point(|ask| ask.day <= day)];
    let level = horse.family.level();
    let a_side = asks.len() as f64 / level.asked_sides().len() as f64;
    let days = asks.chunk_by(|a, b| a.day == b.day).count();
    let passed = Passed::of(&Readiness::after(asks), days, a_side);
    Some(risk(&level.gate, &passed)?.share)
}

/// Of horses that answer softly with that chance and never learn, the share that the gate
/// lets through within so many rides.
pub fn lucky(family: Family, chance: f64, rides: usize, horses: u64, first_seed: u64) -> f64 {
    let through = (first_seed..first_seed + horses)
        .map(|seed| BenchHorse::always(family, chance, seed, rides))
        .filter(|horse| Rule::Shipped.advances_at(horse).is_some());
    through.count() as f64 / horses.max(1) as f64
}
