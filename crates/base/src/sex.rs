//! Mare, gelding or stallion.

use serde::{Deserialize, Serialize};

/// The sex of a horse.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Sex {
    /// A mare or filly.
    Mare,
    /// A gelding.
    Gelding,
    /// A stallion or colt.
    Stallion,
}

impl Sex {
    /// All of them.
    pub const ALL: [Sex; 3] = [Sex::Mare, Sex::Gelding, Sex::Stallion];

    /// The word it is stored and sent as.
    pub fn word(self) -> &'static str {
        match self {
            Sex::Mare => "mare",
            Sex::Gelding => "gelding",
            Sex::Stallion => "stallion",
        }
    }

    /// The sex of that word.
    pub fn of_word(word: &str) -> Option<Sex> {
        Sex::ALL.into_iter().find(|sex| sex.word() == word)
    }
}
