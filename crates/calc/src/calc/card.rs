//! `card`: the blocks of today's ride, in order, and why.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use super::judge::{self, Judged};
use crate::bounds::FieldError;
use crate::card::{Card, Day, Horse, card};

/// Input of `card`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CardInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The horse, as `judge` is given it.
    pub horse: judge::Input,
    /// The day.
    #[serde(default)]
    pub day: Day,
}

/// Output of `card`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CardOutput))]
pub struct Output {
    /// The card.
    pub card: Card,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "card",
    about: "The blocks of today's ride, in order: what, why, what counts as soft, when to quit.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Builds the card.
///
/// # Errors
/// A horse that cannot be judged, a number of the day out of bounds, a level that the
/// program's ladder does not have.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let Judged {
        ladder,
        file,
        standings,
        holes,
    } = judge::judged(&input.horse).map_err(|error| error.under("/horse"))?;
    input
        .day
        .check(&ladder)
        .map_err(|error| error.under("/day"))?;
    let horse = Horse {
        ladder: &ladder,
        file: &file,
        standings: &standings,
        holes: &holes,
        on: input.horse.date,
    };
    Ok(Output {
        card: card(horse, &input.day),
    })
}
