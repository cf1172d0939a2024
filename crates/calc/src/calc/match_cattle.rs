//! `match-cattle`: which cow for which horse on a day.

use serde::Deserialize;

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::cattle::matching::{Cow, Day, Horse, match_day};

/// Input of `match-cattle`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = MatchCattleInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The horses of the day.
    #[cfg_attr(feature = "schema", schema(max_items = 100))]
    pub horses: Vec<Horse>,
    /// The cattle, each with the works that it may still do.
    #[cfg_attr(feature = "schema", schema(max_items = 300))]
    pub cattle: Vec<Cow>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "match-cattle",
    about: "Which cow for which horse on a day: as many works as can be, the best cows for them.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Day>,
};

/// Matches the day.
///
/// # Errors
/// A number out of bounds; a horse or a cow named twice.
pub fn calculate(input: Input) -> Result<Day, FieldError> {
    match_day(&input.horses, &input.cattle)
}
