//! Where one level of a horse stands.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::caution::Caution;
use super::held::ease::EaseReason;
use super::held::retention::Retention;
use super::history::History;
use super::verdict::{State, Verdict};
use super::what_it_takes::Nearest;
use crate::Side;
use crate::day::days_between;
use crate::evidence::SoftCount;
use crate::evidence::slip::{Slip, slip};
use crate::ladder::LadderLevel;

/// Soft and asked of one side in the window.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SideCount {
    /// The side.
    pub side: crate::Side,
    /// Soft answers.
    pub soft: u32,
    /// Asks.
    pub asked: u32,
}

/// Days after which a level that was not asked is not under way any more. Product default.
pub const UNDER_WAY_DAYS: i64 = 28;

/// Where one level of a horse stands.
#[derive(Debug, Clone)]
pub struct Standing {
    /// Its index on the ladder.
    pub index: usize,
    /// What the judge says.
    pub verdict: Verdict,
    /// Where it stands.
    pub state: State,
    /// Soft and asked of each side in the window.
    pub sides: Vec<SideCount>,
    /// The last day it was asked.
    pub last_asked: Option<Date>,
    /// How it has kept.
    pub retention: Retention,
    /// Levels it needs that are not held; of alternatives the first.
    pub missing: Vec<usize>,
    /// Levels it needs that are held but rusty.
    pub stale: Vec<usize>,
    /// Levels it needs that are held but in doubt.
    pub doubtful: Vec<usize>,
    /// Who should look first.
    pub cautions: Vec<Caution>,
    /// Why it is sent down.
    pub eased: Option<EaseReason>,
    /// Where it goes back to: the highest held level under it.
    pub ease_to: Option<usize>,
    /// How far it is; none where nothing was asked lately or every rail passes.
    pub nearest: Option<Nearest>,
    /// Which of the horse's overrules stands on it.
    pub overruled_by: Option<usize>,
    /// The verdict without exceptional rides, where it differs.
    pub without_exceptional: Option<Verdict>,
    /// The verdict as if all riders were alike, where it differs.
    pub without_riders: Option<Verdict>,
    /// Day by day.
    pub history: History,
}

impl Standing {
    /// Whether what needs it may be opened.
    pub fn counts_as_held(&self) -> bool {
        self.history.hold.counts()
    }

    /// Whether the level is under way on a date: asked lately, and not held, in doubt, sent
    /// down, or to be looked at first. One notion for the board and the horse's page.
    pub fn is_under_way(&self, on: Date) -> bool {
        let lately = self
            .last_asked
            .is_some_and(|last| days_between(last, on) <= UNDER_WAY_DAYS);
        let speaks = !self.counts_as_held()
            || self.verdict == Verdict::CheckFirst
            || self.state == State::InDoubt;
        lately && speaks
    }

    /// The side to be asked a little every ride: answers speak against it.
    pub fn watched(&self, level: &LadderLevel) -> Option<Side> {
        self.history.hold.watched(level.asked_sides())
    }

    /// How its days lie against the level it settled at once it was held; never beside an
    /// advance.
    pub fn slip(&self) -> Option<Slip> {
        if self.verdict == Verdict::Advance {
            return None;
        }
        let days: Vec<(Date, SoftCount)> = self
            .history
            .soft_days
            .iter()
            .map(|day| (day.day, day.all_sides()))
            .collect();
        slip(&days, self.retention.held_since?)
    }
}
