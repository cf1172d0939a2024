//! What a horse is meant for, and by when: a show, a sale, the day it goes home.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, GOAL_LEVELS, GOALS, NAME_LETTERS, check_planned_day};
use crate::ladder::check::find_level;
use crate::ladder::{Ladder, Level};
use crate::text::check_text;

/// What kind of goal.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum GoalKind {
    /// A show or a run.
    Show,
    /// A sale.
    Sale,
    /// The day it goes home.
    GoHome,
    /// Anything else, as its name says.
    Other,
}

impl GoalKind {
    /// All of them.
    pub const ALL: [GoalKind; 4] = [
        GoalKind::Show,
        GoalKind::Sale,
        GoalKind::GoHome,
        GoalKind::Other,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            GoalKind::Show => "show",
            GoalKind::Sale => "sale",
            GoalKind::GoHome => "go_home",
            GoalKind::Other => "other",
        }
    }

    /// The kind of that word, if there is one.
    pub fn from_word(word: &str) -> Option<GoalKind> {
        GoalKind::ALL.into_iter().find(|kind| kind.word() == word)
    }
}

/// One goal of a horse.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Goal {
    /// What kind.
    pub kind: GoalKind,
    /// In your words.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// By which day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Levels the horse is to hold by then; none while only the date is known.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 60))]
    pub levels: Vec<Level>,
}

/// Checks the goals of a horse. Days that have passed stay with `kept`, the goals it
/// has already; a new one lies ahead. Its levels are on the horse's ladder, or were its
/// levels already.
///
/// # Errors
/// Every field that does not fit, with what is allowed.
pub fn check_goals(
    goals: &[Goal],
    kept: &[Goal],
    ladder: &Ladder,
    today: Date,
) -> Result<(), Vec<FieldError>> {
    let mut errors: Vec<FieldError> = Vec::new();
    errors.extend(GOALS.check_count("", goals.len()).err());
    for (index, goal) in goals.iter().enumerate() {
        errors.extend(check_text(NAME_LETTERS, &format!("/{index}/name"), &goal.name).err());
        if !kept.iter().any(|old| old.day == goal.day) {
            errors.extend(check_planned_day(&format!("/{index}/day"), goal.day, today).err());
        }
        let at = format!("/{index}/levels");
        let known = kept.iter().flat_map(|old| &old.levels).collect::<Vec<_>>();
        errors.extend(check_levels(&at, &goal.levels, &known, ladder).err());
    }
    if errors.is_empty() {
        Ok(())
    } else {
        Err(errors)
    }
}

/// Checks levels that are to be held: each once, on the ladder or among `known`.
///
/// # Errors
/// The first that does not fit, with what is allowed.
pub fn check_levels(
    at: &str,
    levels: &[Level],
    known: &[&Level],
    ladder: &Ladder,
) -> Result<(), FieldError> {
    GOAL_LEVELS.check_count(at, levels.len())?;
    for (number, level) in levels.iter().enumerate() {
        let at = format!("{at}/{number}");
        if levels[..number].contains(level) {
            return Err(FieldError::new(at, "is named before; name each level once"));
        }
        if !known.contains(&level) {
            find_level(level, ladder).map_err(|error| error.under(&at))?;
        }
    }
    Ok(())
}
