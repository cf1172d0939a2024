//! Overrules: the trainer has the last word. An overrule is kept with its reason
//! and author, and later shown with how it turned out.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::history::DayVerdict;
use super::verdict::Verdict;
use crate::bounds::{FieldError, NOTE_LETTERS};
use crate::day::days_between;
use crate::ladder::Level;
use crate::text::check_text;

/// Days within which a decision shows how it turned out. Product default.
pub const TELLS_WITHIN_DAYS: i64 = 30;
/// Days asked afterwards that are enough to say that it held. Product default.
pub const TELLS_AFTER_DAYS_ASKED: usize = 3;

/// A decision of a trainer about a level.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Overrule {
    /// Its id, made on the device.
    pub overrule_id: Uuid,
    /// The level.
    pub level: Level,
    /// The day it was made.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// What the judge had said.
    pub judge_said: Verdict,
    /// What counts instead: `advance` lets the level count as held, anything else
    /// keeps it from counting.
    pub counts_as: Verdict,
    /// Why.
    pub reason: String,
}

impl Overrule {
    /// Whether it lets the level count as held.
    pub fn lets_count(&self) -> bool {
        self.counts_as == Verdict::Advance
    }

    /// Checks that it says something.
    ///
    /// # Errors
    /// No reason, or a very long one; the same verdict as the judge's.
    pub fn check(&self) -> Result<(), FieldError> {
        check_text(NOTE_LETTERS, "/reason", &self.reason)?;
        if self.counts_as == self.judge_said {
            return Err(FieldError::new(
                "/counts_as",
                format!(
                    "must differ from what Cavesson said ({}); there is nothing to override",
                    self.judge_said.word()
                ),
            ));
        }
        Ok(())
    }
}

/// How a decision turned out.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Outcome {
    /// It held: asked on enough later days and never sent down.
    Held,
    /// It was sent down, or somebody had to look, within thirty days.
    WentBack,
    /// Too early to say, or asked on too few of the thirty days to ever say.
    TooEarly,
}

/// How letting a level count from `day` turned out by `on`: what the judge said
/// on the days it was asked afterwards, at that level.
pub fn outcome(day: Date, days: &[DayVerdict], on: Date) -> Outcome {
    let after: Vec<&DayVerdict> = days
        .iter()
        .filter(|asked| asked.day > day && asked.day <= on)
        .filter(|asked| days_between(day, asked.day) <= TELLS_WITHIN_DAYS)
        .collect();
    let went_back =
        |asked: &&DayVerdict| matches!(asked.verdict, Verdict::EaseBack | Verdict::CheckFirst);
    if after.iter().any(went_back) {
        Outcome::WentBack
    } else if after.len() >= TELLS_AFTER_DAYS_ASKED {
        Outcome::Held
    } else {
        Outcome::TooEarly
    }
}
