//! The rig on a ride: the headgear, as a simple list. A change in mid-ride marks the
//! reps after it.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, RIDE_MS, WORD_LETTERS};
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

/// The rig from a moment of a ride on.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct RigFrom {
    /// Milliseconds from the ride's start; 0 for the rig it began in.
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 172_800_000))]
    pub after_ms: u32,
    /// What kind of headgear.
    pub kind: RigKind,
    /// What the barn calls it, where it has a name.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_length = 40))]
    pub name: String,
}

impl RigFrom {
    pub(super) fn check(&self) -> Result<(), FieldError> {
        RIDE_MS.check("/after_ms", f64::from(self.after_ms))?;
        if self.name.is_empty() {
            return Ok(());
        }
        check_text(WORD_LETTERS, "/name", &self.name)
    }
}

/// The rig an ask was made in; none while nobody said.
pub fn rig_at(rigs: &[RigFrom], after_ms: u32) -> Option<&RigFrom> {
    rigs.iter()
        .filter(|rig| rig.after_ms <= after_ms)
        .max_by_key(|rig| rig.after_ms)
}
