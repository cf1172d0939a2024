//! `road`: will the horse be ready by the date, what decides it, and what helps most?

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::program::Program;
use crate::road::needed::road_levels;
use crate::road::what_would_help::{Held, helps};
use crate::road::{Road, RoadAsked, RoadHelp, road, words};

/// Input of `road`.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RoadInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The program; the default schools and gates when left out.
    #[serde(default)]
    pub program: Program,
    /// Where the horse stands, its goals, the rides there are.
    pub road: RoadAsked,
    /// The horse is young or develops late: pushing it is named as such.
    #[serde(default)]
    pub not_to_be_pushed: bool,
    /// Whether what would help is looked for too: it takes a few times as long.
    #[serde(default)]
    pub with_helps: bool,
}

/// Output of `road`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = RoadOutput))]
pub struct Output {
    /// The road.
    pub road: Road,
    /// What would help the first goal most, the most first; empty where nobody asked.
    pub helps: Vec<RoadHelp>,
    /// What it rests on, in a sentence.
    pub rests_on: String,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "road",
    about: "The chance that a horse is ready by a date, the range of the day, and what decides.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Looks down the road.
///
/// # Errors
/// A program that does not fit the ladder; a field out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let ladder = calculator::ladder_of(&input.program)?;
    input
        .road
        .check(&ladder)
        .map_err(|error| error.under("/road"))?;
    let told = road(&ladder, &input.road);
    let held = Held {
        pushed: input.not_to_be_pushed,
    };
    Ok(Output {
        helps: if input.with_helps {
            helps(&ladder, &input.road, &told, held)
        } else {
            Vec::new()
        },
        rests_on: words::rests_on(
            &road_levels(&ladder, &input.road).rests_on(&ladder, &input.road),
        ),
        road: told,
    })
}
