//! The barn's own pace: rides from the first ask to held for every level, and how quick each
//! horse is.
//!
//! # Formula
//! ln(rides) of a horse on a level = the barn's + the level's + the horse's + rest. The
//! barn's part is what its levels have in common, so that a slow barn is slow on levels none
//! of its horses has come to yet (a two-stage mean, each level weighted by its variance;
//! DerSimonian and Laird 1986, from memory). The horse's part is
//! shrunk towards none by its number of levels (best linear unbiased prediction; Robinson
//! 1991, from memory); for a level still under way the rest stands in for what is expected
//! beyond what was ridden (a normal, truncated). The level's quartiles come from
//! [`super::survival`] over rides divided by each horse's factor, drawn towards the shipped
//! default by as many horses as the barn's levels agree with it (empirical Bayes by moments;
//! Morris 1983, from memory).

use std::collections::BTreeMap;

use serde::Serialize;
use statrs::distribution::{Continuous, ContinuousCDF, Normal};
use uuid::Uuid;

use super::history::LevelHistory;
use super::survival::{Prior, quantile};
use super::usual::{SPREAD, usual_rides};
use crate::ladder::{Ladder, Level};

/// How far horses lie apart, as a standard deviation of the logarithm of their factor.
/// Product default.
const HORSES_APART: f64 = 0.35;
/// How far a barn's levels lie from the default, likewise: at first, at the least, at the
/// most.
const LEVELS_APART: (f64, f64, f64) = (0.4, 0.15, 1.0);
/// How far barns lie from the default as a whole, likewise. Product default.
const BARNS_APART: f64 = 0.4;
/// Rounds in which levels and horses are brought into line.
const ROUNDS: usize = 8;
/// No more rides are told than this.
pub const MOST_RIDES: f64 = 200.0;

/// The pace of a barn.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Pace {
    /// Level by level, in the order of the ladder; those the barn has not worked on have the
    /// default, shifted by what its other levels have in common.
    pub levels: Vec<LevelPace>,
    /// Horse by horse.
    pub horses: Vec<HorsePace>,
}

/// Rides from the first ask of a level until it is held.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LevelPace {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// One horse in four is there by then.
    pub from: f64,
    /// Every second horse.
    pub median: f64,
    /// Three in four.
    pub to: f64,
    /// Horses it rests on that hold it.
    pub horses: u32,
    /// Horses still under way.
    pub under_way: u32,
    /// The shipped default it is drawn towards.
    pub usual: f64,
}

/// How quick a horse is.
#[derive(Debug, Clone, Copy, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HorsePace {
    /// The horse.
    pub horse_id: Uuid,
    /// Rides it takes, as a multiple of the barn's: below 1 is quick.
    pub factor: f64,
    /// How unsure that is, as a standard deviation of its logarithm.
    pub spread: f64,
    /// Levels it rests on.
    pub levels: u32,
}

/// What a level is worth to the fit.
struct Fitted<'a> {
    history: &'a LevelHistory,
    index: usize,
}

