//! The ladder file's shapes, and what is refused in it before it is resolved.

use std::collections::{BTreeMap, BTreeSet};

use serde::{Deserialize, Serialize};

use super::{Fault, FaultSet, Gate, LadderError, RungId, SkillId, need};
use crate::program::{Schools, schools};
use crate::rep::IMPLIED_FAULTS;
use crate::{Gait, Side};

/// What the reps of a skill record.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum MeasureKind {
    /// Time to give, hand weight, answer.
    Give,
    /// Steps asked and clean.
    Steps,
    /// Circles and nose-ups.
    Circle,
    /// Feet quit, off the bridle.
    Stop,
    /// A rollback.
    Roll,
    /// A lope depart.
    Depart,
    /// A lead change.
    Change,
    /// Something carried for a time or a number of circles.
    Carry,
    /// An obstacle crossed.
    Obstacle,
    /// A turn on a cow or flag.
    Turn,
    /// A run of the pattern.
    Run,
    /// Relaxed, or not.
    Calm,
    /// A number that adds up.
    Count,
}

impl MeasureKind {
    /// All measures, in the order they are listed.
    pub const ALL: [MeasureKind; 13] = [
        MeasureKind::Give,
        MeasureKind::Steps,
        MeasureKind::Circle,
        MeasureKind::Stop,
        MeasureKind::Roll,
        MeasureKind::Depart,
        MeasureKind::Change,
        MeasureKind::Carry,
        MeasureKind::Obstacle,
        MeasureKind::Turn,
        MeasureKind::Run,
        MeasureKind::Calm,
        MeasureKind::Count,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            MeasureKind::Give => "give",
            MeasureKind::Steps => "steps",
            MeasureKind::Circle => "circle",
            MeasureKind::Stop => "stop",
            MeasureKind::Roll => "roll",
            MeasureKind::Depart => "depart",
            MeasureKind::Change => "change",
            MeasureKind::Carry => "carry",
            MeasureKind::Obstacle => "obstacle",
            MeasureKind::Turn => "turn",
            MeasureKind::Run => "run",
            MeasureKind::Calm => "calm",
            MeasureKind::Count => "count",
        }
    }
}

/// Whether left and right are asked each on its own.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Sides {
    /// Left and right, each judged on its own.
    #[default]
    Each,
    /// Both at once, or neither in particular.
    Both,
}

impl Sides {
    /// The sides a rep of such a skill may name.
    pub fn asked(self) -> &'static [Side] {
        match self {
            Sides::Each => &Side::EACH,
            Sides::Both => &[Side::Both],
        }
    }
}

/// The part of the horse a skill speaks of, for the soft map.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Zone {
    /// Poll and jaw.
    Poll,
    /// Neck.
    Neck,
    /// Shoulder.
    Shoulder,
    /// Ribs.
    Ribs,
    /// Hip.
    Hip,
}

impl Zone {
    /// From the head back.
    pub const ALL: [Zone; 5] = [
        Zone::Poll,
        Zone::Neck,
        Zone::Shoulder,
        Zone::Ribs,
        Zone::Hip,
    ];
}

/// A rung with its name and gait.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Rung {
    /// Its id.
    pub id: RungId,
    /// What a trainer says: "at the walk", "half a turn".
    pub name: String,
    /// The gait it is asked at.
    pub gait: Gait,
}

/// The file as it is written.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct LadderFile {
    /// Raised whenever a gate, a skill or a fault changes.
    pub version: u32,
    pub(super) rungs: BTreeMap<String, RungInFile>,
    #[serde(default)]
    pub(super) gates: BTreeMap<String, toml::Table>,
    #[serde(rename = "track")]
    pub(super) tracks: Vec<TrackInFile>,
    #[serde(default, rename = "fault")]
    pub(super) faults: Vec<Fault>,
}

#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct RungInFile {
    pub name: String,
    pub gait: Gait,
}

#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct TrackInFile {
    pub id: String,
    pub name: String,
    pub caution: Option<String>,
    #[serde(rename = "skill", default)]
    pub skills: Vec<SkillInFile>,
}

