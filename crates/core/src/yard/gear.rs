//! Gear by name and kind.

use serde::{Deserialize, Serialize};

use super::kinds::kinds;
use crate::bounds::{FieldError, NAME_LETTERS, NOTE_LETTERS, together};
use crate::text::{check_optional_text, check_text};

kinds! {
    /// What kind of gear.
    GearKind {
        /// Halter.
        Halter = "halter",
        /// Snaffle.
        Snaffle = "snaffle",
        /// Bosal.
        Bosal = "bosal",
        /// Shank bit.
        Shank = "shank",
        /// Bosal under the bridle.
        TwoRein = "two_rein",
        /// Saddle, with its pads and cinch.
        Saddle = "saddle",
        /// Boots and wraps for the legs.
        Boots = "boots",
        /// Stick, flag, rope: what is used from the ground.
        GroundTool = "ground_tool",
    }
}

/// What is written down of a piece of gear.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GearSheet {
    /// What people call it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 80))]
    pub name: String,
    /// What it is.
    pub kind: GearKind,
    /// In your words.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 600))]
    pub note: String,
}

impl GearSheet {
    /// Checks the texts.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), Vec<FieldError>> {
        together([
            check_text(NAME_LETTERS, "/name", &self.name),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
        ])
    }
}
