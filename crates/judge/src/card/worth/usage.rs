//! What a level is worth as a use of the work: a pattern, a cow, an obstacle, a line.

use super::at::At;
use super::candidate::{Candidate, Role, Why};
use crate::judge::{State, Verdict};
use crate::rep::MeasureKind;

/// Minutes of a use. Product default.
pub const USE_MIN: u32 = 8;
/// What fetching cattle or barrels takes off. Product default.
const SET_UP: f64 = 1.0;

impl At<'_> {
    pub(super) fn usage(&self) -> Option<Candidate> {
        let is_use = self.level.with.is_some()
            || matches!(
                self.level.measure,
                MeasureKind::Roll
                    | MeasureKind::Turn
                    | MeasureKind::Run
                    | MeasureKind::Obstacle
                    | MeasureKind::Carry
                    | MeasureKind::Depart
            );
        if !is_use || self.is_new() || self.standing.verdict == Verdict::EaseBack {
            return None;
        }
        let (worth, why) = match self.standing.state {
            State::Working | State::Confirming => (3.0 + 3.0 * self.closeness(), Why::Working),
            State::Lost => (3.0 + 3.0 * self.closeness(), Why::Lost),
            State::ShownAtIntake | State::Placed => (4.0, Why::ShownAtIntake),
            State::Rusty => (
                5.0,
                Why::Rusty(self.standing.retention.idle_days.unwrap_or_default()),
            ),
            _ => (3.0 + self.stood(), Why::Held),
        };
        let set_up = if self.level.with.is_some() {
            SET_UP
        } else {
            0.0
        };
        let (worth, why) = self.wanted(worth - set_up, why);
        Some(self.candidate(Role::Use, worth, USE_MIN, why))
    }
}