#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct SkillInFile {
    pub id: SkillId,
    pub name: String,
    pub ask: String,
    pub measure: Option<MeasureKind>,
    pub zone: Option<Zone>,
    #[serde(default)]
    pub sides: Sides,
    pub levels: Vec<RungId>,
    #[serde(default)]
    pub apart: bool,
    #[serde(default)]
    pub safety: bool,
    #[serde(default)]
    pub mouth: bool,
    pub caution: Option<String>,
    #[serde(default)]
    pub needs: Vec<String>,
    #[serde(default)]
    pub needs_at: BTreeMap<String, Vec<String>>,
    #[serde(default)]
    pub needs_for: Vec<NeedsFor>,
    #[serde(default)]
    pub note_for: Vec<NoteFor>,
    pub only_for: Option<SchoolChoice>,
    pub unless: Option<SchoolChoice>,
    pub gate: Option<toml::Table>,
    #[serde(default)]
    pub gate_at: BTreeMap<String, toml::Table>,
}

/// Needs that a program has only with one school.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct NeedsFor {
    pub question: String,
    pub choice: String,
    pub needs: Vec<String>,
}

/// What one school says of a skill.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct NoteFor {
    pub question: String,
    pub choice: String,
    pub says: String,
}

/// One choice of one school question.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct SchoolChoice {
    pub question: String,
    pub choice: String,
}

impl LadderFile {
    /// Reads a ladder file and checks it with every school.
    ///
    /// # Errors
    /// The first thing wrong with it, with its place.
    pub fn parse(text: &str) -> Result<LadderFile, LadderError> {
        let file: LadderFile =
            toml::from_str(text).map_err(|error| LadderError::Unreadable(error.to_string()))?;
        file.check_skills()?;
        file.check_schools()?;
        file.check_faults()?;
        for schools in Schools::each_choice_once() {
            super::resolve::resolve(&file, &schools)?;
        }
        Ok(file)
    }

    fn check_skills(&self) -> Result<(), LadderError> {
        let mut seen = BTreeSet::new();
        for track in &self.tracks {
            for skill in &track.skills {
                if !seen.insert(&skill.id) {
                    return Err(LadderError::SkillTwice(skill.id.clone()));
                }
                if !skill.id.0.starts_with(&format!("{}.", track.id)) {
                    return Err(LadderError::Elsewhere {
                        skill: skill.id.clone(),
                        track: track.id.clone(),
                    });
                }
                self.check_skill(skill)?;
            }
        }
        Ok(())
    }

    fn check_skill(&self, skill: &SkillInFile) -> Result<(), LadderError> {
        if skill.levels.is_empty() {
            return Err(LadderError::NoLevels(skill.id.clone()));
        }
        if skill.measure.is_none() {
            let gated = skill.gate.is_some() || !skill.gate_at.is_empty() || skill.safety;
            return Err(if gated {
                LadderError::GateWithoutMeasure(skill.id.clone())
            } else {
                LadderError::NoMeasure(skill.id.clone())
            });
        }
        let named = skill.needs_at.keys().chain(skill.gate_at.keys());
        for rung in skill.levels.iter().map(|rung| &rung.0).chain(named) {
            let known =
                self.rungs.contains_key(rung) && skill.levels.iter().any(|level| level.0 == *rung);
            if !known {
                return Err(LadderError::UnknownRung {
                    skill: skill.id.clone(),
                    rung: RungId(rung.clone()),
                });
            }
        }
        let gaits: Vec<Gait> = skill
            .levels
            .iter()
            .map(|rung| self.rungs[&rung.0].gait)
            .collect();
        let distinct: BTreeSet<&RungId> = skill.levels.iter().collect();
        if distinct.len() != skill.levels.len() || !gaits.is_sorted() {
            return Err(LadderError::LevelOrder(skill.id.clone()));
        }
        Ok(())
    }

