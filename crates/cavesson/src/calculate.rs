//! `cavesson calc`

use std::io::Read;
use std::process::ExitCode;

use cavesson_core::bounds::FieldError;
use cavesson_core::calc::{ALL, Calculator, relink};
use cavesson_solver::calculator::{all, find};
use serde_json::{Map, Value, json};

/// What `calc` is told.
#[derive(clap::Args)]
pub struct Arguments {
    /// The calculator
    #[arg(required_unless_present = "list")]
    name: Option<String>,
    /// Name the calculators
    #[arg(long)]
    list: bool,
    /// Print the JSON Schemas of input and output instead of calculating
    #[arg(long, requires = "name")]
    schema: bool,
}

/// Bad input: exit code 2 and one JSON object on standard error.
const BAD_INPUT: u8 = 2;

/// Lists, describes or runs.
pub fn run(arguments: &Arguments) -> anyhow::Result<ExitCode> {
    let Some(name) = arguments.name.as_deref().filter(|_| !arguments.list) else {
        for calculator in all() {
            println!("{:<12} {}", calculator.name, calculator.about);
        }
        return Ok(ExitCode::SUCCESS);
    };
    let Some(calculator) = find(name) else {
        let names: Vec<&str> = all().map(|calculator| calculator.name).collect();
        let detail = format!("no calculator \"{name}\"; there are {}", names.join(", "));
        return Ok(refuse(&FieldError::new("", detail)));
    };
    if arguments.schema {
        println!("{}", serde_json::to_string_pretty(&(calculator.schema)())?);
        return Ok(ExitCode::SUCCESS);
    }
    match calculate(calculator) {
        Ok(output) => {
            println!("{}", serde_json::to_string_pretty(&output)?);
            Ok(ExitCode::SUCCESS)
        }
        Err(error) => Ok(refuse(&error)),
    }
}

fn calculate(calculator: &Calculator) -> Result<serde_json::Value, FieldError> {
    let mut text = String::new();
    std::io::stdin()
        .read_to_string(&mut text)
        .map_err(|error| {
            FieldError::new(
                "",
                format!("standard input cannot be read as text: {error}"),
            )
        })?;
    let input = serde_json::from_str(&text)
        .map_err(|error| FieldError::new("", format!("standard input is not JSON: {error}")))?;
    (calculator.run)(input)
}

fn refuse(error: &FieldError) -> ExitCode {
    eprintln!("{}", json!({ "error": error.detail, "field": error.field }));
    ExitCode::from(BAD_INPUT)
}

/// The calculators as an OpenAPI document, one path each: from it come the types of the
/// core in the browser.
pub fn document() -> Value {
    let mut paths = Map::new();
    let mut schemas = Map::new();
    for calculator in ALL {
        let described = (calculator.schema)();
        let mut place = |mut schema: Value| {
            relink(&mut schema, "#/$defs/", "#/components/schemas/");
            if let Some(object) = schema.as_object_mut() {
                object.remove("$schema");
                if let Some(Value::Object(parts)) = object.remove("$defs") {
                    schemas.extend(parts);
                }
            }
            json!({"application/json": {"schema": schema}})
        };
        let (input, output) = (place(described.input), place(described.output));
        let operation = json!({
            "operationId": calculator.name,
            "description": calculator.about,
            "requestBody": {"required": true, "content": input},
            "responses": {"200": {"description": "The result", "content": output}},
        });
        paths.insert(format!("/{}", calculator.name), json!({"post": operation}));
    }
    json!({
        "openapi": "3.1.0",
        "info": {"title": "Calculators", "version": env!("CARGO_PKG_VERSION")},
        "paths": paths,
        "components": {"schemas": schemas},
    })
}
