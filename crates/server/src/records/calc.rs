//! The calculators over HTTP. They know no barn; those that take long ask for a
//! sign-in and run one at a time.

use axum::Json;
use axum::extract::State;
use cavesson_core::calc::Cost;
use cavesson_solver::calculator::{all, find};
use serde::Serialize;
use serde_json::Value;
use utoipa::ToSchema;
use utoipa_axum::router::OpenApiRouter;

use crate::App;
use crate::http::body::Body;
use crate::http::problem::{Answer, Problem};
use crate::http::signed_in::Signed;
use crate::http::url::UrlPath;
use crate::route;

/// The calculators' routes.
pub fn routes() -> OpenApiRouter<App> {
    OpenApiRouter::new()
        .routes(route!(list))
        .routes(route!(run))
}

/// A calculator with the JSON Schemas of its input and output.
#[derive(Serialize, ToSchema)]
struct CalculatorBrief {
    name: &'static str,
    about: &'static str,
    /// What a run costs at the most: light ones are open to anyone, heavy ones ask for a
    /// sign-in.
    cost: Cost,
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
    let briefs = all().map(|calculator| {
        let schemas = (calculator.schema)();
        CalculatorBrief {
            name: calculator.name,
            about: calculator.about,
            cost: calculator.cost,
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
        (status = 401, description = "A heavy calculator, and nobody is signed in", body = Problem, content_type = "application/problem+json"),
        (status = 404, description = "No such calculator", body = Problem, content_type = "application/problem+json"),
    )
)]
async fn run(
    State(app): State<App>,
    UrlPath(name): UrlPath<String>,
    signed: Result<Signed, Problem>,
    Body(input): Body<Value>,
) -> Answer<Json<Value>> {
    let calculator = find(&name)
        .ok_or_else(|| Problem::not_found("no such calculator; see /api/calc for their names"))?;
    let output = match calculator.cost {
        Cost::Light => {
            app.work
                .judging
                .run(move || (calculator.run)(input))
                .await?
        }
        Cost::Heavy => {
            signed?;
            let line = &app.work.calculators;
            line.run(move || (calculator.run)(input)).await?
        }
    };
    output.map(Json).map_err(Problem::field)
}
