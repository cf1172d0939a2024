//! The best card: at most one work, one use and one finish, and as many reviews as the
//! room holds, each skill once, so that the worth is the greatest there is.
//!
//! # Method
//! Exact. Every pair of work and use is looked at, best first, and left as soon as
//! nothing that could be added makes it the best. Reviews all take the same minutes and
//! only exclude those of their own skill, so the best of them are taken one by one (a
//! partition matroid: Edmonds 1971, from memory).

use super::worth::{Candidate, FINISH_MIN, REVIEW_MIN, Role, Worth};
use crate::ladder::AtHand;

/// Most reviews of a card. Product default.
pub const MOST_REVIEWS: usize = 4;
/// A breather after the work, and after each work on a cow.
pub const BREATHER_MIN: u32 = 1;

/// The chosen card.
#[derive(Debug, Clone, Default, PartialEq)]
pub struct Chosen {
    /// Reviews, best first.
    pub reviews: Vec<Candidate>,
    /// The one new or limiting thing.
    pub work: Option<Candidate>,
    /// What uses it.
    pub used: Option<Candidate>,
    /// Something easy.
    pub finish: Option<Candidate>,
    /// What it is worth in all.
    pub worth: f64,
}

impl Chosen {
    /// Every level on it.
    pub fn all(&self) -> impl Iterator<Item = &Candidate> {
        self.reviews
            .iter()
            .chain(&self.work)
            .chain(&self.used)
            .chain(&self.finish)
    }

    /// Whether a level is asked, in a block or cold.
    pub fn has(&self, worth: &Worth, index: usize) -> bool {
        self.all().any(|chosen| chosen.index == index) || worth.cold.contains(&index)
    }

    /// The minutes it takes, with breathers and what has to be set up.
    pub fn minutes(&self, worth: &Worth) -> u32 {
        let blocks: u32 = self.all().map(|chosen| chosen.minutes).sum();
        blocks + extra_min(worth, self.work.as_ref(), self.used.as_ref())
    }
}

/// Breathers, and what has to be set up, once.
pub fn extra_min(worth: &Worth, work: Option<&Candidate>, used: Option<&Candidate>) -> u32 {
    let with = |chosen: Option<&Candidate>| chosen.and_then(|chosen| worth.with[chosen.index]);
    let (first, second) = (with(work), with(used));
    let mut minutes = BREATHER_MIN * u32::from(work.is_some());
    minutes += BREATHER_MIN * u32::from(second == Some(AtHand::Cattle));
    minutes += first.map_or(0, AtHand::set_up_min);
    if second != first {
        minutes += second.map_or(0, AtHand::set_up_min);
    }
    minutes
}

/// The best card that takes at most so many minutes.
pub fn best(worth: &Worth, room: u32) -> Chosen {
    let mut best = Chosen {
        worth: -1.0,
        ..Chosen::default()
    };
    let none_or = |group: &[Candidate]| -> Vec<Option<Candidate>> {
        group.iter().copied().map(Some).chain([None]).collect()
    };
    let (works, uses) = (none_or(&worth.works), none_or(&worth.uses));
    // What reviews and a finish can add at most.
    let most: f64 = worth
        .reviews
        .iter()
        .take(MOST_REVIEWS)
        .chain(worth.finishes.first())
        .map(|candidate| candidate.worth)
        .sum();
    let most_used = worth
        .uses
        .first()
        .map_or(0.0, |used| used.worth + MOST_PAIR);
    for work in &works {
        let of_work = work.map_or(0.0, |work| work.worth);
        if of_work + most_used.max(0.0) + most <= best.worth {
            continue;
        }
        for used in &uses {
            let pair = pair(worth, work.as_ref(), used.as_ref());
            let of_used = used.map_or(0.0, |used| used.worth);
            if of_work + of_used + pair + most <= best.worth {
                continue;
            }
            if let Some(found) = with_pair(worth, room, *work, *used)
                && found.worth > best.worth
            {
                best = found;
            }
        }
    }
    best.worth = best.worth.max(0.0);
    best
}

/// More than a pair can gain.
const MOST_PAIR: f64 = 4.0;

fn pair(worth: &Worth, work: Option<&Candidate>, used: Option<&Candidate>) -> f64 {
    work.zip(used)
        .map_or(0.0, |(work, used)| worth.pair(work.index, used.index))
}

/// The best card with that work and that use; none when they do not go together.
fn with_pair(
    worth: &Worth,
    room: u32,
    work: Option<Candidate>,
    used: Option<Candidate>,
) -> Option<Chosen> {
    let skill = |candidate: &Candidate| worth.skills[candidate.index];
    let taken: Vec<usize> = work.iter().chain(&used).map(skill).collect();
    if taken.len() == 2 && taken[0] == taken[1] {
        return None;
    }
    let fixed = Chosen {
        work,
        used,
        ..Chosen::default()
    };
    let left = room.checked_sub(fixed.minutes(worth))?;
    let base = work.map_or(0.0, |work| work.worth)
        + used.map_or(0.0, |used| used.worth)
        + pair(worth, work.as_ref(), used.as_ref());
    let free = |candidate: &&Candidate| !taken.contains(&skill(candidate));
    let finishes = worth
        .finishes
        .iter()
        .filter(free)
        .filter(|_| left >= FINISH_MIN);
    let fill = |finish: Option<&Candidate>| {
        let left = left - finish.map_or(0, |finish| finish.minutes);
        let most = ((left / REVIEW_MIN) as usize).min(MOST_REVIEWS);
        let mut chosen = fixed.clone();
        let mut skills = taken.clone();
        skills.extend(finish.map(skill));
        for review in &worth.reviews {
            if chosen.reviews.len() < most && !skills.contains(&skill(review)) {
                skills.push(skill(review));
                chosen.reviews.push(*review);
            }
        }
        chosen.finish = finish.copied();
        chosen.worth = base
            + finish.map_or(0.0, |finish| finish.worth)
            + chosen
                .reviews
                .iter()
                .map(|review| review.worth)
                .sum::<f64>();
        chosen
    };
    let mut best = fill(None);
    for finish in finishes {
        // Finishes come best first: a worse one gains only what it leaves to reviews.
        let found = fill(Some(finish));
        if found.worth > best.worth {
            best = found;
        }
    }
    debug_assert!(
        best.all()
            .all(|chosen| chosen.role != Role::Work || Some(*chosen) == work)
    );
    Some(best)
}
