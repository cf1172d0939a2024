//! What is seen of a cow that is not well, and what it was given. Whoever sees it sorts it off;
//! what it has, a vet decides.
//!
//! # Source
//! Runny eye or nose, lame, dull: sort off and let the vet decide; keep treatment and withdrawal
//! notes: common practice, no source. The length of a withdrawal is on the label or the vet's
//! word, never the product's.

use jiff::ToSpan;
use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{
    FieldError, NAME_LETTERS, NOTE_LETTERS, WITHDRAWAL_DAYS, check_past_day, together,
};
use crate::text::{check_optional_text, check_text};
use crate::word_enum::word_enum;

word_enum! {
    /// What is seen.
    CowSign {
        /// A runny eye.
        RunnyEye = "runny_eye",
        /// A runny nose.
        RunnyNose = "runny_nose",
        /// Lame.
        Lame = "lame",
        /// Dull, apart from the others.
        Dull = "dull",
        /// Does not come to its feed.
        OffFeed = "off_feed",
        /// Something else, said in the note.
        Other = "other",
    }
}

/// A sign that a cow is not well: it stands sorted off until the sign is cleared.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct SignSeen {
    /// What.
    pub sign: CowSign,
    /// The day it was seen.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub seen_on: Date,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
}

impl SignSeen {
    /// Checks the day and the note.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self, today: Date) -> Result<(), Vec<FieldError>> {
        let said = !self.note.trim().is_empty();
        let told = if self.sign == CowSign::Other && !said {
            Err(FieldError::new("/note", "say what was seen"))
        } else {
            check_optional_text(NOTE_LETTERS, "/note", &self.note)
        };
        together([check_past_day("/seen_on", self.seen_on, today), told])
    }
}

/// What a cow was given.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Treatment {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub given_on: Date,
    /// What.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub what: String,
    /// On whose word or by whose hand; empty where nobody said.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 80))]
    pub by: String,
    /// Days until it may be sold for meat, from the label or the vet; 0 for none.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 365))]
    pub withdrawal_days: u16,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
}

impl Treatment {
    /// Checks the texts, the day and the days of the withdrawal.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self, today: Date) -> Result<(), Vec<FieldError>> {
        together([
            check_past_day("/given_on", self.given_on, today),
            check_text(NAME_LETTERS, "/what", &self.what),
            check_optional_text(NAME_LETTERS, "/by", &self.by),
            WITHDRAWAL_DAYS
                .check("/withdrawal_days", f64::from(self.withdrawal_days))
                .map(|_| ()),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
        ])
    }

    /// The last day of its withdrawal; none where it has none.
    pub fn withdrawn_until(&self) -> Option<Date> {
        let days = i32::from(self.withdrawal_days);
        (days > 0).then(|| self.given_on.saturating_add(days.days()))
    }
}

/// The day up to which a cow is withdrawn, on a day; none when it is not.
pub fn withdrawn_until<'a>(
    given: impl IntoIterator<Item = &'a Treatment>,
    today: Date,
) -> Option<Date> {
    let until = given.into_iter().filter_map(Treatment::withdrawn_until);
    until.max().filter(|until| *until >= today)
}
