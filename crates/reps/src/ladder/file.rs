//! The ladder file's shapes, and what its layers of gates make of a level.

use std::collections::BTreeMap;

use serde::Deserialize;
use serde_json::{Map, Value};

use super::gate::{Gate, merge, read};
use super::{AtHand, Fault, LadderError, ObstacleKind, Role, Rung, Zone};
use crate::Gait;
use crate::id::{RungId, SkillId};
use crate::rep::MeasureKind;
use crate::side::Sides;

/// The file as it is written.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct LadderFile {
    /// Raised whenever a gate, a skill or a fault changes.
    pub version: u32,
    /// Asked away from the cattle before a horse goes back to them, in order.
    #[serde(default)]
    pub(super) dry_work: Vec<String>,
    pub(super) rungs: BTreeMap<String, RungInFile>,
    #[serde(default)]
    pub(super) gates: BTreeMap<String, Map<String, Value>>,
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
    pub roles: Vec<Role>,
    pub obstacle: Option<ObstacleKind>,
    #[serde(default)]
    pub mouth: bool,
    #[serde(default)]
    pub ground: bool,
    pub with: Option<AtHand>,
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
    pub gate: Option<Map<String, Value>>,
    #[serde(default)]
    pub gate_at: BTreeMap<String, Map<String, Value>>,
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
    pub text: String,
}

/// One choice of one school question.
#[derive(Debug, Clone, PartialEq, Deserialize)]
#[serde(deny_unknown_fields)]
pub(super) struct SchoolChoice {
    pub question: String,
    pub choice: String,
}

impl LadderFile {
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
        let mut gate = Gate::default();
        if !measure.timed() {
            gate.most_time_ratio = None;
        }
        let mut gate = serde_json::to_value(gate).unwrap_or_default();
        for layer in layers.into_iter().flatten() {
            let mut layer = serde_json::to_value(layer).unwrap_or_default();
            write_out_without(&mut layer);
            merge(&mut gate, &layer);
        }
        read(gate).map_err(|error| LadderError::GateOutOfBounds {
            place: format!("{}/{rung}", skill.id),
            text: error.to_string(),
        })
    }
}

/// TOML has no null: the rails a gate is without are named in a list.
fn write_out_without(layer: &mut Value) {
    let Some(layer) = layer.as_object_mut() else {
        return;
    };
    if let Some(Value::Array(rails)) = layer.remove("without") {
        for rail in rails.iter().filter_map(Value::as_str) {
            layer.insert(rail.to_owned(), Value::Null);
        }
    }
}
