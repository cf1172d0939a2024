//! The one thing to do next with a horse.

use jiff::civil::Date;

use super::brake::BrakeChain;
use super::standing::Standing;
use super::verdict::{State, Verdict};
use crate::day::days_between;
use crate::ladder::Ladder;

/// Days after which a level that was not asked is not under way any more.
const UNDER_WAY_DAYS: i64 = 21;

/// The level that the next ride is about: who should look first; then what was
/// sent down; then what was lost, and what lacks only a day or a first ask; then what is in
/// doubt, and the nearest of what is being worked on; then what has just opened; then what
/// went rusty. Nothing is asked faster than the brake allows. Of equals the one asked last,
/// then the higher one. None for a horse that has nothing open.
pub fn next_level(ladder: &Ladder, standings: &[Standing], on: Date) -> Option<usize> {
    next_level_of(ladder, standings, on, |_| true)
}

/// The same among some levels only: work on cattle, a pattern.
pub fn next_level_of(
    ladder: &Ladder,
    standings: &[Standing],
    on: Date,
    among: impl Fn(usize) -> bool,
) -> Option<usize> {
    let brake = BrakeChain::of(ladder, standings);
    standings
        .iter()
        .filter(|standing| among(standing.index) && brake.allows(ladder, standing.index))
        .filter_map(|standing| Some((urgency(ladder, standings, standing, on)?, standing)))
        .min_by(|(a, one), (b, other)| {
            a.cmp(b)
                .then(days_needed(one).cmp(&days_needed(other)))
                .then(other.last_asked.cmp(&one.last_asked))
                .then(other.index.cmp(&one.index))
        })
        .map(|(_, standing)| standing.index)
}

fn urgency(ladder: &Ladder, standings: &[Standing], standing: &Standing, on: Date) -> Option<u32> {
    let under_way = standing
        .last_asked
        .is_some_and(|day| days_between(day, on) <= UNDER_WAY_DAYS);
    match (standing.verdict, standing.state) {
        (Verdict::CheckFirst, _) if under_way => Some(0),
        (Verdict::EaseBack, _) if under_way => Some(1),
        (_, State::Closed) => None,
        // What was lost limits all that stands on it; what is in doubt may be lost next.
        (_, State::Lost) => Some(2),
        (Verdict::Confirm, _) if under_way => Some(2),
        (_, State::InDoubt | State::Retest) => Some(3),
        (Verdict::Stay, State::Working) if under_way => Some(3),
        (_, State::Open) if has_just_opened(ladder, standings, standing) => Some(4),
        (Verdict::Refresh, _) => Some(5),
        (_, State::Open | State::Working) => Some(6),
        _ => None,
    }
}

/// Something it needs is held by its own gate, not only by the trainer's word.
fn has_just_opened(ladder: &Ladder, standings: &[Standing], standing: &Standing) -> bool {
    let level = &ladder.levels[standing.index];
    let mut needs = level.below.iter().chain(level.needs.iter().flatten());
    needs
        .any(|need| standings[*need].counts_as_held() && standings[*need].retention.passed_days > 0)
}

fn days_needed(standing: &Standing) -> u32 {
    standing
        .nearest
        .and_then(|nearest| nearest.days)
        .unwrap_or(u32::MAX)
}
