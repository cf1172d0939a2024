//! Rigs on a horse: which were new, and soft shares by rig side by side.
//!
//! # Formula
//! Rigs are held against each other as riders are (see [`super::rider`]): where both were
//! ridden at the same level, on the same side, within the same fortnight, so that learning is
//! not taken for a rig. The difference is a contrast against all others there; how sure it is
//! comes from the model.
//!
//! # Source
//! As [`super::rider`].

use std::collections::HashMap;

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::ask::Ask;
use super::rider::{RiderDay, RiderOffset, rider_offsets};
use super::share::{PRIOR_ICC, quantile, share_of_days};
use super::soft_count::SoftCount;
use crate::day::days_between;
use crate::rig::RigWorn;

/// The rigs of a horse's rides, first to last in each.
#[derive(Debug, Default)]
pub struct RigsOfRides<'a> {
    by_ride: HashMap<Uuid, &'a [RigWorn]>,
    new: HashMap<Uuid, Vec<usize>>,
}

impl<'a> RigsOfRides<'a> {
    /// Of rides, oldest first, each with its rigs. A rig is new on the first ride in it; the
    /// one of the first ride with a rig is not, for nothing was known before.
    pub fn of(rides: impl IntoIterator<Item = (Uuid, &'a [RigWorn])>) -> RigsOfRides<'a> {
        let mut all = RigsOfRides::default();
        let mut known: Vec<&RigWorn> = Vec::new();
        for (ride_id, rigs) in rides.into_iter().filter(|(_, rigs)| !rigs.is_empty()) {
            let nothing_known = known.is_empty();
            let is_new = |(index, rig): &(usize, &RigWorn)| {
                let seen = known.iter().any(|other| other.is_same(rig));
                !(seen || nothing_known && *index == 0)
            };
            let new: Vec<usize> = rigs
                .iter()
                .enumerate()
                .filter(is_new)
                .map(|(at, _)| at)
                .collect();
            if !new.is_empty() {
                all.new.insert(ride_id, new);
            }
            for rig in rigs {
                if !known.iter().any(|other| other.is_same(rig)) {
                    known.push(rig);
                }
            }
            all.by_ride.insert(ride_id, rigs);
        }
        all
    }

    fn at(&self, ask: &Ask) -> Option<(usize, &'a RigWorn)> {
        let rigs = self.by_ride.get(&ask.ride_id)?;
        let worn = rigs
            .iter()
            .enumerate()
            .filter(|(_, rig)| rig.from <= ask.asked_at);
        // Asked a moment before the first rig was said: it was already on.
        worn.max_by_key(|(_, rig)| rig.from)
            .or_else(|| rigs.iter().enumerate().min_by_key(|(_, rig)| rig.from))
    }

    /// The rig an ask was made in; none while nobody said.
    pub fn rig_of(&self, ask: &Ask) -> Option<&'a RigWorn> {
        self.at(ask).map(|(_, rig)| rig)
    }

    /// Whether an ask was made in a rig that was new to the horse on that ride.
    pub fn is_new(&self, ask: &Ask) -> bool {
        let Some(new) = self.new.get(&ask.ride_id) else {
            return false;
        };
        self.at(ask).is_some_and(|(index, _)| new.contains(&index))
    }

    /// Nothing is known of any rig.
    pub fn is_empty(&self) -> bool {
        self.by_ride.is_empty()
    }
}

/// Soft and asked in one rig.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RigShare {
    /// The rig as it was worn last.
    pub rig: RigWorn,
    /// Days in it.
    pub days: usize,
    /// The first of them.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub first_day: Date,
    /// The last of them.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub last_day: Date,
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
    /// The share's bounds, 90 % on two sides, days as clusters.
    pub low: f64,
    /// See `low`.
    pub high: f64,
    /// Against the horse's other rigs; null where no other was ridden at the same level, side
    /// and fortnight.
    pub against: Option<RigAgainst>,
}

/// A rig against the others.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RigAgainst {
    /// How much more is soft in it than in the others, in points of a hundred, at the same
    /// levels, sides and fortnights; below 0 for less.
    pub points: f64,
    /// The share in it there.
    pub share: f64,
    /// The share in the others there.
    pub other_share: f64,
    /// How sure it is that it differs that way, 0.5 to 1.
    pub sure: f64,
    /// Very likely real.
    pub very_likely_real: bool,
    /// Asks that could be compared.
    pub asks: u32,
}

/// Days within which rigs are held against each other.
const FORTNIGHT_DAYS: i64 = 14;

