//! Holes: the missing piece under the faults. A fault shows in one place, its
//! cause is often elsewhere and lower.
//!
//! # Formula
//! For each fault seen in the last [`LOOK_BACK_DAYS`] days: rate, the share of
//! the asks it could have shown in, each weighted by how recent it is (half as
//! much every [`HALF_LIFE_DAYS`] days), drawn towards nothing by two asks. A
//! fault points to the levels its row names, and with [`STEP_DOWN`] a step to
//! what those need. A level's score is the sum of the rates that point to it,
//! times how weak it is (one less the readiness of its weaker side; of a level that was
//! never asked [`HELD_WEAKNESS`] where it counts as held, else [`UNKNOWN_WEAKNESS`]),
//! times a bonus for each further fault it would explain. Of two that explain
//! the same faults about as well, the lower comes first.
//!
//! Source: which fault points where is common practice of the trade, no source;
//! the figures are product defaults.

use std::collections::BTreeMap;

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::horse_file::HorseFile;
use super::standing::Standing;
use crate::Side;
use crate::day::days_between;
use crate::ladder::{Fault, FaultId, Ladder, Level};

/// Days looked back.
pub const LOOK_BACK_DAYS: i64 = 28;
/// Days after which a fault counts half.
pub const HALF_LIFE_DAYS: f64 = 10.0;
/// What a step down to a need leaves of the suspicion.
pub const STEP_DOWN: f64 = 0.6;
/// Steps gone down.
const MOST_STEPS: usize = 3;
/// How weak a level is taken to be that was never asked here and counts as held.
const HELD_WEAKNESS: f64 = 0.3;
/// How weak a level is taken to be of which nothing is known.
const UNKNOWN_WEAKNESS: f64 = 0.6;
/// How much each further fault that it explains adds.
const FURTHER_FAULT: f64 = 0.25;
/// Holes named at once.
const MOST_HOLES: usize = 5;

/// A hole, with what points to it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FoundHole {
    /// The level to look at.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// How strongly the faults point there; only good for ranking.
    pub score: f64,
    /// Readiness of the level now; none when it was never asked.
    pub ready: Option<f64>,
    /// The faults that point to it, strongest first.
    pub evidence: Vec<FaultEvidence>,
    /// What to rule out first.
    pub rule_out: Vec<String>,
    /// What mends it: a block for each fault it explains by itself.
    pub remedies: Vec<Remedy>,
}

/// How often and when a fault came.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FaultEvidence {
    /// The fault.
    pub fault: FaultId,
    /// What the chip says.
    pub name: String,
    /// How often it came.
    pub times: u32,
    /// Asks it could have come in.
    pub chances: u32,
    /// The side it came on, when it was one side only.
    pub side: Option<Side>,
    /// The days it came, latest first.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<String>))]
    pub days: Vec<Date>,
    /// The levels it came in.
    pub levels: Vec<Level>,
    /// The latest reps it came in.
    pub reps: Vec<Uuid>,
}

/// A block for the next rides.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Remedy {
    /// The fault it mends.
    pub fault: FaultId,
    /// The level to ask: the hole itself, or the highest held level under it.
    pub level: Level,
    /// What that level is called.
    pub name: String,
    /// The side to ask more, when the fault was one-sided.
    pub side: Option<Side>,
    /// What to do.
    pub text: String,
}

/// Which of the faults seen point to a level, and how strongly.
type PointedBy = Vec<(usize, f64)>;

struct Seen {
    evidence: FaultEvidence,
    rate: f64,
    at: Vec<usize>,
}

/// Finds the holes under the faults of a horse, strongest first.
pub fn holes(
    ladder: &Ladder,
    file: &HorseFile,
    standings: &[Standing],
    on: Date,
) -> Vec<FoundHole> {
    let seen: Vec<(usize, Seen)> = (0..ladder.faults.len())
        .filter_map(|fault| Some((fault, seen(ladder, file, fault, on)?)))
        .collect();
    let mut pointed: BTreeMap<usize, PointedBy> = BTreeMap::new();
    for (index, (fault, seen)) in seen.iter().enumerate() {
        for (level, share) in suspects(ladder, &ladder.faults[*fault], &seen.at) {
            pointed
                .entry(level)
                .or_default()
                .push((index, share * seen.rate));
        }
    }
    let mut ranked: Vec<(usize, f64, PointedBy)> = pointed
        .into_iter()
        .map(|(level, by)| {
            let sum: f64 = by.iter().map(|(_, weight)| weight).sum();
            let further = FURTHER_FAULT * (by.len() as f64 - 1.0);
            (
                level,
                sum * weakness(&standings[level], ladder) * (1.0 + further),
                by,
            )
        })
        .filter(|(_, score, _)| *score > 0.0)
        .collect();
    // Levels stand needs first, so among equals the lower comes first.
    ranked.sort_by(|a, b| rank(b.1).cmp(&rank(a.1)).then(a.0.cmp(&b.0)));
    ranked
        .into_iter()
        .take(MOST_HOLES)
        .map(|(level, score, by)| found(ladder, standings, &seen, level, score, by))
        .collect()
}

/// Every fault of the last [`LOOK_BACK_DAYS`] days with how often it came, the one
/// that comes most for its chances and lately first.
pub fn faults_seen(ladder: &Ladder, file: &HorseFile, on: Date) -> Vec<FaultEvidence> {
    let mut found: Vec<Seen> = (0..ladder.faults.len())
        .filter_map(|fault| seen(ladder, file, fault, on))
        .collect();
    found.sort_by(|a, b| b.rate.total_cmp(&a.rate));
    found.into_iter().map(|seen| seen.evidence).collect()
}

