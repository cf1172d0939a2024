//! Levels that came to be held in a month, and those that went back: by what the judge says
//! on the evening before the month and on its last evening.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::judge::{KeptIntake, Standing, State};
use crate::ladder::{Ladder, Level};

/// A level that moved.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MovedLevel {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// The day it came to be held; of one that went back, the day it was asked last.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub day: Option<Date>,
    /// It counts by the trainer's word, before its gate has passed.
    pub by_trainer: bool,
}

/// What moved on a ladder in a month.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Moved {
    /// Levels held now that were not before, in the order of the days.
    pub gained: Vec<MovedLevel>,
    /// Levels that an intake in the month showed: what the horse could when it came.
    pub shown_at_intake: u32,
    /// Levels held before that are not now.
    pub went_back: Vec<MovedLevel>,
    /// Levels held on the last day.
    pub held: u32,
    /// Levels of the ladder.
    pub levels: u32,
}

/// What moved between two evenings.
pub fn moved(
    ladder: &Ladder,
    intake: Option<&KeptIntake>,
    before: &[Standing],
    now: &[Standing],
) -> Moved {
    let told = |standing: &Standing, day: Option<Date>| {
        let level = &ladder.levels[standing.index];
        MovedLevel {
            level: level.level.clone(),
            name: level.name.clone(),
            day,
            by_trainer: standing.state == State::Overruled,
        }
    };
    let was_held = |standing: &Standing| before[standing.index].counts_as_held();
    let new = now
        .iter()
        .filter(|standing| standing.counts_as_held() && !was_held(standing));
    // Shown there, and by no gate since.
    let was_shown = |standing: &&Standing| {
        let level = &ladder.levels[standing.index].level;
        let shown = intake.is_some_and(|intake| intake.shown.iter().any(|one| one.level == *level));
        shown && standing.retention.passed_days == 0 && standing.state != State::Overruled
    };
    let (shown, came): (Vec<&Standing>, Vec<&Standing>) = new.partition(was_shown);
    let mut gained: Vec<MovedLevel> = came
        .into_iter()
        .map(|standing| told(standing, standing.retention.held_since))
        .collect();
    gained.sort_by_key(|one| one.day);
    let went_back = now
        .iter()
        .filter(|standing| !standing.counts_as_held() && was_held(standing))
        .map(|standing| told(standing, standing.last_asked))
        .collect();
    Moved {
        gained,
        shown_at_intake: shown.len() as u32,
        went_back,
        held: now.iter().filter(|one| one.counts_as_held()).count() as u32,
        levels: now.len() as u32,
    }
}
