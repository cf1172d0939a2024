//! The rig: the headgear as it is worn, and since when.

use jiff::Timestamp;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::bounds::{FieldError, WORD_LETTERS};
use crate::text::check_text;

/// What kind of headgear.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum RigKind {
    /// Halter.
    Halter,
    /// Snaffle.
    Snaffle,
    /// Bosal.
    Bosal,
    /// Shank bit.
    Shank,
    /// Bosal under the bridle.
    TwoRein,
}

impl RigKind {
    /// All of them, mildest first.
    pub const ALL: [RigKind; 5] = [
        RigKind::Halter,
        RigKind::Snaffle,
        RigKind::Bosal,
        RigKind::Shank,
        RigKind::TwoRein,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            RigKind::Halter => "halter",
            RigKind::Snaffle => "snaffle",
            RigKind::Bosal => "bosal",
            RigKind::Shank => "shank",
            RigKind::TwoRein => "two_rein",
        }
    }

    /// The kind of that word, if there is one.
    pub fn from_word(word: &str) -> Option<RigKind> {
        RigKind::ALL.into_iter().find(|kind| kind.word() == word)
    }
}

/// The rig from a moment on.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RigWorn {
    /// From when on.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = DateTime))]
    pub from: Timestamp,
    /// What kind.
    pub kind: RigKind,
    /// The piece of the barn's tack, where one was named.
    #[serde(default)]
    pub gear_id: Option<Uuid>,
    /// What it is called; may be empty.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 40))]
    pub name: String,
}

impl RigWorn {
    /// Whether both are the same rig: the same piece, or, where no piece was named, the same
    /// kind and name.
    pub fn is_same(&self, other: &RigWorn) -> bool {
        match (self.gear_id, other.gear_id) {
            (None, None) => self.kind == other.kind && self.name == other.name,
            (one, another) => one == another,
        }
    }

    /// Checks the name.
    ///
    /// # Errors
    /// A name that does not fit.
    pub fn check(&self) -> Result<(), FieldError> {
        if self.name.is_empty() {
            return Ok(());
        }
        check_text(WORD_LETTERS, "/name", &self.name)
    }
}