/// Soft shares by rig, the one worn last first; none for asks whose rig nobody said.
pub fn by_rig(levels: &[&[Ask]], rides: &RigsOfRides<'_>) -> Vec<RigShare> {
    let mut rigs: Vec<RigWorn> = Vec::new();
    let mut own: Vec<Vec<(usize, Ask)>> = Vec::new();
    for (level, asks) in levels.iter().enumerate() {
        for ask in *asks {
            let Some(rig) = rides.rig_of(ask) else {
                continue;
            };
            let index = rigs
                .iter()
                .position(|known| known.is_same(rig))
                .unwrap_or_else(|| {
                    rigs.push(rig.clone());
                    own.push(Vec::new());
                    rigs.len() - 1
                });
            if rig.from > rigs[index].from {
                rigs[index] = rig.clone();
            }
            own[index].push((level, *ask));
        }
    }
    let offsets = offsets(&own);
    let mut shares: Vec<RigShare> = rigs
        .into_iter()
        .zip(&own)
        .enumerate()
        .filter_map(|(index, (rig, asks))| {
            let offset = offsets.iter().find(|one| one.rider_id == id_of(index));
            share(rig, asks, offset.zip(contrast(&own, index)))
        })
        .collect();
    shares.sort_by(|a, b| {
        b.last_day
            .cmp(&a.last_day)
            .then(b.rig.from.cmp(&a.rig.from))
    });
    shares
}

/// The model knows riders by ids; rigs are given some.
fn id_of(index: usize) -> Uuid {
    Uuid::from_u128(index as u128 + 1)
}

fn offsets(own: &[Vec<(usize, Ask)>]) -> Vec<RiderOffset> {
    let mut days: Vec<RiderDay> = Vec::new();
    for (index, asks) in own.iter().enumerate() {
        for (level, ask) in asks {
            let same = |day: &&mut RiderDay| {
                day.rider_id == id_of(index)
                    && day.level == *level
                    && day.side == ask.side
                    && day.day == ask.day
            };
            match days.iter_mut().rev().take(8).find(same) {
                Some(day) => day.asks.count(ask.soft),
                None => days.push(RiderDay {
                    rider_id: id_of(index),
                    horse_id: Uuid::nil(),
                    level: *level,
                    side: ask.side,
                    day: ask.day,
                    asks: SoftCount::of([ask]),
                }),
            }
        }
    }
    rider_offsets(&days)
}

/// The shares in a rig and in all others at the same level, side and fortnight, each stratum
/// weighted by what it says of the difference (Mantel and Haenszel's weights).
fn contrast(own: &[Vec<(usize, Ask)>], index: usize) -> Option<(f64, f64)> {
    let mut strata: HashMap<(usize, crate::Side, i64), [SoftCount; 2]> = HashMap::new();
    let epoch = jiff::civil::date(2000, 1, 1);
    for (rig, asks) in own.iter().enumerate() {
        for (level, ask) in asks {
            let fortnight = days_between(epoch, ask.day).div_euclid(FORTNIGHT_DAYS);
            let counts = strata.entry((*level, ask.side, fortnight)).or_default();
            counts[usize::from(rig != index)].count(ask.soft);
        }
    }
    let (mut weights, mut shares) = (0.0, [0.0; 2]);
    for [in_it, in_others] in strata.values() {
        let (Some(one), Some(other)) = (in_it.share(), in_others.share()) else {
            continue;
        };
        let (a, b) = (f64::from(in_it.asked), f64::from(in_others.asked));
        let weight = a * b / (a + b);
        weights += weight;
        shares[0] += weight * one;
        shares[1] += weight * other;
    }
    (weights > 0.0).then(|| (shares[0] / weights, shares[1] / weights))
}

fn share(
    rig: RigWorn,
    asks: &[(usize, Ask)],
    against: Option<(&RiderOffset, (f64, f64))>,
) -> Option<RigShare> {
    let mut of_days: Vec<(Date, SoftCount)> = Vec::new();
    for (_, ask) in asks {
        match of_days.iter_mut().find(|(day, _)| *day == ask.day) {
            Some((_, count)) => count.count(ask.soft),
            None => of_days.push((ask.day, SoftCount::of([ask]))),
        }
    }
    of_days.sort_by_key(|(day, _)| *day);
    let counts: Vec<SoftCount> = of_days.iter().map(|(_, count)| *count).collect();
    let found = share_of_days(&counts, PRIOR_ICC, quantile(0.9, true))?;
    Some(RigShare {
        rig,
        days: of_days.len(),
        first_day: of_days.first()?.0,
        last_day: of_days.last()?.0,
        soft: found.soft,
        asked: found.asked,
        low: found.interval.low,
        high: found.interval.high,
        against: against.map(|(offset, (share, other_share))| RigAgainst {
            points: 100.0 * (share - other_share),
            share,
            other_share,
            sure: offset.sure(),
            very_likely_real: offset.is_very_likely_real(),
            asks: offset.asks,
        }),
    })
}
