//! Overrules: the trainer has the last word. An overrule is kept with its reason
//! and author, and later shown with how it turned out ([`super::outcome`]).

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::verdict::Verdict;
use crate::bounds::{FieldError, NOTE_LETTERS};
use crate::ladder::Level;
use crate::text::check_text;

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
