//! What a level is worth as something easy to finish on.

use super::at::At;
use super::candidate::{Candidate, Role, Why};
use crate::Gait;
use crate::card::limits::Limits;
use crate::rep::MeasureKind;

/// Minutes of the finish. Product default.
pub const FINISH_MIN: u32 = 3;

impl At<'_> {
    pub(super) fn finish(&self, limits: &Limits) -> Option<Candidate> {
        let slow = self.level.gait <= Gait::Jog;
        let held = self.standing.counts_as_held();
        let rusty = self.standing.retention.is_rusty();
        let counted = matches!(self.level.measure, MeasureKind::Count | MeasureKind::Run);
        if !slow
            || !held
            || counted
            || self.level.with.is_some()
            || self.level.ground != limits.in_hand
        {
            return None;
        }
        let standing_still = if self.level.gait <= Gait::Walk {
            0.5
        } else {
            0.0
        };
        // Rusty is better than nothing to end on.
        let surely = if rusty { 0.5 } else { 1.0 };
        let worth = (2.0 * self.ready() + standing_still) * surely;
        Some(self.candidate(Role::Finish, worth, FINISH_MIN, Why::Held))
    }
}
