//! Faults: what goes wrong, what to rule out first, the holes to look for under
//! it, and what mends it.

use serde::{Deserialize, Serialize};

use crate::id::{FaultId, SkillId};
use crate::rep::MeasureKind;
use crate::side::Sides;

/// One fault. All of it is common practice of the trade, no published source.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Fault {
    /// Stable id.
    pub id: FaultId,
    /// What the chip says.
    pub name: String,
    /// Measures it shows in.
    #[serde(default)]
    pub in_measures: Vec<MeasureKind>,
    /// Tracks it shows in.
    #[serde(default)]
    pub in_tracks: Vec<String>,
    /// Skills it shows in.
    #[serde(default)]
    pub in_skills: Vec<SkillId>,
    /// Whether it shows only in work on both reins, or on each side.
    #[serde(default)]
    pub in_sides: Option<Sides>,
    /// What may be the matter before any training: pain, teeth, gear.
    pub rule_out: Vec<String>,
    /// Where the missing piece may be; the file writes `skill/rung`,
    /// `skill/same` or `skill/below`.
    pub holes: Vec<Hole>,
    /// What mends it.
    pub remedy: String,
    /// When it sends the level down by itself.
    #[serde(default)]
    pub ease: Option<Ease>,
}

/// A level to look at under a fault, as the file writes it.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(transparent)]
pub struct Hole(pub String);

/// A fault that sends a level down: seen `times` in the last `of_last` asks.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Ease {
    /// How often.
    pub times: u32,
    /// In how many of the last asks of the last ride that asked it.
    pub of_last: u32,
    /// For how many rides it is not asked; 0: until it is held below again.
    pub pause_rides: u32,
    /// What to do, in a sentence.
    pub text: String,
}

impl Fault {
    /// Whether the fault is offered where this is asked.
    pub fn shows_in(
        &self,
        track: &str,
        skill: &SkillId,
        measure: MeasureKind,
        sides: Sides,
    ) -> bool {
        if self.in_sides.is_some_and(|of| of != sides) {
            return false;
        }
        let everywhere =
            self.in_measures.is_empty() && self.in_tracks.is_empty() && self.in_skills.is_empty();
        everywhere
            || self.in_measures.contains(&measure)
            || self.in_tracks.iter().any(|of| of == track)
            || self.in_skills.contains(skill)
    }
}

/// Faults of one rep, each by its index in [`super::Ladder::faults`].
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash)]
pub struct FaultSet(u64);

impl FaultSet {
    /// The most faults a set can hold.
    pub const MOST: usize = 64;

    /// With one fault more.
    pub fn add(&mut self, position: usize) {
        self.0 |= 1 << position;
    }

    /// Whether it holds the fault at `position`.
    pub fn has(self, position: usize) -> bool {
        self.0 & (1 << position) != 0
    }

    /// Whether there is none.
    pub fn is_empty(self) -> bool {
        self.0 == 0
    }

    /// The faults of both.
    pub fn union(self, other: FaultSet) -> FaultSet {
        FaultSet(self.0 | other.0)
    }

    /// The indexes of the faults, lowest first.
    pub fn positions(self) -> impl Iterator<Item = usize> {
        (0..FaultSet::MOST).filter(move |position| self.has(*position))
    }
}
