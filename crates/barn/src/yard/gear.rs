//! Gear by name, kind and measures, and who may ride in it.

use serde::{Deserialize, Serialize};

use crate::bounds::{FieldError, NAME_LETTERS, NOTE_LETTERS, together};
use crate::gear::GearMeasures;
use crate::gear::hands::most_hand;
use crate::gear::show_rules::PieceKind;
use crate::rep::HandWeight;
use crate::rig::RigKind;
use crate::text::{check_optional_text, check_text};
use crate::word_enum::word_enum;

word_enum! {
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
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
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
    /// Its measures.
    #[serde(default)]
    pub measures: GearMeasures,
    /// Only people with quiet hands ride in it.
    #[serde(default)]
    pub quiet_hands: bool,
    /// The most hand it allows; null for what its kind allows.
    #[serde(default)]
    pub most_hand: Option<HandWeight>,
}

impl GearKind {
    /// The rig it makes on a horse's head; none for saddles and the like.
    pub fn rig(self) -> Option<RigKind> {
        match self {
            GearKind::Halter => Some(RigKind::Halter),
            GearKind::Snaffle => Some(RigKind::Snaffle),
            GearKind::Bosal => Some(RigKind::Bosal),
            GearKind::Shank => Some(RigKind::Shank),
            GearKind::TwoRein => Some(RigKind::TwoRein),
            GearKind::Saddle | GearKind::Boots | GearKind::GroundTool => None,
        }
    }

    /// What it is for rules of the show ring; none where they have none about it.
    pub fn for_show(self) -> Option<PieceKind> {
        match self {
            GearKind::Snaffle => Some(PieceKind::Snaffle),
            GearKind::Bosal => Some(PieceKind::Bosal),
            GearKind::Shank => Some(PieceKind::Curb),
            _ => None,
        }
    }
}

impl GearSheet {
    /// Checks texts and measures.
    ///
    /// # Errors
    /// Every field that does not fit, with what is allowed.
    pub fn check(&self) -> Result<(), Vec<FieldError>> {
        let mut errors = together([
            check_text(NAME_LETTERS, "/name", &self.name),
            check_optional_text(NOTE_LETTERS, "/note", &self.note),
        ])
        .err()
        .unwrap_or_default();
        let measures = self.measures.check().into_iter();
        errors.extend(measures.map(|error| error.under("/measures")));
        if errors.is_empty() {
            Ok(())
        } else {
            Err(errors)
        }
    }

    /// The most hand it allows; none for what is not on the head.
    pub fn allows(&self) -> Option<HandWeight> {
        Some(self.most_hand.unwrap_or(most_hand(self.kind.rig()?)))
    }
}
