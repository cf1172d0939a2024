//! A program: the school a horse is taught in, and what its gates change on the
//! ladder. It is a difference from one version of the ladder; a verdict keeps
//! the versions it was made with.
//!
//! - [`schools`]: where good trainers disagree

pub mod schools;

use serde::{Deserialize, Serialize};
use serde_json::{Map, Value};

use crate::bounds::{FieldError, GATE_CHANGES, WORD_LETTERS};
use crate::ladder::{Ladder, RungId, SkillId, gate};
pub use schools::Schools;

/// What a program changes on the ladder.
#[derive(Debug, Clone, Default, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(default, deny_unknown_fields)]
pub struct Program {
    /// What the barn calls it.
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
        WORD_LETTERS
            .check_count("/name", self.name.trim().chars().count())
            .map(|_| ())
    }

    pub(crate) fn change_gates(&self, ladder: &mut Ladder) -> Result<(), FieldError> {
        GATE_CHANGES.check_count("/gates", self.gates.len())?;
        if self.schools.chose("mistakes", "find_it") {
            for level in &mut ladder.levels {
                level.gate.ease_rides = level.gate.ease_rides.max(2);
            }
        }
        for (index, change) in self.gates.iter().enumerate() {
            change
                .apply(ladder)
                .map_err(|error| error.under(&format!("/gates/{index}")))?;
        }
        Ok(())
    }
}

impl GateChange {
    fn apply(&self, ladder: &mut Ladder) -> Result<(), FieldError> {
        let changed: Vec<usize> = ladder
            .rungs_of(&self.skill)
            .filter(|place| {
                self.rung
                    .as_ref()
                    .is_none_or(|rung| ladder.levels[*place].level.rung == *rung)
            })
            .collect();
        if changed.is_empty() {
            return Err(self.names_nothing(ladder));
        }
        for place in changed {
            let mut value = serde_json::to_value(ladder.levels[place].gate).unwrap_or_default();
            gate::merge(&mut value, &Value::Object(self.gate.clone()));
            ladder.levels[place].gate = gate::read(value).map_err(|error| error.under("/gate"))?;
        }
        Ok(())
    }

    fn names_nothing(&self, ladder: &Ladder) -> FieldError {
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
