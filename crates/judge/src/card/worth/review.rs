//! What a level is worth as something known, asked again.

use super::at::At;
use super::candidate::{Candidate, Role, Why};
use crate::card::limits::Limits;
use crate::card::traits::points_of;
use crate::judge::{State, Verdict};

/// Minutes of a review. Product default.
pub const REVIEW_MIN: u32 = 4;
/// Which part of its days to rusty a held level has to have stood before it is due.
const DUE: f64 = 0.7;

impl At<'_> {
    pub(super) fn review(&self, limits: &Limits) -> Option<Candidate> {
        if self.is_new() || self.level.with.is_some() || self.standing.verdict == Verdict::EaseBack
        {
            return None;
        }
        // Held work in hand of a horse that is ridden needs no review.
        let in_hand = self.level.ground && !limits.in_hand;
        if in_hand && self.standing.counts_as_held() && self.planned.is_none() && !self.is_aim() {
            return None;
        }
        let kept = &self.standing.retention;
        let idle = kept.idle_days.unwrap_or_default();
        let watched = self.standing.watched(self.level).map(Why::Watched);
        let (worth, why) = match (self.standing.verdict, self.standing.state) {
            (_, State::InDoubt) => (8.0, watched.unwrap_or(Why::Held)),
            (_, State::Retest | State::Eased) => (6.0, Why::Retest),
            (_, State::Lost) => (5.0 + 3.0 * self.closeness(), Why::Lost),
            // Asked a little every ride, before what is only under way.
            (_, State::Held | State::Rusty | State::Overruled) if watched.is_some() => {
                (7.0, watched.unwrap_or(Why::Held))
            }
            (Verdict::Confirm, _) => (6.0, Why::Confirm),
            (_, State::Working | State::Confirming) => (
                2.0 + 3.0 * self.closeness(),
                self.standing
                    .nearest
                    .and_then(|nearest| nearest.days)
                    .map_or(Why::Working, Why::Near),
            ),
            (_, State::ShownAtIntake | State::Placed) => (4.0 + self.stood(), Why::ShownAtIntake),
            _ if kept.is_rusty() => (5.0, Why::Rusty(idle)),
            _ if self.stood() >= DUE => (3.0 * self.stood(), Why::Due(idle)),
            _ => (0.3 + self.stood(), Why::Held),
        };
        let by_traits = points_of(&self.day.traits, &self.level.level.skill);
        let (worth, why) = self.wanted(worth + by_traits, why);
        Some(self.candidate(Role::Review, worth.max(0.0), REVIEW_MIN, why))
    }
}
