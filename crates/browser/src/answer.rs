//! One call, as text in and out.

use cavesson_core::bounds::FieldError;
use cavesson_core::calc::find;
use serde_json::{Value, json};

/// Runs the calculator `name` on a JSON object. The answer is `{"output": ...}`, or
/// `{"error": {"field", "says"}}` as the API has it.
pub fn answer(name: &str, input: &str) -> String {
    let outcome = match run(name, input) {
        Ok(output) => json!({ "output": output }),
        Err(error) => json!({ "error": error }),
    };
    outcome.to_string()
}

fn run(name: &str, input: &str) -> Result<Value, FieldError> {
    let calculator =
        find(name).ok_or_else(|| FieldError::new("", format!("no calculator \"{name}\"")))?;
    let input =
        serde_json::from_str(input).map_err(|error| FieldError::new("", error.to_string()))?;
    (calculator.run)(input)
}
