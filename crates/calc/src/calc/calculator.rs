//! What a calculator is, and what they all do alike.

use serde::Serialize;
use serde::de::DeserializeOwned;
use serde_json::Value;

use crate::bounds::{Bound, FieldError};
use crate::json::read;
use crate::ladder::{Ladder, LadderFile};
use crate::program::Program;
use crate::rep::Rep;

/// What a run of a calculator costs at the most.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Cost {
    /// Microseconds to milliseconds: open to anyone.
    Light,
    /// Up to seconds: over HTTP for people who are signed in, a few at a time.
    Heavy,
}

/// One calculator.
#[derive(Clone, Copy)]
pub struct Calculator {
    /// Its name on the command line and in the API.
    pub name: &'static str,
    /// What it computes, in a sentence.
    pub about: &'static str,
    /// What a run costs at the most.
    pub cost: Cost,
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

/// Reads `input` strictly, runs `calculate`, writes the result.
pub(super) fn run_json<I: DeserializeOwned, O: Serialize>(
    input: Value,
    calculate: fn(I) -> Result<O, FieldError>,
) -> Result<Value, FieldError> {
    let input: I = read(input)?;
    let output = calculate(input)?;
    serde_json::to_value(output).map_err(|error| FieldError::new("", error.to_string()))
}

/// A list whose length and every figure lie within their bounds.
pub(super) fn series<'a>(
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

/// The ladder that a program makes of the shipped one.
pub(super) fn ladder_of(program: &Program) -> Result<Ladder, FieldError> {
    program
        .ladder(LadderFile::shipped())
        .map_err(|error| error.under("/program"))
}

/// Checks reps against a ladder: level, side, kind of measure, every number.
pub(super) fn check_reps(reps: &[Rep], ladder: &Ladder) -> Result<(), FieldError> {
    for (index, rep) in reps.iter().enumerate() {
        rep.check(ladder)
            .map_err(|error| error.under(&format!("/reps/{index}")))?;
    }
    Ok(())
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
pub(super) fn schemas<I: utoipa::ToSchema, O: utoipa::ToSchema>() -> Schemas {
    Schemas {
        input: json_schema::<I>(),
        output: json_schema::<O>(),
    }
}

/// Makes each variant of a tagged union one strict object. As derived it is all of a
/// strict object without the tag and an object with it: nothing fits both.
/// `definitions` are the schemas that can be referred to, by name.
#[cfg(feature = "schema")]
pub fn join_variants(schema: &mut Value, definitions: &serde_json::Map<String, Value>) {
    if let Some(joined) = joined_variant(schema, definitions) {
        *schema = joined;
    }
    match schema {
        Value::Object(object) => object
            .values_mut()
            .for_each(|inner| join_variants(inner, definitions)),
        Value::Array(items) => items
            .iter_mut()
            .for_each(|inner| join_variants(inner, definitions)),
        _ => {}
    }
}

#[cfg(feature = "schema")]
pub(super) fn joined_variant(
    schema: &Value,
    definitions: &serde_json::Map<String, Value>,
) -> Option<Value> {
    let [referred, tag] = schema.get("allOf")?.as_array()?.as_slice() else {
        return None;
    };
    let name = referred.get("$ref")?.as_str()?.rsplit('/').next()?;
    let mut joined = definitions.get(name)?.clone();
    if joined.get("additionalProperties") != Some(&Value::Bool(false)) {
        return None;
    }
    let object = joined.as_object_mut()?;
    let properties = tag.get("properties")?.as_object()?.clone();
    object
        .entry("properties")
        .or_insert_with(|| Value::Object(serde_json::Map::new()))
        .as_object_mut()?
        .extend(properties);
    let required = tag.get("required")?.as_array()?.clone();
    object
        .entry("required")
        .or_insert_with(|| Value::Array(Vec::new()))
        .as_array_mut()?
        .extend(required);
    Some(joined)
}

/// The schema of a type, what it refers to under `$defs`.
#[cfg(feature = "schema")]
pub fn json_schema<T: utoipa::ToSchema>() -> Value {
    let mut parts = Vec::new();
    T::schemas(&mut parts);
    let defs: serde_json::Map<String, Value> = parts
        .into_iter()
        .map(|(name, schema)| (name, serde_json::to_value(schema).unwrap_or_default()))
        .collect();
    let mut root = serde_json::to_value(T::schema()).unwrap_or_default();
    let strict = defs.clone();
    let mut defs = Value::Object(defs);
    join_variants(&mut defs, &strict);
    join_variants(&mut root, &strict);
    let defs = defs.as_object().cloned().unwrap_or_default();
    if let Some(object) = root.as_object_mut() {
        object.insert(
            "$schema".into(),
            "https://json-schema.org/draft/2020-12/schema".into(),
        );
        if !defs.is_empty() {
            object.insert("$defs".into(), Value::Object(defs));
        }
    }
    relink(&mut root, "#/components/schemas/", "#/$defs/");
    root
}

/// Points every link of a schema that begins with `from` to `to`.
#[cfg(feature = "schema")]
pub fn relink(value: &mut Value, from: &str, to: &str) {
    match value {
        Value::Object(object) => {
            if let Some(Value::String(link)) = object.get_mut("$ref") {
                *link = link.replace(from, to);
            }
            object
                .values_mut()
                .for_each(|value| relink(value, from, to));
        }
        Value::Array(items) => items.iter_mut().for_each(|value| relink(value, from, to)),
        _ => {}
    }
}
