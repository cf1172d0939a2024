//! The calculators over HTTP; they know no barn and need no sign-in.

use axum::Json;
use cavesson_core::calc::{ALL, find};
use serde::Serialize;
use serde_json::Value;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;
use utoipa_axum::routes;

use crate::App;
use crate::body::Body;
use crate::problem::{Answer, Problem};
use crate::url::UrlPath;

/// The calculators' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(routes!(list))
        .routes(routes!(run))
}

/// A calculator with the JSON Schemas of its input and output.
#[derive(Serialize, ToSchema)]
struct CalculatorBrief {
    name: &'static str,
    about: &'static str,
    #[schema(value_type = Object)]
    input: Value,
    #[schema(value_type = Object)]
    output: Value,
}

/// All calculators.
#[utoipa::path(
    get, path = "/api/calc", operation_id = "list_calculators", tag = "calc",
    responses((status = 200, description = "Names, schemas", body = [CalculatorBrief]))
)]
async fn list() -> Json<Vec<CalculatorBrief>> {
    let briefs = ALL.iter().map(|calculator| {
        let schemas = (calculator.schema)();
        CalculatorBrief {
            name: calculator.name,
            about: calculator.about,
            input: schemas.input,
            output: schemas.output,
        }
    });
    Json(briefs.collect())
}

/// Run a calculator on one JSON object.
#[utoipa::path(
    post, path = "/api/calc/{name}", operation_id = "run_calculator", tag = "calc", params(("name" = String, Path)),
    request_body(content = Object, description = "As the calculator's input schema says"),
    responses(
        (status = 200, description = "As the calculator's output schema says", body = Object),
        (status = 400, description = "Not JSON", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such calculator", body = Problem, content_type = "application/problem+json"),
        (status = 413, description = "Too much at once", body = Problem, content_type = "application/problem+json"),
        (status = 415, description = "Not sent as JSON", body = Problem, content_type = "application/problem+json"),
        (status = 422, description = "A field does not fit", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn run(UrlPath(name): UrlPath<String>, Body(input): Body<Value>) -> Answer<Json<Value>> {
    let calculator = find(&name)
        .ok_or_else(|| Problem::not_found("no such calculator; see /api/calc for their names"))?;
    let output = tokio::task::spawn_blocking(move || (calculator.run)(input)).await?;
    output.map(Json).map_err(Problem::field)
}
