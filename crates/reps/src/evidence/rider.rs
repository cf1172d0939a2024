//! How riders differ in what they call soft and in how they ask, found where two of
//! them asked the same levels of the same horses.
//!
//! # Formula
//! A mixed logistic model. The chance of a soft answer has, on the logit scale, an
//! effect of the rider, one of the horse at that level, side and fortnight (so that
//! learning is not taken for a rider), and one of the day. All are normal around
//! zero: riders with [`RIDER_SD`], which draws them to the barn's usual rider while
//! little is known, the horse with [`HORSE_SD`], the day with [`DAY_SD`]. The mode is
//! found by Newton's method; the curve there says how sure it is (Laplace). A rider is
//! held against the barn's usual one: the mean of all, by their asks.
//!
//! # Source
//! Generalized linear mixed models by penalised quasi-likelihood: Breslow and Clayton,
//! Journal of the American Statistical Association 88 (1993) 9-25 (from memory). With
//! the three deviations given, the mode is that of a ridge-penalised logistic
//! regression; the test holds it to scikit-learn's. The deviations are product
//! defaults.

use std::collections::{BTreeMap, BTreeSet};

use jiff::civil::{Date, date};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::SoftCount;
use super::algebra::{Square, logistic, tail};
use crate::Side;
use crate::bounds::{FieldError, LOGIT, RIDER_DEVIATION};
use crate::day::days_between;

/// How far riders differ, as far as nothing is known.
pub const RIDER_SD: f64 = 0.5;
/// How far horses, levels and fortnights differ.
pub const HORSE_SD: f64 = 2.0;
/// How far days differ.
pub const DAY_SD: f64 = 0.7;
/// Days looked back.
pub const LOOK_BACK_DAYS: i64 = 120;
/// How sure it has to be that a rider differs, and by how much on the logit scale,
/// before the judge takes it into account: "very likely real".
pub const SURE: f64 = 0.95;
/// See [`SURE`].
pub const LEAST_OFFSET: f64 = 0.2;

const PERIOD_DAYS: i64 = 14;
const MOST_STEPS: usize = 30;
const CLOSE_ENOUGH: f64 = 1e-9;
/// A longer step is cut: far from the mode the curve misleads.
const MOST_STEP: f64 = 2.0;

/// The asks of one rider on one day, at one level and side of one horse.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct RiderDay {
    /// The rider.
    pub rider_id: Uuid,
    /// The horse.
    pub horse_id: Uuid,
    /// The index of the level.
    pub level: usize,
    /// The side.
    pub side: Side,
    /// The day.
    pub day: Date,
    /// Soft answers and asks.
    pub asks: SoftCount,
}

/// How a rider differs from the barn's usual one.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RiderOffset {
    /// The rider.
    pub rider_id: Uuid,
    /// How much more (above 0) or less (below) is soft with this rider, same horse,
    /// level and fortnight; logit scale.
    pub offset: f64,
    /// Standard deviation of that.
    pub sd: f64,
    /// Asks that could be compared.
    pub asks: u32,
    /// Horses on which.
    pub horses: u32,
}

impl RiderOffset {
    /// Checks the numbers.
    ///
    /// # Errors
    /// The first out of bounds.
    pub fn check(&self) -> Result<(), FieldError> {
        LOGIT.check("/offset", self.offset)?;
        RIDER_DEVIATION.check("/sd", self.sd).map(|_| ())
    }

    /// How sure it is that the rider differs that way, 0.5 to 1.
    pub fn sure(&self) -> f64 {
        1.0 - tail(self.offset.abs() / self.sd)
    }

    /// Whether the judge takes it into account.
    pub fn is_very_likely_real(&self) -> bool {
        self.sure() >= SURE && self.offset.abs() >= LEAST_OFFSET
    }

    /// By how much of all asks more is soft with this rider where the barn's usual
    /// rider would find `share` soft; below 0 for less.
    pub fn share_more(&self, share: f64) -> f64 {
        let usual = super::algebra::logit(share);
        logistic(usual + self.offset) - share
    }
}

