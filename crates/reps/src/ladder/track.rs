//! Tracks and their skills.

use serde::Serialize;

use super::{AtHand, Rung};
use crate::id::SkillId;
use crate::rep::MeasureKind;
use crate::side::Sides;

/// A family of skills.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Track {
    /// Stable id.
    pub id: String,
    /// What a trainer calls it.
    pub name: String,
    /// What to look out for so that nobody is hurt.
    pub caution: Option<String>,
    /// Its skills, from the ground up.
    pub skills: Vec<Skill>,
}

/// One skill of a track.
#[derive(Debug, Clone, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Skill {
    /// Stable id.
    pub id: SkillId,
    /// What a trainer calls it.
    pub name: String,
    /// How it is asked, in a sentence or two.
    pub ask: String,
    /// What its reps record.
    pub measure: MeasureKind,
    /// Whether left and right are asked each on its own.
    pub sides: Sides,
    /// Whether it is work in the mouth: teeth and bit seat come first.
    pub mouth: bool,
    /// Whether it is asked from the ground, nobody riding.
    pub ground: bool,
    /// What has to be at hand for it.
    pub with: Option<AtHand>,
    /// Whether its levels stand side by side, none needing the other.
    pub apart: bool,
    /// What to look out for so that nobody is hurt.
    pub caution: Option<String>,
    /// What the program's schools say of it.
    pub notes: Vec<String>,
    /// Its rungs, lowest first.
    pub rungs: Vec<Rung>,
}
