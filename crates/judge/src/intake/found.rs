//! What the intake found: levels it shows, levels that are not there yet, the holes
//! between them, and what is still unknown.

use serde::{Deserialize, Serialize};

use super::choice::SURE;
use super::model::{met, needs_of};
use super::safe::Known;
use super::unknown::unknown;
use super::words;
use crate::horse::Sex;
use crate::ladder::{Ladder, Level};

/// Holes named at once.
const MOST_HOLES: usize = 4;

/// What was found of one level.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeFinding))]
#[serde(rename_all = "snake_case")]
pub enum Finding {
    /// Surely held.
    Shown,
    /// Surely not held.
    NotYet,
    /// Neither is sure.
    Unknown,
}

/// One level after an intake.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeLevel))]
pub struct FoundLevel {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// Its track.
    pub track: String,
    /// The chance that it is held.
    pub chance: f64,
    /// What was found.
    pub finding: Finding,
    /// Asks of it that were answered.
    pub asked: u32,
    /// Of those soft.
    pub soft: u32,
    /// Why it is unknown; empty otherwise.
    pub unknown: String,
}

/// A level that is missing under what the horse does.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeHole))]
pub struct IntakeHole {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// What the horse shows although this is missing, and what waits for it.
    pub text: String,
}

/// What an intake found.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeFound))]
pub struct Found {
    /// Every level, in the order of the work.
    pub levels: Vec<FoundLevel>,
    /// Missing under what it does, the one that most waits for first.
    pub holes: Vec<IntakeHole>,
}

/// What is found by now.
pub fn found(known: &Known<'_>, sex: Option<Sex>) -> Found {
    let ladder = known.ladder;
    let findings: Vec<Finding> = (0..ladder.levels.len())
        .map(|index| finding(known.belief.chance(index)))
        .collect();
    let levels = ladder
        .levels
        .iter()
        .enumerate()
        .map(|(index, level)| FoundLevel {
            level: level.level.clone(),
            name: level.name.clone(),
            track: ladder.tracks[level.track].id.clone(),
            chance: known.belief.chance(index),
            finding: findings[index],
            asked: known.asked.all[index].asked,
            soft: known.asked.all[index].soft,
            unknown: if findings[index] == Finding::Unknown {
                words::unknown(known, unknown(known, index), sex)
            } else {
                String::new()
            },
        });
    Found {
        levels: levels.collect(),
        holes: holes(ladder, &findings, sex),
    }
}

fn finding(chance: f64) -> Finding {
    if chance >= SURE {
        Finding::Shown
    } else if chance <= 1.0 - SURE {
        Finding::NotYet
    } else {
        Finding::Unknown
    }
}

/// Levels that are not there although what they need is, and the horse shows something
/// that is as far up the work.
fn holes(ladder: &Ladder, findings: &[Finding], sex: Option<Sex>) -> Vec<IntakeHole> {
    let shown: Vec<bool> = findings
        .iter()
        .map(|finding| *finding == Finding::Shown)
        .collect();
    let mut found: Vec<(usize, usize, usize)> = Vec::new();
    for (index, level) in ladder.levels.iter().enumerate() {
        if findings[index] != Finding::NotYet || !met(&needs_of(level), &shown) {
            continue;
        }
        let past = (index + 1..ladder.levels.len())
            .rev()
            .find(|above| shown[*above] && ladder.levels[*above].gait >= level.gait);
        if let Some(past) = past {
            let waits = (0..ladder.levels.len())
                .filter(|above| ladder.under(*above).binary_search(&index).is_ok())
                .count();
            found.push((waits, index, past));
        }
    }
    found.sort_by(|a, b| b.0.cmp(&a.0).then(a.1.cmp(&b.1)));
    found.truncate(MOST_HOLES);
    let hole = |(waits, index, past): (usize, usize, usize)| IntakeHole {
        level: ladder.levels[index].level.clone(),
        name: ladder.levels[index].name.clone(),
        text: words::hole(&ladder.levels[past].name, waits, sex),
    };
    found.into_iter().map(hole).collect()
}