/// The offsets of all riders who can be compared, by id. One who never asked a level
/// of a horse within a fortnight of somebody else is left out.
pub fn rider_offsets(days: &[RiderDay]) -> Vec<RiderOffset> {
    let groups = comparable(days);
    let mut riders: Vec<Uuid> = groups
        .iter()
        .flat_map(|group| group.iter().flatten().map(|day| day.rider_id))
        .collect();
    riders.sort_unstable();
    riders.dedup();
    if riders.is_empty() {
        return Vec::new();
    }
    let mut fit = Fit::new(&riders, &groups);
    for _ in 0..MOST_STEPS {
        if fit.step() < CLOSE_ENOUGH {
            break;
        }
    }
    let covariance = fit.curve().inverse();
    let asks: Vec<u32> = riders
        .iter()
        .map(|rider| asks_of(*rider, &groups))
        .collect();
    let all = f64::from(asks.iter().sum::<u32>());
    let offset_of = |at: usize| {
        let mut contrast: Vec<f64> = asks.iter().map(|asks| -f64::from(*asks) / all).collect();
        contrast[at] += 1.0;
        let dot = |other: &[f64]| contrast.iter().zip(other).map(|(a, b)| a * b).sum::<f64>();
        RiderOffset {
            rider_id: riders[at],
            offset: dot(&fit.riders),
            sd: dot(&covariance.times(&contrast)).max(0.0).sqrt(),
            asks: asks[at],
            horses: horses_of(riders[at], &groups),
        }
    };
    (0..riders.len()).map(offset_of).collect()
}

fn asks_of(rider: Uuid, groups: &[Group]) -> u32 {
    let days = groups.iter().flatten().flatten();
    days.filter(|day| day.rider_id == rider)
        .map(|day| day.asks.asked)
        .sum()
}

fn horses_of(rider: Uuid, groups: &[Group]) -> u32 {
    let days = groups.iter().flatten().flatten();
    let horses: BTreeSet<Uuid> = days
        .filter(|day| day.rider_id == rider)
        .map(|day| day.horse_id)
        .collect();
    horses.len() as u32
}

/// The days of one horse at one level, side and fortnight, day by day.
type Group = Vec<Vec<RiderDay>>;

/// Those groups in which two riders asked.
fn comparable(days: &[RiderDay]) -> Vec<Group> {
    let epoch = date(2020, 1, 6);
    let mut groups: BTreeMap<_, BTreeMap<Date, Vec<RiderDay>>> = BTreeMap::new();
    for day in days.iter().filter(|day| day.asks.asked > 0) {
        let period = days_between(epoch, day.day).div_euclid(PERIOD_DAYS);
        groups
            .entry((day.horse_id, day.level, day.side, period))
            .or_default()
            .entry(day.day)
            .or_default()
            .push(*day);
    }
    groups
        .into_values()
        .map(|by_day| by_day.into_values().collect::<Group>())
        .filter(|group| {
            let first = group[0][0].rider_id;
            group.iter().flatten().any(|day| day.rider_id != first)
        })
        .collect()
}

/// The model at a point: effects of riders, and of each group its horse and days.
struct Fit<'a> {
    groups: &'a [Group],
    /// The rider of each day of a group, by index.
    indexes: Vec<Vec<Vec<usize>>>,
    riders: Vec<f64>,
    horses: Vec<f64>,
    days: Vec<Vec<f64>>,
}

/// Slope and curve over riders and the horse of one group, its days eliminated. The
/// horse stands last.
struct Eliminated {
    slope: Vec<f64>,
    curve: Square,
}

