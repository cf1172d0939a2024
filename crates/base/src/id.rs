//! What skills, rungs, levels and faults are called.

use serde::{Deserialize, Serialize};

/// The stable id of a skill, such as `bend.flex`.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(example = "bend.flex"))]
#[serde(transparent)]
pub struct SkillId(pub String);

impl std::fmt::Display for SkillId {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(&self.0)
    }
}

/// The id of a rung of a skill: a gait such as `walk`, a difficulty such as
/// `quarter`, a lead such as `left`.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(example = "walk"))]
#[serde(transparent)]
pub struct RungId(pub String);

impl std::fmt::Display for RungId {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(&self.0)
    }
}

/// A skill at one of its rungs.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Level {
    /// The skill.
    pub skill: SkillId,
    /// The rung.
    pub rung: RungId,
}

impl Level {
    /// The level `skill`/`rung`.
    pub fn new(skill: &str, rung: &str) -> Level {
        Level {
            skill: SkillId(skill.to_owned()),
            rung: RungId(rung.to_owned()),
        }
    }

    /// Reads `skill/rung`.
    pub fn from_path(path: &str) -> Option<Level> {
        path.split_once('/')
            .map(|(skill, rung)| Level::new(skill, rung))
    }
}

impl std::fmt::Display for Level {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "{}/{}", self.skill, self.rung)
    }
}

/// The stable id of a fault, such as `falls_in`.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(example = "falls_in"))]
#[serde(transparent)]
pub struct FaultId(pub String);

impl std::fmt::Display for FaultId {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str(&self.0)
    }
}
