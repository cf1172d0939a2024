//! What moved on the ladder in a month: gained, in doubt, lost, held again, each with its day
//! and its reason, as the history of the levels has them. Nothing is dated back.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::judge::Standing;
use crate::judge::held::change::{Because, Change, Moved as How};
use crate::judge::held_words;
use crate::ladder::{Ladder, Level};

/// A level that moved.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MovedLevel {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// The day it moved.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>, format = Date))]
    pub day: Option<Date>,
    /// It counts by the trainer's word, before its gate has passed.
    pub by_trainer: bool,
    /// Why, in a sentence; empty in reports of an earlier form.
    #[serde(default)]
    pub why: String,
}

/// What moved on a ladder in a month.
#[derive(Debug, Clone, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Moved {
    /// Levels that came to be held for the first time, in the order of the days.
    pub gained: Vec<MovedLevel>,
    /// Levels that an intake or a placing in the month showed: what the horse could when it
    /// came.
    pub shown_at_intake: u32,
    /// Levels that were lost in the month and are not held at its end.
    pub went_back: Vec<MovedLevel>,
    /// Levels that were lost once and are held again.
    #[serde(default)]
    pub regained: Vec<MovedLevel>,
    /// Levels that are held at the end of the month, but in doubt.
    #[serde(default)]
    pub in_doubt: Vec<MovedLevel>,
    /// Levels held on the last day.
    pub held: u32,
    /// Levels of the ladder.
    pub levels: u32,
}

/// What moved from one day to another, by where the levels stand on the last.
pub fn moved(ladder: &Ladder, now: &[Standing], from: Date, to: Date) -> Moved {
    let mut found = Moved {
        held: now.iter().filter(|one| one.counts_as_held()).count() as u32,
        levels: now.len() as u32,
        ..Moved::default()
    };
    for standing in now {
        let of_month = |change: &&Change| (from..=to).contains(&change.day);
        let changes = standing.history.changes.iter().filter(of_month);
        let told = |change: &Change| told(ladder, standing, change);
        let hold = &standing.history.hold;
        for change in changes.clone() {
            match change.moved {
                How::Gained if came_with(&change.because) => found.shown_at_intake += 1,
                How::Gained => found.gained.push(told(change)),
                How::Regained if hold.is_held() => found.regained.push(told(change)),
                _ => {}
            }
        }
        let latest = |how: How| changes.clone().rev().find(|change| change.moved == how);
        if let Some(lost) = latest(How::Lost).filter(|_| !hold.is_held()) {
            found.went_back.push(told(lost));
        } else if let Some(eased) = latest(How::Eased).filter(|_| hold.is_held() && !hold.counts())
        {
            found.went_back.push(told(eased));
        }
        if let Some(doubt) = latest(How::InDoubt).filter(|_| hold.in_doubt.is_some()) {
            found.in_doubt.push(told(doubt));
        }
    }
    for levels in [
        &mut found.gained,
        &mut found.regained,
        &mut found.went_back,
        &mut found.in_doubt,
    ] {
        levels.sort_by_key(|one| one.day);
    }
    found
}

/// It came with the horse: nothing that was learned here.
fn came_with(because: &Because) -> bool {
    matches!(
        because,
        Because::Intake | Because::Placed | Because::Above { .. }
    )
}

fn told(ladder: &Ladder, standing: &Standing, change: &Change) -> MovedLevel {
    let level = &ladder.levels[standing.index];
    MovedLevel {
        level: level.level.clone(),
        name: level.name.clone(),
        day: Some(change.day),
        by_trainer: change.because == Because::Word,
        why: held_words::change(change, ladder),
    }
}
