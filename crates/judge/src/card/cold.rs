//! First asks before anything else: what is under judgement, and what an intake showed.

use super::fit::Fits;
use super::horse::Horse;
use super::limits::Limits;
use crate::judge::{State, Verdict};
use crate::rep::MeasureKind;

/// Most levels asked cold. Product default.
const MOST_COLD: usize = 4;

/// Levels under judgement that can be asked before the horse is warm, nearest first.
pub fn cold(horse: Horse<'_>, limits: &Limits, fits: &Fits) -> Vec<usize> {
    let mut cold: Vec<usize> = fits
        .fit
        .iter()
        .copied()
        .filter(|index| {
            let level = &horse.ladder.levels[*index];
            let state = horse.standings[*index].state;
            matches!(
                state,
                State::Working
                    | State::Confirming
                    | State::Rusty
                    | State::ShownAtIntake
                    | State::Placed
                    | State::Retest
                    | State::Eased
                    | State::InDoubt
                    | State::Lost
            ) && horse.standings[*index].verdict != Verdict::EaseBack
                && level.gait <= crate::Gait::Walk
                && level.with.is_none()
                && level.ground == limits.in_hand
                && !matches!(level.measure, MeasureKind::Count | MeasureKind::Calm)
        })
        .collect();
    cold.sort_by_key(|index| {
        let nearest = horse.standings[*index].nearest;
        let days = nearest.and_then(|nearest| nearest.days).unwrap_or(u32::MAX);
        // What an intake showed comes cheapest first: the most asks a minute.
        let measure = horse.ladder.levels[*index].measure;
        (days, (60.0 / measure.asks_a_minute()) as u32)
    });
    cold.truncate(MOST_COLD);
    cold
}
