//! `week`: the plan of a week. It is a calculator like the core's, but for the solver: it
//! does not run in the page.

use cavesson_core::bounds::{Bound, FieldError};
use cavesson_core::calc::{Calculator, Cost, Schemas};
use cavesson_core::week::plan::{LeftOutRide, PlannedRide, Term, WeekInstance, words};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::search::{Unsolvable, solve};

/// Seconds a week may take.
pub const SECONDS: Bound = Bound {
    what: "time limit",
    unit: "s",
    least: 0.1,
    most: 600.0,
};

/// Input of `week`.
#[derive(Debug, Clone, Deserialize, ToSchema)]
#[schema(as = WeekInput)]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// What there is.
    pub instance: WeekInstance,
    /// Seconds it may take.
    #[serde(default = "usual_seconds")]
    #[schema(minimum = 0.1, maximum = 600)]
    pub time_limit_s: f64,
}

fn usual_seconds() -> f64 {
    5.0
}

/// Output of `week`.
#[derive(Debug, Clone, Serialize, ToSchema)]
#[schema(as = WeekOutput)]
pub struct Output {
    /// The rides, those that were pinned among them, earliest first.
    pub plan: Vec<PlannedRide>,
    /// What they are worth, in points of the weights.
    pub objective: f64,
    /// The same term by term.
    pub terms: Vec<Term>,
    /// No plan is worth more.
    pub bound: f64,
    /// How far the plan may be from the best, as a share of the bound.
    pub gap: f64,
    /// Horses that get fewer rides than wanted, with the reasons.
    pub left_out: Vec<LeftOutRide>,
    /// Every soft rule that was given up, in sentences.
    pub given_up: Vec<String>,
    /// Seconds it took.
    pub seconds: f64,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "week",
    about: "The plan of a week: who rides which horse when and where, its worth and its gap.",
    cost: Cost::Heavy,
    run: |value| {
        let input: Input = cavesson_core::json::read(value)?;
        let output = calculate(&input)?;
        serde_json::to_value(output).map_err(|error| FieldError::new("", error.to_string()))
    },
    schema: || Schemas {
        input: cavesson_core::calc::json_schema::<Input>(),
        output: cavesson_core::calc::json_schema::<Output>(),
    },
};

/// Plans.
///
/// # Errors
/// A field that does not fit; pins that break a rule that is never broken.
pub fn calculate(input: &Input) -> Result<Output, FieldError> {
    SECONDS.check("/time_limit_s", input.time_limit_s)?;
    let solved = solve(&input.instance, input.time_limit_s, &|_| true);
    let solved = solved.map_err(|why| match why {
        Unsolvable::Field(error) => error.under("/instance"),
        Unsolvable::Pins(texts) => FieldError::new("/instance/pins", texts.join(" ")),
        Unsolvable::BoundBeaten { worth, bound } => {
            FieldError::new("/instance", Unsolvable::beaten(worth, bound))
        }
    })?;
    let terms = solved.score.terms.iter();
    Ok(Output {
        objective: solved.score.total,
        bound: solved.bound,
        gap: solved.gap(),
        given_up: terms
            .map(|term| words::given_up(&input.instance, term))
            .filter(|text| !text.is_empty())
            .collect(),
        terms: solved.score.terms.clone(),
        left_out: solved.left_out,
        plan: solved.rides,
        seconds: solved.seconds,
    })
}

/// All calculators: the core's, and this.
pub fn all() -> impl Iterator<Item = &'static Calculator> {
    cavesson_core::calc::ALL.iter().chain([OWN])
}

/// The calculator of that name.
pub fn find(name: &str) -> Option<&'static Calculator> {
    all().find(|calculator| calculator.name == name)
}

const OWN: &Calculator = &CALCULATOR;
