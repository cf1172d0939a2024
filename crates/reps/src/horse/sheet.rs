//! What a barn writes down of a horse.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{AGE_YEARS, FieldError, NAME_LETTERS, NOTE_LETTERS, WORD_LETTERS, together};
use crate::sex::Sex;
use crate::text::{check_optional_text, check_text};

/// A horse's sheet.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct HorseSheet {
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// Mare, gelding or stallion.
    pub sex: Sex,
    /// The year it was foaled.
    #[cfg_attr(feature = "schema", schema(minimum = 1980, maximum = 2100))]
    pub foaled: i16,
    /// Coat.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 40))]
    pub color: String,
    /// White, brands, scars: what tells it apart.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub markings: String,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
    /// Its owner, when that person signs in here.
    #[serde(default)]
    pub owner_id: Option<Uuid>,
    /// Its program; null for the standard ladder.
    #[serde(default)]
    pub program_id: Option<Uuid>,
}

impl HorseSheet {
    /// Checks every field; `year` is this year.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self, year: i16) -> Result<(), Vec<FieldError>> {
        together([
            check_text(NAME_LETTERS, "/name", &self.name),
            check_foaled("/foaled", self.foaled, year),
            check_text(WORD_LETTERS, "/color", &self.color),
            check_optional_text(NOTE_LETTERS, "/markings", &self.markings),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
        ])
    }

    /// The same without white space at the ends of its texts.
    pub fn trimmed(mut self) -> HorseSheet {
        for text in [
            &mut self.name,
            &mut self.color,
            &mut self.markings,
            &mut self.note,
        ] {
            *text = text.trim().to_owned();
        }
        self
    }
}

/// Checks the year a horse was foaled.
///
/// # Errors
/// A year after this one, or longer ago than horses live.
pub fn check_foaled(field: &str, foaled: i16, year: i16) -> Result<(), FieldError> {
    let earliest = year.saturating_sub(AGE_YEARS.most as i16).max(1980);
    if (earliest..=year).contains(&foaled) {
        return Ok(());
    }
    Err(FieldError::new(
        field,
        format!("must be a year from {earliest} to {year}, found {foaled}"),
    ))
}
