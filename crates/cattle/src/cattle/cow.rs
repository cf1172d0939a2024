//! What is written down of a cow.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use crate::bounds::{COW_LB, FieldError, NOTE_LETTERS, TAG_LETTERS, check_past_day, together};
use crate::rep::turn::Tempo;
use crate::text::{check_optional_text, check_text};
use crate::word_enum::word_enum;

word_enum! {
    /// What a cow is.
    CowKind {
        /// A heifer.
        Heifer = "heifer",
        /// A steer.
        Steer = "steer",
        /// A cow that has had a calf.
        Cow = "cow",
    }
}

word_enum! {
    /// How it was handled before it came.
    Handling {
        /// Quietly: it lets a horse near.
        Well = "well",
        /// Hardly or roughly: it runs from a horse.
        Wild = "wild",
    }
}

/// What is written down of a cow.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct CowSheet {
    /// What its tag says, as it is read off across the pen.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 8))]
    pub tag: String,
    /// What it is.
    pub kind: CowKind,
    /// Its weight in pounds; null while nobody weighed it.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 60, maximum = 3000))]
    pub weight_lb: Option<u16>,
    /// The day it came.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub came: Date,
    /// How it goes: walks off, trots, runs.
    pub tempo: Tempo,
    /// How it was handled.
    pub handling: Handling,
    /// Taken out of training by your word, whatever its share says.
    #[serde(default)]
    pub done: bool,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
}

impl CowSheet {
    /// Checks the texts, the weight and the day it came.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self, today: Date) -> Result<(), Vec<FieldError>> {
        together([
            check_text(TAG_LETTERS, "/tag", &self.tag),
            self.weight_lb.map_or(Ok(()), |weight| {
                COW_LB.check("/weight_lb", f64::from(weight)).map(|_| ())
            }),
            check_past_day("/came", self.came, today),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
        ])
    }
}