/// Scores within a twentieth are as good as equal.
fn rank(score: f64) -> i64 {
    (score.ln() / 1.05f64.ln()).round() as i64
}

/// How often a fault came of how often it could have.
fn seen(ladder: &Ladder, file: &HorseFile, fault: usize, on: Date) -> Option<Seen> {
    let oldest = on.saturating_sub(LOOK_BACK_DAYS.days());
    let row = &ladder.faults[fault];
    let (mut weighted, mut weights) = (0.0, 0.0);
    let (mut times, mut chances) = (0, 0);
    let mut hits: Vec<(Date, Uuid, Side)> = Vec::new();
    let mut at = Vec::new();
    for (index, asks) in file.asks.iter().enumerate() {
        let level = &ladder.levels[index];
        let track = &ladder.tracks[level.track].id;
        let start = asks.partition_point(|ask| ask.day <= oldest);
        let end = asks.partition_point(|ask| ask.day <= on);
        let lately = &asks[start..end];
        // Where it came once it could have come each time.
        let could = row.shows_in(track, &level.level.skill, level.measure, level.sides)
            || lately.iter().any(|ask| ask.faults.has(fault));
        if !could {
            continue;
        }
        for ask in lately {
            let has = ask.faults.has(fault);
            let weight = 0.5f64.powf(days_between(ask.day, on) as f64 / HALF_LIFE_DAYS);
            chances += 1;
            weights += weight;
            if has {
                times += 1;
                weighted += weight;
                hits.push((ask.day, ask.rep_id, ask.side));
                if !at.contains(&index) {
                    at.push(index);
                }
            }
        }
    }
    if times == 0 {
        return None;
    }
    hits.sort_unstable_by(|a, b| b.cmp(a));
    let mut days: Vec<Date> = hits.iter().map(|hit| hit.0).collect();
    days.dedup();
    let one_side = hits[0].2;
    Some(Seen {
        rate: weighted / (weights + 2.0),
        evidence: FaultEvidence {
            fault: row.id.clone(),
            name: row.name.clone(),
            times,
            chances,
            side: (one_side != Side::Both && hits.iter().all(|hit| hit.2 == one_side))
                .then_some(one_side),
            days,
            levels: at
                .iter()
                .map(|index| ladder.levels[*index].level.clone())
                .collect(),
            reps: hits.iter().take(20).map(|hit| hit.1).collect(),
        },
        at,
    })
}

/// The levels a fault points to when it is seen at `at`, with how strongly.
fn suspects(ladder: &Ladder, fault: &Fault, at: &[usize]) -> BTreeMap<usize, f64> {
    let mut suspects = BTreeMap::new();
    for seen_at in at {
        for hole in &fault.holes {
            if let Some(level) = ladder.hole(&hole.0, *seen_at) {
                go_down(ladder, level, 1.0, MOST_STEPS, &mut suspects);
            }
        }
    }
    suspects
}

fn go_down(
    ladder: &Ladder,
    level: usize,
    share: f64,
    steps: usize,
    into: &mut BTreeMap<usize, f64>,
) {
    let known = into.entry(level).or_insert(0.0);
    if *known >= share {
        return;
    }
    *known = share;
    if steps == 0 {
        return;
    }
    let at = &ladder.levels[level];
    for need in at.below.iter().chain(at.needs.iter().flatten()) {
        go_down(ladder, *need, share * STEP_DOWN, steps - 1, into);
    }
}

fn weakness(standing: &Standing, ladder: &Ladder) -> f64 {
    let sides = ladder.levels[standing.index].asked_sides();
    if standing.history.soft_days.is_empty() {
        return if standing.counts_as_held() {
            HELD_WEAKNESS
        } else {
            UNKNOWN_WEAKNESS
        };
    }
    let weakest = sides
        .iter()
        .map(|side| standing.history.readiness.now(*side))
        .fold(1.0, f64::min);
    1.0 - weakest
}

fn found(
    ladder: &Ladder,
    standings: &[Standing],
    seen: &[(usize, Seen)],
    level: usize,
    score: f64,
    mut by: PointedBy,
) -> FoundHole {
    by.sort_by(|a, b| b.1.total_cmp(&a.1));
    let at = &ladder.levels[level];
    let standing = &standings[level];
    let mut rule_out: Vec<String> = Vec::new();
    let mut remedies = Vec::new();
    for (index, _) in &by {
        let (fault, seen) = &seen[*index];
        let row = &ladder.faults[*fault];
        for first in &row.rule_out {
            if !rule_out.contains(first) {
                rule_out.push(first.clone());
            }
        }
        remedies.push(Remedy {
            fault: row.id.clone(),
            level: at.level.clone(),
            name: at.name.clone(),
            side: seen.evidence.side,
            text: row.remedy.clone(),
        });
    }
    FoundHole {
        level: at.level.clone(),
        name: at.name.clone(),
        score,
        ready: (!standing.history.soft_days.is_empty()).then(|| {
            at.asked_sides()
                .iter()
                .map(|side| standing.history.readiness.now(*side))
                .fold(1.0, f64::min)
        }),
        evidence: by
            .iter()
            .map(|(index, _)| seen[*index].1.evidence.clone())
            .collect(),
        rule_out,
        remedies,
    }
}