/// The pace of a barn's horses. Levels the ladder does not have are left out.
pub fn pace(ladder: &Ladder, histories: &[LevelHistory]) -> Pace {
    let fitted: Vec<Fitted<'_>> = histories
        .iter()
        .filter_map(|history| {
            let index = ladder.position(&history.level)?;
            Some(Fitted { history, index })
        })
        .collect();
    let usual: Vec<f64> = ladder.levels.iter().map(usual_rides).collect();
    let mut level_part: Vec<f64> = vec![0.0; usual.len()];
    let mut horse_part: BTreeMap<Uuid, f64> = BTreeMap::new();
    let mut apart = LEVELS_APART.0;
    let mut barn_part = 0.0;
    for _ in 0..ROUNDS {
        let rests: Vec<f64> = fitted
            .iter()
            .map(|one| {
                let horse = horse_part
                    .get(&one.history.horse_id)
                    .copied()
                    .unwrap_or(0.0);
                let mean = usual[one.index].ln() + barn_part + level_part[one.index] + horse;
                expected(f64::from(one.history.rides).ln(), one.history.held, mean) - mean
            })
            .collect();
        let mut by_horse: BTreeMap<Uuid, (f64, f64)> = BTreeMap::new();
        let mut by_level: BTreeMap<usize, (f64, f64)> = BTreeMap::new();
        for (one, rest) in fitted.iter().zip(&rests) {
            let horse = horse_part
                .get(&one.history.horse_id)
                .copied()
                .unwrap_or(0.0);
            let sums = by_horse.entry(one.history.horse_id).or_default();
            *sums = (sums.0 + rest + horse, sums.1 + 1.0);
            let sums = by_level.entry(one.index).or_default();
            *sums = (
                sums.0 + rest + barn_part + level_part[one.index],
                sums.1 + 1.0,
            );
        }
        barn_part = barns(&by_level, apart);
        for (sum, count) in by_level.values_mut() {
            *sum -= *count * barn_part;
        }
        apart = levels_apart(&by_level);
        for (index, (sum, count)) in by_level {
            level_part[index] = sum / (count + (SPREAD / apart).powi(2));
        }
        for (horse_id, (sum, count)) in by_horse {
            let part = sum / (count + (SPREAD / HORSES_APART).powi(2));
            horse_part.insert(horse_id, part);
        }
    }
    let horses: Vec<HorsePace> = horse_part
        .iter()
        .map(|(horse_id, part)| {
            let own = fitted
                .iter()
                .filter(|one| one.history.horse_id == *horse_id);
            let levels = own.count() as u32;
            HorsePace {
                horse_id: *horse_id,
                factor: part.exp(),
                spread: spread_after(levels),
                levels,
            }
        })
        .collect();
    Pace {
        levels: (0..usual.len())
            .map(|index| {
                let prior = Prior {
                    median: usual[index] * barn_part.exp(),
                    spread: SPREAD,
                    horses: (SPREAD / apart).powi(2),
                };
                level_pace(ladder, index, &fitted, &horse_part, &prior)
            })
            .collect(),
        horses,
    }
}

/// How unsure the factor of a horse is after so many levels.
pub fn spread_after(levels: u32) -> f64 {
    (1.0 / (HORSES_APART.powi(-2) + f64::from(levels) * SPREAD.powi(-2))).sqrt()
}

fn level_pace(
    ladder: &Ladder,
    index: usize,
    fitted: &[Fitted<'_>],
    horse_part: &BTreeMap<Uuid, f64>,
    prior: &Prior,
) -> LevelPace {
    let own = || fitted.iter().filter(|one| one.index == index);
    let times: Vec<(f64, bool)> = own()
        .map(|one| {
            let part = horse_part
                .get(&one.history.horse_id)
                .copied()
                .unwrap_or(0.0);
            (f64::from(one.history.rides) / part.exp(), one.history.held)
        })
        .collect();
    let at = |share: f64| quantile(&times, prior, share, MOST_RIDES);
    LevelPace {
        level: ladder.levels[index].level.clone(),
        name: ladder.levels[index].name.clone(),
        from: at(0.25),
        median: at(0.5),
        to: at(0.75),
        horses: own().filter(|one| one.history.held).count() as u32,
        under_way: own().filter(|one| !one.history.held).count() as u32,
        usual: usual_rides(&ladder.levels[index]),
    }
}

/// What ln(rides) is to be taken for: itself where the level is held, otherwise what is
/// expected beyond it.
fn expected(rides: f64, held: bool, mean: f64) -> f64 {
    if held {
        return rides;
    }
    let normal = Normal::standard();
    let at = (rides - mean) / SPREAD;
    let beyond = (1.0 - normal.cdf(at)).max(1e-12);
    mean + SPREAD * normal.pdf(at) / beyond
}

/// What the barn's levels have in common against the default.
fn barns(by_level: &BTreeMap<usize, (f64, f64)>, apart: f64) -> f64 {
    let (sum, weights) = by_level.values().fold(
        (0.0, BARNS_APART.powi(-2)),
        |(sum, weights), (of, count)| {
            let weight = 1.0 / (apart * apart + SPREAD * SPREAD / count);
            (sum + weight * of / count, weights + weight)
        },
    );
    sum / weights
}

/// How far the barn's levels lie from that, by moments: the spread of their means,
/// less what chance makes of so few horses.
fn levels_apart(by_level: &BTreeMap<usize, (f64, f64)>) -> f64 {
    let (first, least, most) = LEVELS_APART;
    // The default counts as eight levels, so that two of them say little.
    let prior = 8.0;
    let sums = by_level
        .values()
        .fold((0.0, 0.0), |(sum, weights), (of, count)| {
            let mean = of / count;
            let weight = count / (count + 2.0);
            (
                sum + weight * (mean * mean - SPREAD * SPREAD / count),
                weights + weight,
            )
        });
    let variance = (prior * first * first + sums.0) / (prior + sums.1);
    variance.max(least * least).sqrt().min(most)
}
