//! The calculators: everything the core computes, reachable without database,
//! server or screen. One JSON object in, one out; units stand in the field
//! names.
//!
//! - [`share`], [`give_times`], [`evenness`], [`trend`], [`ewma`], [`cusum`]
//! - [`gate`], [`judge`]
//! - [`simulate_horse`]

pub mod cusum;
pub mod evenness;
pub mod ewma;
pub mod gate;
pub mod give_times;
pub mod judge;
pub mod share;
pub mod simulate_horse;
pub mod trend;

use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::bounds::{Bound, FieldError};
use crate::ladder::Ladder;
use crate::rep::Rep;

/// One calculator.
#[derive(Clone, Copy)]
pub struct Calculator {
    /// Its name on the command line and in the API.
    pub name: &'static str,
    /// What it computes, in a sentence.
    pub about: &'static str,
    /// Runs it on a JSON object.
    pub run: fn(Value) -> Result<Value, FieldError>,
    /// JSON Schemas of input and output.
    #[cfg(feature = "schema")]
    pub schema: fn() -> Schemas,
}

impl std::fmt::Debug for Calculator {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.debug_struct("Calculator")
            .field("name", &self.name)
            .finish_non_exhaustive()
    }
}

/// All calculators, in the order they are listed.
pub const ALL: &[Calculator] = &[
    share::CALCULATOR,
    give_times::CALCULATOR,
    evenness::CALCULATOR,
    trend::CALCULATOR,
    ewma::CALCULATOR,
    cusum::CALCULATOR,
    gate::CALCULATOR,
    judge::CALCULATOR,
    simulate_horse::CALCULATOR,
];

/// The calculator of that name.
pub fn find(name: &str) -> Option<&'static Calculator> {
    ALL.iter().find(|calculator| calculator.name == name)
}

/// Reads `input` strictly, runs `calculate`, writes the result.
fn run_json<I: DeserializeOwned, O: Serialize>(
    input: Value,
    calculate: fn(I) -> Result<O, FieldError>,
) -> Result<Value, FieldError> {
    let input: I = read(input)?;
    let output = calculate(input)?;
    serde_json::to_value(output).map_err(|error| FieldError::new("", error.to_string()))
}

/// A list whose length and every figure lie within their bounds.
fn series<'a>(
    field: &str,
    values: &'a [f64],
    each: Bound,
    length: Bound,
) -> Result<&'a [f64], FieldError> {
    length.check_count(field, values.len())?;
    for (index, value) in values.iter().enumerate() {
        each.check(&format!("{field}/{index}"), *value)?;
    }
    Ok(values)
}

/// Checks reps against a ladder: level, side, kind of measure, every number.
fn check_reps(reps: &[Rep], ladder: &Ladder) -> Result<(), FieldError> {
    for (index, rep) in reps.iter().enumerate() {
        rep.check(ladder)
            .map_err(|error| error.under(&format!("/reps/{index}")))?;
    }
    Ok(())
}

/// Reads a JSON value strictly.
///
/// # Errors
/// The first field that does not fit, as a JSON pointer, and what was expected.
pub fn read<T: DeserializeOwned>(input: Value) -> Result<T, FieldError> {
    serde_path_to_error::deserialize(input)
        .map_err(|error| FieldError::new(pointer(error.path()), error.inner().to_string()))
}

/// A JSON pointer (RFC 6901) from the path of a reading error.
pub fn pointer(path: &serde_path_to_error::Path) -> String {
    use serde_path_to_error::Segment;
    path.iter()
        .filter_map(|segment| match segment {
            Segment::Seq { index } => Some(format!("/{index}")),
            Segment::Map { key } => Some(format!("/{}", key.replace('~', "~0").replace('/', "~1"))),
            Segment::Enum { .. } | Segment::Unknown => None,
        })
        .collect()
}

/// JSON Schemas (draft 2020-12) of a calculator.
#[cfg(feature = "schema")]
#[derive(Debug, Clone, Serialize)]
pub struct Schemas {
    /// Schema of the input.
    pub input: Value,
    /// Schema of the output.
    pub output: Value,
}

#[cfg(feature = "schema")]
fn schemas<I: utoipa::ToSchema, O: utoipa::ToSchema>() -> Schemas {
    Schemas {
        input: json_schema::<I>(),
        output: json_schema::<O>(),
    }
}

/// The schema of a type, what it refers to under `$defs`.
#[cfg(feature = "schema")]
fn json_schema<T: utoipa::ToSchema>() -> Value {
    let mut parts = Vec::new();
    T::schemas(&mut parts);
    let defs: serde_json::Map<String, Value> = parts
        .into_iter()
        .map(|(name, schema)| (name, serde_json::to_value(schema).unwrap_or_default()))
        .collect();
    let mut root = serde_json::to_value(T::schema()).unwrap_or_default();
    if let Some(object) = root.as_object_mut() {
        object.insert(
            "$schema".into(),
            "https://json-schema.org/draft/2020-12/schema".into(),
        );
        if !defs.is_empty() {
            object.insert("$defs".into(), Value::Object(defs));
        }
    }
    relink(&mut root);
    root
}

#[cfg(feature = "schema")]
fn relink(value: &mut Value) {
    match value {
        Value::Object(object) => {
            if let Some(Value::String(link)) = object.get_mut("$ref") {
                *link = link.replace("#/components/schemas/", "#/$defs/");
            }
            object.values_mut().for_each(relink);
        }
        Value::Array(items) => items.iter_mut().for_each(relink),
        _ => {}
    }
}