impl<'a> Fit<'a> {
    fn new(riders: &[Uuid], groups: &'a [Group]) -> Fit<'a> {
        let index = |day: &RiderDay| riders.binary_search(&day.rider_id).unwrap_or_default();
        Fit {
            groups,
            indexes: groups
                .iter()
                .map(|group| {
                    let indexes = |day: &Vec<RiderDay>| day.iter().map(index).collect();
                    group.iter().map(indexes).collect()
                })
                .collect(),
            riders: vec![0.0; riders.len()],
            horses: vec![0.0; groups.len()],
            days: groups.iter().map(|group| vec![0.0; group.len()]).collect(),
        }
    }

    /// Slope, and curve (minus the second derivative), of each cell of a day:
    /// (rider, slope, curve).
    fn cells(&self, group: usize, day: usize) -> Vec<(usize, f64, f64)> {
        let cells = self.groups[group][day].iter();
        cells
            .zip(&self.indexes[group][day])
            .map(|(cell, rider)| {
                let at = self.riders[*rider] + self.horses[group] + self.days[group][day];
                let chance = logistic(at);
                let asked = f64::from(cell.asks.asked);
                (
                    *rider,
                    f64::from(cell.asks.soft) - asked * chance,
                    asked * chance * (1.0 - chance),
                )
            })
            .collect()
    }

    fn eliminate_days(&self, group: usize) -> Eliminated {
        let horse = self.riders.len();
        let mut slope = vec![0.0; horse + 1];
        let mut curve = Square::new(horse + 1);
        slope[horse] = -self.horses[group] / (HORSE_SD * HORSE_SD);
        curve.add(horse, horse, 1.0 / (HORSE_SD * HORSE_SD));
        for day in 0..self.groups[group].len() {
            let mut row = vec![0.0; horse + 1];
            let (mut of_day, mut day_curve) = (
                -self.days[group][day] / (DAY_SD * DAY_SD),
                1.0 / (DAY_SD * DAY_SD),
            );
            for (rider, cell_slope, cell_curve) in self.cells(group, day) {
                slope[rider] += cell_slope;
                slope[horse] += cell_slope;
                of_day += cell_slope;
                row[rider] += cell_curve;
                row[horse] += cell_curve;
                day_curve += cell_curve;
                curve.add(rider, rider, cell_curve);
                curve.add(horse, horse, cell_curve);
                curve.add(rider, horse, cell_curve);
                curve.add(horse, rider, cell_curve);
            }
            curve.take_outer(&row, day_curve);
            for (slope, row) in slope.iter_mut().zip(&row) {
                *slope -= row * of_day / day_curve;
            }
        }
        Eliminated { slope, curve }
    }

    /// The curve over the riders alone, all else eliminated.
    fn curve(&self) -> Square {
        self.over_riders().1
    }

    fn over_riders(&self) -> (Vec<f64>, Square) {
        let count = self.riders.len();
        let mut curve = Square::new(count);
        let mut slope: Vec<f64> = Vec::with_capacity(count);
        for (at, effect) in self.riders.iter().enumerate() {
            curve.add(at, at, 1.0 / (RIDER_SD * RIDER_SD));
            slope.push(-effect / (RIDER_SD * RIDER_SD));
        }
        for group in 0..self.groups.len() {
            let without_days = self.eliminate_days(group);
            let of_horse = without_days.curve.at(count, count);
            for (row, own) in slope.iter_mut().enumerate() {
                let through = without_days.curve.at(row, count) / of_horse;
                *own += without_days.slope[row] - through * without_days.slope[count];
                for column in 0..count {
                    let value = without_days.curve.at(row, column)
                        - through * without_days.curve.at(count, column);
                    curve.add(row, column, value);
                }
            }
        }
        (slope, curve)
    }

    /// One step of Newton's method; how far it went.
    fn step(&mut self) -> f64 {
        let (slope, curve) = self.over_riders();
        let mut moved = curve.inverse().times(&slope);
        for by in &mut moved {
            *by = by.clamp(-MOST_STEP, MOST_STEP);
        }
        let mut most = moved.iter().fold(0.0f64, |most, by| most.max(by.abs()));
        for group in 0..self.groups.len() {
            most = most.max(self.step_group(group, &moved));
        }
        for (effect, by) in self.riders.iter_mut().zip(&moved) {
            *effect += by;
        }
        most
    }

    /// The same step for the horse and the days of a group, the riders' known.
    fn step_group(&mut self, group: usize, riders: &[f64]) -> f64 {
        let horse = riders.len();
        let without_days = self.eliminate_days(group);
        let through: f64 = (0..horse)
            .map(|rider| without_days.curve.at(horse, rider) * riders[rider])
            .sum();
        let by = ((without_days.slope[horse] - through) / without_days.curve.at(horse, horse))
            .clamp(-MOST_STEP, MOST_STEP);
        let mut most = by.abs();
        let steps: Vec<f64> = (0..self.groups[group].len())
            .map(|day| {
                let mut slope = -self.days[group][day] / (DAY_SD * DAY_SD);
                let mut curve = 1.0 / (DAY_SD * DAY_SD);
                for (rider, cell_slope, cell_curve) in self.cells(group, day) {
                    slope += cell_slope - cell_curve * (riders[rider] + by);
                    curve += cell_curve;
                }
                (slope / curve).clamp(-MOST_STEP, MOST_STEP)
            })
            .collect();
        self.horses[group] += by;
        for (effect, step) in self.days[group].iter_mut().zip(steps) {
            *effect += step;
            most = most.max(step.abs());
        }
        most
    }
}