    fn check_schools(&self) -> Result<(), LadderError> {
        for skill in self.tracks.iter().flat_map(|track| &track.skills) {
            let needs = skill.needs_for.iter().map(|n| (&n.question, &n.choice));
            let notes = skill.note_for.iter().map(|n| (&n.question, &n.choice));
            let conditions = skill.only_for.iter().chain(&skill.unless);
            let named = needs.chain(notes);
            for (question, choice) in named.chain(conditions.map(|c| (&c.question, &c.choice))) {
                if !schools::knows(question, choice) {
                    return Err(LadderError::UnknownSchool {
                        place: skill.id.0.clone(),
                        question: question.clone(),
                        choice: choice.clone(),
                        allowed: schools::allowed(question),
                    });
                }
            }
        }
        Ok(())
    }

    fn check_faults(&self) -> Result<(), LadderError> {
        if self.faults.len() > FaultSet::MOST {
            return Err(LadderError::TooManyFaults(self.faults.len()));
        }
        let mut seen = BTreeSet::new();
        for fault in &self.faults {
            if !seen.insert(&fault.id.0) {
                return Err(LadderError::FaultTwice(fault.id.clone()));
            }
            let names_nothing = |names: &str| LadderError::FaultNamesNothing {
                fault: fault.id.clone(),
                names: names.to_owned(),
            };
            for track in &fault.in_tracks {
                if !self.tracks.iter().any(|known| known.id == *track) {
                    return Err(names_nothing(track));
                }
            }
            for skill in &fault.in_skills {
                self.skill(&skill.0)
                    .ok_or_else(|| names_nothing(&skill.0))?;
            }
            for hole in &fault.holes {
                self.check_hole(&hole.0)
                    .ok_or_else(|| names_nothing(&hole.0))?;
            }
        }
        if self.faults.is_empty() {
            return Ok(());
        }
        match IMPLIED_FAULTS
            .iter()
            .find(|id| !seen.contains(&(**id).to_owned()))
        {
            Some(missing) => Err(LadderError::FaultMissing(super::FaultId(
                (*missing).to_owned(),
            ))),
            None => Ok(()),
        }
    }

    fn check_hole(&self, hole: &str) -> Option<()> {
        let (skill, which) = need::split(hole);
        if skill == "own" {
            return Some(());
        }
        let skill = self.skill(skill)?;
        match which {
            need::Rungs::Named(rung) => skill.levels.iter().any(|known| known.0 == rung),
            need::Rungs::Only => skill.levels.len() == 1,
            need::Rungs::Same | need::Rungs::Below => true,
        }
        .then_some(())
    }

    pub(super) fn skill(&self, id: &str) -> Option<&SkillInFile> {
        self.tracks
            .iter()
            .flat_map(|track| &track.skills)
            .find(|skill| skill.id.0 == id)
    }

    pub(super) fn rung(&self, id: &RungId) -> Rung {
        let known = &self.rungs[&id.0];
        Rung {
            id: id.clone(),
            name: known.name.clone(),
            gait: known.gait,
        }
    }

    /// The gate of a level before any program: the product default, then the
    /// measure's, then the safety gate's, the skill's, the level's own.
    pub(super) fn gate_of(&self, skill: &SkillInFile, rung: &RungId) -> Result<Gate, LadderError> {
        let measure = skill
            .measure
            .ok_or_else(|| LadderError::NoMeasure(skill.id.clone()))?;
        let layers = [
            self.gates.get(measure.word()),
            skill.safety.then(|| self.gates.get("safety")).flatten(),
            skill.gate.as_ref(),
            skill.gate_at.get(&rung.0),
        ];
        let mut gate = serde_json::to_value(Gate::default()).unwrap_or_default();
        for layer in layers.into_iter().flatten() {
            let layer = serde_json::to_value(layer).unwrap_or_default();
            super::gate::merge(&mut gate, &layer);
        }
        super::gate::read(gate).map_err(|error| LadderError::GateOutOfBounds {
            place: format!("{}/{rung}", skill.id),
            says: error.to_string(),
        })
    }
}
