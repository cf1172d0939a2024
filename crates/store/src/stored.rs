//! Stored forms: what stands in the tables as JSON. The wire is strict and today's;
//! a row may be years old, or of a newer version of this program on the same
//! tables. Here it is read leniently, by the form it was stored in: fields that are
//! not known are passed over, and a row that cannot be read is said to be so and
//! harms no other.

use std::collections::BTreeMap;

use cavesson_core::ladder::{RungId, SkillId};
use cavesson_core::program::{GateChange, Program};
use cavesson_core::rep::Measure;
use cavesson_core::school::Schools;
use serde::Deserialize;
use serde::de::DeserializeOwned;
use serde_json::{Map, Value};

use crate::StoreError;
use crate::StoreResult;

/// The form in which measures are stored now.
pub const MEASURE_FORM: i16 = 1;
/// The form in which programs are stored now.
pub const PROGRAM_FORM: i16 = 1;

/// A row that this version cannot read, and why. It is kept as it is.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("{0}")]
pub struct Unreadable(pub(crate) String);

/// A measure as it is stored.
///
/// # Errors
/// A measure that JSON cannot hold.
pub fn store_measure(measure: &Measure) -> StoreResult<Value> {
    serde_json::to_value(measure).map_err(StoreError::Unstorable)
}

/// A measure from its stored form.
///
/// # Errors
/// A form or kind from a newer version, a word that is not known any more where it
/// cannot be done without.
pub fn read_measure(form: i16, stored: Value) -> Result<Measure, Unreadable> {
    check_form(form, MEASURE_FORM)?;
    let Value::Object(mut fields) = stored else {
        return Err(Unreadable("a measure that is no object".to_owned()));
    };
    let kind = fields.remove("kind");
    let kind = kind.as_ref().and_then(Value::as_str).unwrap_or_default();
    Ok(match kind {
        "give" => Measure::Give(lenient(fields)?),
        "steps" => Measure::Steps(lenient(fields)?),
        "circle" => Measure::Circle(lenient(fields)?),
        "stop" => Measure::Stop(lenient(fields)?),
        "roll" => Measure::Roll(lenient(fields)?),
        "depart" => Measure::Depart(lenient(fields)?),
        "change" => Measure::Change(lenient(fields)?),
        "carry" => Measure::Carry(lenient(fields)?),
        "obstacle" => Measure::Obstacle(lenient(fields)?),
        "turn" => Measure::Turn(lenient(fields)?),
        "run" => Measure::Run(lenient(fields)?),
        "calm" => Measure::Calm(lenient(fields)?),
        "count" => Measure::Count(lenient(fields)?),
        other => return Err(Unreadable(format!("no measure \"{other}\" here"))),
    })
}

/// A value from its stored form, as far as this version knows its fields.
///
/// # Errors
/// Something that is no object, or that cannot do without what is not known.
pub fn read<T: DeserializeOwned>(stored: Value) -> Result<T, Unreadable> {
    match stored {
        Value::Object(fields) => lenient(fields),
        _ => Err(Unreadable("not an object".to_owned())),
    }
}

/// Reads an object, leaving out one field after the other that cannot be read, as
/// long as the rest can do without it.
/// Something plain from its stored form, field by field: what this version does not know is
/// passed over.
///
/// # Errors
/// Something that is no object, or that cannot be read without what was passed over.
pub fn lenient_value<T: DeserializeOwned>(stored: Value) -> Result<T, Unreadable> {
    match stored {
        Value::Object(fields) => lenient(fields),
        _ => Err(Unreadable("not an object".to_owned())),
    }
}

fn lenient<T: DeserializeOwned>(mut fields: Map<String, Value>) -> Result<T, Unreadable> {
    loop {
        let error = match serde_path_to_error::deserialize::<_, T>(Value::Object(fields.clone())) {
            Ok(read) => return Ok(read),
            Err(error) => error,
        };
        let text = error.inner().to_string();
        let culprit = error.path().iter().next().map(ToString::to_string);
        let known = culprit.filter(|field| fields.contains_key(field));
        let Some(field) = known.or_else(|| unknown_field(&text, &fields)) else {
            return Err(Unreadable(text));
        };
        fields.remove(&field);
    }
}

/// The field that a strict reader said it does not know.
fn unknown_field(text: &str, fields: &Map<String, Value>) -> Option<String> {
    let (_, rest) = text.split_once("unknown field `")?;
    let (field, _) = rest.split_once('`')?;
    fields.contains_key(field).then(|| field.to_owned())
}

#[derive(Deserialize)]
struct StoredProgram {
    #[serde(default)]
    schools: BTreeMap<String, String>,
    #[serde(default)]
    gates: Vec<StoredGateChange>,
}

#[derive(Deserialize)]
struct StoredGateChange {
    skill: SkillId,
    rung: Option<RungId>,
    gate: Map<String, Value>,
}

/// What a program is called, whether it can be read or not.
pub fn program_name(stored: &Value) -> String {
    let name = stored.get("name").and_then(Value::as_str);
    name.unwrap_or("Program").to_owned()
}

/// A program as it is stored.
///
/// # Errors
/// A gate that JSON cannot hold.
pub fn store_program(program: &Program) -> StoreResult<Value> {
    let trimmed = Program {
        name: program.name.trim().to_owned(),
        ..program.clone()
    };
    serde_json::to_value(trimmed).map_err(StoreError::Unstorable)
}

/// A program from its stored form. A choice or a gate that is not known any more
/// makes it unreadable as a whole: half a program would be another program.
///
/// # Errors
/// A form from a newer version, a question or choice that is not known.
pub fn read_program(form: i16, stored: &Value) -> Result<Program, Unreadable> {
    check_form(form, PROGRAM_FORM)?;
    let name = program_name(stored);
    let read = StoredProgram::deserialize(stored).map_err(|error| Unreadable(error.to_string()))?;
    Ok(Program {
        name,
        schools: Schools::try_from(read.schools).map_err(|error| Unreadable(error.to_string()))?,
        gates: read
            .gates
            .into_iter()
            .map(|change| GateChange {
                skill: change.skill,
                rung: change.rung,
                gate: change.gate,
            })
            .collect(),
    })
}

/// A word of a table's column.
///
/// # Errors
/// A word that this version does not know.
pub fn read_word<T>(
    what: &str,
    word: &str,
    read: impl Fn(&str) -> Option<T>,
) -> Result<T, Unreadable> {
    read(word).ok_or_else(|| Unreadable(format!("no {what} \"{word}\" here")))
}

fn check_form(found: i16, newest: i16) -> Result<(), Unreadable> {
    if (1..=newest).contains(&found) {
        return Ok(());
    }
    Err(Unreadable(format!(
        "stored in form {found}; this version reads up to {newest}"
    )))
}
