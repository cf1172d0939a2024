//! A lot of cattle by name, kind and head, and what each of it may be used for on a day.
//!
//! # Source
//! That cattle are worked for so many works and minutes a day at the most: common practice, no
//! source. Two works, 12 minutes: product defaults.

use serde::{Deserialize, Serialize};

use crate::bounds::{
    COW_MINUTES_A_DAY, FieldError, HEAD, NAME_LETTERS, NOTE_LETTERS, WORKS_A_DAY, together,
};
use crate::text::{check_optional_text, check_text};
use crate::word_enum::word_enum;

word_enum! {
    /// What kind of cattle.
    CattleKind {
        /// Heifers.
        Heifers = "heifers",
        /// Steers.
        Steers = "steers",
        /// Cows.
        Cows = "cows",
        /// Some of each.
        Mixed = "mixed",
    }
}

/// What is written down of a lot.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CattleLotSheet {
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// What they are.
    pub kind: CattleKind,
    /// How many.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 2000))]
    pub head: u16,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
    /// Works of one cow a day at the most.
    #[serde(default = "two")]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 6))]
    pub works_a_day: u8,
    /// Minutes of one cow a day at the most.
    #[serde(default = "twelve")]
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 60))]
    pub minutes_a_day: u8,
}

fn two() -> u8 {
    2
}

fn twelve() -> u8 {
    12
}

impl CattleLotSheet {
    /// Checks the texts and the number.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), Vec<FieldError>> {
        together([
            check_text(NAME_LETTERS, "/name", &self.name),
            HEAD.check("/head", f64::from(self.head)).map(|_| ()),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
            WORKS_A_DAY
                .check("/works_a_day", f64::from(self.works_a_day))
                .map(|_| ()),
            COW_MINUTES_A_DAY
                .check("/minutes_a_day", f64::from(self.minutes_a_day))
                .map(|_| ()),
        ])
    }
}
