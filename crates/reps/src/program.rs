//! A program: the school a horse is taught in, and what its gates change on the
//! ladder. It is a difference from one version of the ladder; a verdict keeps
//! the versions it was made with.

use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};

use crate::bounds::{FieldError, GATE_CHANGES, WORD_LETTERS};
use crate::id::{RungId, SkillId};
use crate::ladder::resolve::resolve;
use crate::ladder::{Ladder, LadderFile, gate};
use crate::school::Schools;
use crate::text::check_text;

/// What a program changes on the ladder.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Program {
    /// What the barn calls it.
    #[cfg_attr(feature = "schema", schema(min_length = 1, max_length = 40))]
    pub name: String,
    /// The choices made where good trainers disagree; what is left out is the default.
    pub schools: Schools,
    /// Gates it changes, later ones on top of earlier ones.
    pub gates: Vec<GateChange>,
}

/// A change of the gate of a skill, or of one of its levels.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct GateChange {
    /// The skill.
    pub skill: SkillId,
    /// The rung; all of the skill's when left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub rung: Option<RungId>,
    /// The numbers that differ, as a gate has them; the rest stays.
    #[cfg_attr(feature = "schema", schema(value_type = std::collections::HashMap<String, Value>))]
    pub gate: Map<String, Value>,
}

impl Program {
    /// Checks the name and that the changes fit a ladder.
    ///
    /// # Errors
    /// The first field that does not fit.
    pub fn check_name(&self) -> Result<(), FieldError> {
        check_text(WORD_LETTERS, "/name", &self.name)
    }

    /// The ladder this program makes of the file.
    ///
    /// # Errors
    /// A change that names no level, or a gate it makes that cannot be; the field
    /// is the place in the program.
    pub fn ladder(&self, file: &LadderFile) -> Result<Ladder, FieldError> {
        GATE_CHANGES.check_count("/gates", self.gates.len())?;
        let mut ladder = resolve(file, &self.schools)
            .map_err(|error| FieldError::new("/schools", error.to_string()))?;
        for (index, change) in self.gates.iter().enumerate() {
            change
                .apply(&mut ladder)
                .map_err(|error| error.under(&format!("/gates/{index}")))?;
        }
        Ok(ladder)
    }
}

impl GateChange {
    fn apply(&self, ladder: &mut Ladder) -> Result<(), FieldError> {
        let changed: Vec<usize> = ladder
            .rungs_of(&self.skill)
            .filter(|index| {
                self.rung
                    .as_ref()
                    .is_none_or(|rung| ladder.levels[*index].level.rung == *rung)
            })
            .collect();
        if changed.is_empty() {
            return Err(self.unknown_reference(ladder));
        }
        for index in changed {
            let mut value = serde_json::to_value(ladder.levels[index].gate).unwrap_or_default();
            gate::merge(&mut value, &Value::Object(self.gate.clone()));
            ladder.levels[index].gate = gate::read(value).map_err(|error| error.under("/gate"))?;
        }
        Ok(())
    }

    fn unknown_reference(&self, ladder: &Ladder) -> FieldError {
        match (ladder.skill(&self.skill), &self.rung) {
            (Some(skill), Some(rung)) => {
                let rungs: Vec<&str> = skill.rungs.iter().map(|rung| rung.id.0.as_str()).collect();
                FieldError::new(
                    "/rung",
                    format!("{} has {}, found {rung}", self.skill, rungs.join(", ")),
                )
            }
            _ => FieldError::new("/skill", ladder.no_skill(&self.skill)),
        }
    }
}
