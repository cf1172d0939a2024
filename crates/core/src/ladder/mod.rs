//! The ladder as data: tracks, their skills, the gaits a skill is asked at, and
//! what each gate needs. The data is `ladder.toml`; [`Ladder::parse`] checks it.
//!
//! - [`gate`]: the numbers of a gate

pub mod gate;

use std::sync::LazyLock;

use serde::{Deserialize, Serialize};

use crate::Gait;
pub use gate::Gate;

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

/// A skill at a gait.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Level {
    /// The skill.
    pub skill: SkillId,
    /// The gait it is asked at.
    pub gait: Gait,
}

/// What the reps of a skill record.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum MeasureKind {
    /// Time to give, hand weight, answer.
    Give,
}

/// One skill of a track.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Skill {
    /// Stable id.
    pub id: SkillId,
    /// What a trainer calls it.
    pub name: String,
    /// How it is asked, in a sentence.
    pub ask: String,
    /// What its reps record.
    pub measure: MeasureKind,
    /// The gaits it is asked at, slowest first; each needs the one before it.
    pub levels: Vec<Gait>,
    /// The gate of every level, where it differs from the default.
    #[serde(default)]
    pub gate: Gate,
}

/// A family of skills.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Track {
    /// Stable id.
    pub id: String,
    /// What a trainer calls it.
    pub name: String,
    /// Its skills, from the ground up.
    #[serde(rename = "skill")]
    pub skills: Vec<Skill>,
}

/// All tracks, with the version of the data.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Ladder {
    /// Raised whenever a gate or a skill changes.
    pub version: u32,
    /// The tracks, in the order of the work.
    #[serde(rename = "track")]
    pub tracks: Vec<Track>,
}

/// Why a ladder file cannot be used.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum LadderError {
    /// Not TOML, or not of this shape.
    #[error("the ladder file cannot be read: {0}")]
    Unreadable(String),
    /// The same id twice.
    #[error("skill {0} is there twice; ids must differ")]
    Twice(SkillId),
    /// An id that does not start with its track's id.
    #[error("skill {skill} stands in track {track}; its id must start with \"{track}.\"")]
    Elsewhere {
        /// The skill.
        skill: SkillId,
        /// The track it stands in.
        track: String,
    },
    /// No gait to ask it at.
    #[error("skill {0} has no levels; name at least one gait")]
    NoLevels(SkillId),
    /// Gaits not from slow to fast.
    #[error("the levels of skill {0} must run from slow to fast, each once")]
    LevelOrder(SkillId),
    /// A number of the gate out of bounds.
    #[error("the gate of skill {skill}: {says}")]
    GateOutOfBounds {
        /// The skill.
        skill: SkillId,
        /// Field and what is allowed.
        says: String,
    },
}

static SHIPPED: LazyLock<Ladder> = LazyLock::new(|| {
    Ladder::parse(include_str!("ladder.toml"))
        .expect("the shipped ladder is valid; a test holds it")
});

impl Ladder {
    /// The ladder that ships with the product.
    pub fn shipped() -> &'static Ladder {
        &SHIPPED
    }

    /// Reads and checks a ladder file.
    ///
    /// # Errors
    /// The first thing wrong with it, with the skill it stands at.
    pub fn parse(text: &str) -> Result<Ladder, LadderError> {
        let ladder: Ladder =
            toml::from_str(text).map_err(|error| LadderError::Unreadable(error.to_string()))?;
        ladder.check()?;
        Ok(ladder)
    }

    fn check(&self) -> Result<(), LadderError> {
        let mut seen = std::collections::BTreeSet::new();
        for track in &self.tracks {
            for skill in &track.skills {
                if !seen.insert(&skill.id) {
                    return Err(LadderError::Twice(skill.id.clone()));
                }
                if !skill.id.0.starts_with(&format!("{}.", track.id)) {
                    return Err(LadderError::Elsewhere {
                        skill: skill.id.clone(),
                        track: track.id.clone(),
                    });
                }
                skill.check()?;
            }
        }
        Ok(())
    }

    /// The skill of that id.
    pub fn skill(&self, id: &SkillId) -> Option<&Skill> {
        self.tracks
            .iter()
            .flat_map(|track| &track.skills)
            .find(|skill| skill.id == *id)
    }

    /// The skill of a level, when the ladder has that level.
    pub fn skill_at(&self, level: &Level) -> Option<&Skill> {
        self.skill(&level.skill)
            .filter(|skill| skill.levels.contains(&level.gait))
    }

    /// The lowest level: where a horse with nothing planned begins.
    pub fn lowest(&self) -> Option<Level> {
        let skill = self.tracks.first()?.skills.first()?;
        let gait = *skill.levels.first()?;
        Some(Level {
            skill: skill.id.clone(),
            gait,
        })
    }

    /// All skill ids, for a message that says what is allowed.
    pub fn skill_ids(&self) -> Vec<&str> {
        self.tracks
            .iter()
            .flat_map(|track| &track.skills)
            .map(|skill| skill.id.0.as_str())
            .collect()
    }
}

impl Skill {
    fn check(&self) -> Result<(), LadderError> {
        if self.levels.is_empty() {
            return Err(LadderError::NoLevels(self.id.clone()));
        }
        if !self.levels.windows(2).all(|pair| pair[0] < pair[1]) {
            return Err(LadderError::LevelOrder(self.id.clone()));
        }
        self.gate
            .check()
            .map_err(|error| LadderError::GateOutOfBounds {
                skill: self.id.clone(),
                says: error.to_string(),
            })
    }
}
