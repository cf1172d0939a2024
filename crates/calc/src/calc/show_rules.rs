//! `show-rules`: a piece of headgear against the rules of the show ring.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::gear::show_rules::{Piece, RuleChecked, ShowClass, check};

/// Input of `show-rules`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = ShowRulesInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The piece.
    pub piece: Piece,
    /// Horse and rider as they go in.
    #[serde(default)]
    pub class: ShowClass,
}

/// Output of `show-rules`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = ShowRulesOutput))]
pub struct Output {
    /// Rule by rule, those about this kind of piece.
    pub rules: Vec<RuleChecked>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "show-rules",
    about: "Whether a piece of headgear is legal in the show ring, rule by rule and why.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Checks the piece.
///
/// # Errors
/// A measure out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let rules = check(&input.piece, &input.class)?;
    Ok(Output { rules })
}
