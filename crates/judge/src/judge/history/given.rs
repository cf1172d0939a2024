//! Everything that a level's days are walked with.

use std::collections::HashSet;

use uuid::Uuid;

use super::told::Walked;
use crate::evidence::Ask;
use crate::judge::by_day::days::{Days, Shown};
use crate::judge::by_day::timeline::Timeline;
use crate::judge::caution::DayCautions;
use crate::judge::held::saying::Said;
use crate::judge::held::soft_day::SoftDay;
use crate::judge::horse_file::HorseFile;
use crate::ladder::Ladder;

/// Everything that a level's days are walked with.
pub struct LevelWalk<'a> {
    /// The ladder.
    pub ladder: &'a Ladder,
    /// The level's index on it.
    pub index: usize,
    /// What is known of the horse.
    pub file: &'a HorseFile,
    /// The level's asks until the date, in order.
    pub asks: &'a [Ask],
    /// The days on which anything happened.
    pub days: &'a Days,
    /// What was said of the level.
    pub said: &'a [Said],
    /// How the levels before it on the ladder stood.
    pub before: &'a [Timeline],
    /// Soft and asked of each level, day by day.
    pub soft_days: &'a [Vec<SoftDay>],
    /// On which days levels were shown soft.
    pub shown: &'a Shown<'a>,
    /// Who should look first, by day.
    pub cautions: &'a DayCautions<'a>,
    /// Rides that say little of the horse.
    pub exceptional: &'a HashSet<Uuid>,
    /// The same level as it was walked before.
    pub walked: Option<Walked<'a>>,
}
