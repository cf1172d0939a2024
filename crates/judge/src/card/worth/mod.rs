//! What each level that fits is worth on today's card, and as what: closeness of a
//! gate, holes, what the plan and the trainer want, what would go rusty.

mod at;
mod candidate;
mod finish;
mod review;
mod usage;
mod work;

use self::at::At;
pub use self::candidate::{Candidate, Role, Why};
pub use self::finish::FINISH_MIN;
pub use self::review::REVIEW_MIN;
pub use self::usage::USE_MIN;
pub use self::work::WORK_MIN;
use super::cold::cold;
use super::day::Day;
use super::fit::Fits;
use super::horse::Horse;
use super::limits::Limits;
use crate::ladder::AtHand;

/// Everything that could be on the card.
#[derive(Debug, Clone, Default)]
pub struct Worth {
    /// Reviews, best first; all of the same minutes.
    pub reviews: Vec<Candidate>,
    /// The one new or limiting thing, best first.
    pub works: Vec<Candidate>,
    /// What uses it, best first.
    pub uses: Vec<Candidate>,
    /// Something easy, best first.
    pub finishes: Vec<Candidate>,
    /// Levels the trainer or the plan wants.
    pub wanted: Vec<usize>,
    /// First asks before anything else: levels under judgement, nearest first.
    pub cold: Vec<usize>,
    /// What a use is worth more after the work: by the index of both.
    pairs: Vec<(usize, usize, f64)>,
    /// Which skill each level belongs to, so that none is asked twice.
    pub(super) skills: Vec<usize>,
    /// What has to be set up for a level.
    pub(super) with: Vec<Option<AtHand>>,
}

/// What a use gains when it stands on the work. Product default.
const STANDS_ON: f64 = 3.0;
/// What a use gains when it is of the same track as the work. Product default.
const SAME_TRACK: f64 = 1.0;

/// Weighs every level that fits.
pub fn worth(horse: Horse<'_>, day: &Day, limits: &Limits, fits: &Fits) -> Worth {
    let mut worth = Worth {
        wanted: wanted(horse, day, fits),
        cold: cold(horse, limits, fits),
        skills: skills(horse),
        with: horse.ladder.levels.iter().map(|level| level.with).collect(),
        ..Worth::default()
    };
    for index in &fits.fit {
        let at = At::of(horse, day, limits, *index);
        worth.works.extend(at.work(fits));
        worth.reviews.extend(at.review(limits));
        worth.uses.extend(at.usage());
        worth.finishes.extend(at.finish(limits));
    }
    for group in [
        &mut worth.works,
        &mut worth.reviews,
        &mut worth.uses,
        &mut worth.finishes,
    ] {
        // Among equals the lower level, then the longer block.
        group.sort_by(|a, b| {
            b.worth
                .total_cmp(&a.worth)
                .then(a.index.cmp(&b.index))
                .then(b.minutes.cmp(&a.minutes))
        });
    }
    worth.pairs = pairs(horse, &worth);
    worth
}

impl Worth {
    /// What a use gains after that work.
    pub fn pair(&self, work: usize, used: usize) -> f64 {
        let found = self
            .pairs
            .binary_search_by_key(&(work, used), |pair| (pair.0, pair.1));
        found.map_or(0.0, |at| self.pairs[at].2)
    }
}

fn pairs(horse: Horse<'_>, worth: &Worth) -> Vec<(usize, usize, f64)> {
    let mut works: Vec<usize> = worth.works.iter().map(|work| work.index).collect();
    works.sort_unstable();
    works.dedup();
    let mut pairs = Vec::new();
    for used in &worth.uses {
        let under = horse.ladder.under(used.index);
        for work in &works {
            let stands_on = if under.binary_search(work).is_ok() {
                STANDS_ON
            } else {
                0.0
            };
            let levels = &horse.ladder.levels;
            let same = if levels[*work].track == levels[used.index].track {
                SAME_TRACK
            } else {
                0.0
            };
            if stands_on + same > 0.0 {
                pairs.push((*work, used.index, stands_on + same));
            }
        }
    }
    pairs.sort_by_key(|pair| (pair.0, pair.1));
    pairs
}

/// What the trainer put on the card, and what the week's plan names, as far as it fits.
fn wanted(horse: Horse<'_>, day: &Day, fits: &Fits) -> Vec<usize> {
    let named = day.planned.iter().map(|block| &block.level).chain(&day.aim);
    let mut wanted: Vec<usize> = Vec::new();
    for index in named.filter_map(|level| horse.ladder.position(level)) {
        if fits.has(index) && !wanted.contains(&index) {
            wanted.push(index);
        }
    }
    wanted
}

/// A number for the skill of each level.
fn skills(horse: Horse<'_>) -> Vec<usize> {
    let ids: Vec<_> = horse.ladder.skills().map(|skill| &skill.id).collect();
    horse
        .ladder
        .levels
        .iter()
        .map(|level| {
            ids.iter()
                .position(|id| **id == level.level.skill)
                .unwrap_or(ids.len())
        })
        .collect()
}
