//! What a level is worth as the one new or limiting thing of the day.

use super::at::At;
use super::candidate::{Candidate, Role, Why};
use crate::card::fit::Fits;
use crate::judge::{State, Verdict};

/// Minutes of the work, with what that makes of its worth. Product default.
pub const WORK_MIN: [(u32, f64); 4] = [(10, 1.0), (8, 0.95), (6, 0.85), (5, 0.75)];

impl At<'_> {
    pub(super) fn work(&self, fits: &Fits) -> Vec<Candidate> {
        let Some((worth, why)) = self.work_worth(fits) else {
            return Vec::new();
        };
        WORK_MIN
            .into_iter()
            .map(|(minutes, part)| self.candidate(Role::Work, worth * part, minutes, why))
            .collect()
    }

    fn work_worth(&self, fits: &Fits) -> Option<(f64, Why)> {
        let mut reasons: Vec<(f64, Why)> = Vec::new();
        let hole = self
            .horse
            .holes
            .iter()
            .position(|hole| hole.level == self.level.level);
        reasons.extend(hole.map(|rank| (9.0 - 2.0 * rank.min(4) as f64, Why::Hole(rank))));
        let eased =
            self.horse.standings.iter().find(|above| {
                above.verdict == Verdict::EaseBack && above.ease_to == Some(self.index)
            });
        reasons.extend(eased.map(|above| (9.0, Why::EasedFrom(above.index))));
        let at_intake = self.horse.file.intake.as_ref();
        let rank = at_intake.and_then(|intake| {
            intake
                .holes
                .iter()
                .position(|hole| *hole == self.level.level)
        });
        if !self.standing.counts_as_held() {
            reasons.extend(rank.map(|rank| (9.0 - 2.0 * rank.min(4) as f64, Why::IntakeHole)));
        }
        if self.brake.next == Some(self.index) {
            reasons.push((12.0, Why::Brake));
        }
        reasons.extend(self.under_way());
        reasons.sort_by(|a, b| b.0.total_cmp(&a.0));
        if reasons.is_empty() && self.planned.is_none() && !self.is_aim() {
            return None;
        }
        // Further reasons add a third of what they would be worth alone.
        let rest: f64 = reasons.iter().skip(1).map(|(worth, _)| worth / 3.0).sum();
        let (first, why) = reasons.first().copied().unwrap_or((2.0, Why::Held));
        let waiting = self
            .level
            .opens
            .iter()
            .filter(|above| !fits.has(**above))
            .count();
        let opens = (waiting as f64 / 2.0).min(3.0);
        Some(self.wanted(first + rest + opens, why))
    }

    pub(super) fn is_aim(&self) -> bool {
        self.day.aim.as_ref() == Some(&self.level.level)
    }

    fn under_way(&self) -> Option<(f64, Why)> {
        match (self.standing.verdict, self.standing.state) {
            (Verdict::EaseBack, _) => None,
            (Verdict::Confirm, _) => Some((10.0, Why::Confirm)),
            (_, State::Lost) => Some((8.0 + 2.0 * self.closeness(), Why::Lost)),
            (_, State::Working | State::Confirming) => Some((
                4.0 + 6.0 * self.closeness(),
                self.standing
                    .nearest
                    .and_then(|nearest| nearest.days)
                    .map_or(Why::Working, Why::Near),
            )),
            (_, State::Open) if self.has_just_opened() => Some((7.0, Why::JustOpened)),
            (_, State::Open) => Some((3.0, Why::Open)),
            _ => None,
        }
    }

    /// Something it needs is held by its own gate.
    fn has_just_opened(&self) -> bool {
        let mut needs = self
            .level
            .below
            .iter()
            .chain(self.level.needs.iter().flatten());
        needs.any(|need| self.horse.standings[*need].retention.passed_days > 0)
    }
}
