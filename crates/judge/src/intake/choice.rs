//! The next ask: the one expected to tell most a minute, with what has to be asked
//! before it.

use serde::Serialize;

use super::safe::{Barrier, Known};
use crate::ladder::Level;
use crate::{Gait, Side};

/// How sure a level has to be, held or not. Product default.
pub const SURE: f64 = 0.9;
/// An ask that tells less than this, in bits, is not worth making. Product default.
const LEAST_TOLD: f64 = 0.03;
/// Minutes to change a gait by one, and to get on. Product defaults.
const GAIT_MIN: f64 = 0.4;
const MOUNT_MIN: f64 = 3.0;

/// The next ask.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = NextIntakeAsk))]
pub struct NextAsk {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// The side.
    pub side: Side,
    /// The gait.
    pub gait: Gait,
    /// What counts as soft.
    pub soft_means: String,
    /// Why this now.
    pub why: String,
}

/// Why nothing more is asked.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeStop))]
#[serde(rename_all = "snake_case")]
pub enum Stop {
    /// A sign of pain: somebody looks at the horse first.
    Pain,
    /// The minutes are used.
    Minutes,
    /// Everything that can be asked today is sure.
    Sure,
    /// Nothing that can be asked today would tell more.
    NothingTells,
}

/// The next ask as an index on the ladder, its side, and what it is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Chosen {
    /// The level.
    pub index: usize,
    /// The side.
    pub side: Side,
    /// What it is asked for: itself, or what waits for it.
    pub target: usize,
    /// What it clears, when something waits for it.
    pub clears: Option<Barrier>,
}

/// The next ask, or why there is none.
///
/// # Errors
/// Why nothing more is asked.
pub fn next_ask(known: &Known<'_>, minutes_used: f64, hurting: bool) -> Result<Chosen, Stop> {
    if hurting {
        return Err(Stop::Pain);
    }
    if minutes_used >= f64::from(known.story.minutes) {
        return Err(Stop::Minutes);
    }
    let levels = known.ladder.levels.len();
    let reachable: Vec<usize> = (0..levels)
        .filter(|index| is_reachable(known, *index))
        .collect();
    if reachable.iter().all(|index| is_sure(known, *index)) {
        return Err(Stop::Sure);
    }
    let told: Vec<f64> = (0..levels)
        .map(|index| known.belief.would_tell(index))
        .collect();
    let best = reachable
        .iter()
        .filter(|index| told[**index] >= LEAST_TOLD)
        .map(|index| (worth(known, &told, *index), *index))
        .max_by(|a, b| a.0.total_cmp(&b.0).then(b.1.cmp(&a.1)));
    let (_, target) = best.ok_or(Stop::NothingTells)?;
    Ok(towards(known, &told, target).unwrap_or(Chosen {
        index: target,
        side: known.next_side(target).unwrap_or(Side::Both),
        target,
        clears: None,
    }))
}

fn is_sure(known: &Known<'_>, index: usize) -> bool {
    let chance = known.belief.chance(index);
    chance >= SURE || chance <= 1.0 - SURE
}

/// Whether a level can be asked today, after what has to come first.
pub fn is_reachable(known: &Known<'_>, index: usize) -> bool {
    known.never(index).is_none()
        && known
            .first(index)
            .iter()
            .all(|(first, _)| known.never(*first).is_none() && known.next_side(*first).is_some())
}

/// What is told a minute on the way to a level, the level itself included.
fn worth(known: &Known<'_>, told: &[f64], index: usize) -> f64 {
    let mut at = known.asked.last;
    let (mut gain, mut minutes) = (0.0, 0.0);
    for (first, _) in known.first(index) {
        let sides = known.ladder.levels[first].asked_sides().len() as f64;
        gain += told[first];
        minutes += way_min(known, at, first) + sides * ask_min(known, first);
        at = Some(first);
    }
    (gain + told[index]) / (minutes + way_min(known, at, index) + ask_min(known, index))
}

fn ask_min(known: &Known<'_>, index: usize) -> f64 {
    1.0 / known.ladder.levels[index].measure.asks_a_minute()
}

/// Minutes from one ask to another: getting on, changing the gait, fetching a cow.
fn way_min(known: &Known<'_>, from: Option<usize>, to: usize) -> f64 {
    let to = &known.ladder.levels[to];
    let from = from.map(|index| &known.ladder.levels[index]);
    let (from_gait, on_ground, with) = from.map_or((Gait::Stand, true, None), |from| {
        (from.gait, from.ground, from.with)
    });
    let place = |gait: Gait| {
        Gait::ALL
            .iter()
            .position(|one| *one == gait)
            .unwrap_or_default()
    };
    let gaits = place(from_gait).abs_diff(place(to.gait)) as f64;
    let mount = if on_ground == to.ground {
        0.0
    } else {
        MOUNT_MIN
    };
    let fetch = to
        .with
        .filter(|_| to.with != with)
        .map_or(0.0, |with| f64::from(with.set_up_min()));
    mount + gaits * GAIT_MIN + fetch
}

/// What has to be asked on the way to a level; at the lope something slower to loosen.
fn towards(known: &Known<'_>, told: &[f64], target: usize) -> Option<Chosen> {
    if let Some((index, barrier)) = known.first(target).first().copied() {
        if needs_loosening(known, index) {
            return loosening(known, told, target);
        }
        return Some(Chosen {
            index,
            side: known.next_side(index)?,
            target,
            clears: Some(barrier),
        });
    }
    if needs_loosening(known, target) {
        return loosening(known, told, target);
    }
    None
}

fn needs_loosening(known: &Known<'_>, index: usize) -> bool {
    let level = &known.ladder.levels[index];
    !level.ground && level.gait >= Gait::Lope && !known.is_loose()
}

fn loosening(known: &Known<'_>, told: &[f64], target: usize) -> Option<Chosen> {
    let slower = known
        .ladder
        .levels
        .iter()
        .enumerate()
        .filter(|(index, level)| {
            !level.ground
                && level.gait > Gait::Stand
                && level.gait < Gait::Lope
                && known.never(*index).is_none()
                && known.first(*index).is_empty()
        });
    let index = slower
        .map(|(index, _)| index)
        .max_by(|a, b| told[*a].total_cmp(&told[*b]).then(b.cmp(a)))?;
    Some(Chosen {
        index,
        side: known.next_side(index)?,
        target,
        clears: Some(Barrier::NotLoose),
    })
}
