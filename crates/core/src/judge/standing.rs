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

    /// The side to be asked a little every ride: answers speak against it.
    pub fn watched(&self, level: &LadderLevel) -> Option<Side> {
        self.history.hold.watched(level.asked_sides())
    }

    /// How its days lie against the level it settled at once it was held.
    pub fn slip(&self) -> Option<Slip> {
        let days: Vec<(Date, f64)> = self
            .history
            .soft_days
            .iter()
            .map(|day| (day.day, day.share()))
            .collect();
        slip(&days, self.retention.held_since?)
    }
}
