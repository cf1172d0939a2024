//! `bit-change`: what comes next in changing the bit.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::gear::protocol::{ChangeStep, NextStep, StepTaken, check_steps, next_step, says};

/// Input of `bit-change`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = BitChangeInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The steps as they went, in order; each follows from those before it.
    #[cfg_attr(feature = "schema", schema(max_items = 100))]
    pub steps: Vec<StepTaken>,
}

/// A step of the list.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = BitChangeStep))]
pub struct Step {
    /// Which.
    pub step: ChangeStep,
    /// What a trainer calls it.
    pub name: &'static str,
    /// How it is done.
    pub how: &'static str,
}

/// Output of `bit-change`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = BitChangeOutput))]
pub struct Output {
    /// What comes next.
    pub next: NextStep,
    /// The same in sentences.
    pub says: Vec<String>,
    /// All steps in their order.
    pub all: Vec<Step>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "bit-change",
    about: "What comes next in changing the bit, after the steps so far.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Reads the steps.
///
/// # Errors
/// A step that does not follow from those before it.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    check_steps(&input.steps)?;
    let next = next_step(&input.steps);
    let all = ChangeStep::ALL.iter().map(|step| Step {
        step: *step,
        name: step.name(),
        how: step.how(),
    });
    Ok(Output {
        says: says(next),
        next,
        all: all.collect(),
    })
}
