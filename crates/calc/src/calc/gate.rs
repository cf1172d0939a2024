//! `gate`: the reps of one level against a gate on a date.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, REPS_AT_ONCE};
use crate::judge::{Item, Verdict, WhatItTakes, judge_reps};
use crate::ladder::{Gate, Ladder};
use crate::rep::Rep;

/// Input of `gate`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GateInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The reps, as the API sends them; all of one skill and rung.
    pub reps: Vec<Rep>,
    /// The gate; numbers left out are the defaults.
    #[serde(default)]
    pub gate: Gate,
    /// The date to judge for.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub date: Date,
}

/// Output of `gate`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = GateOutput))]
pub struct Output {
    /// Every rail with needed, found and whether it passes.
    pub items: Vec<Item>,
    /// Whether all pass.
    pub passes: bool,
    /// What the judge says of them.
    pub verdict: Verdict,
    /// What it would take.
    pub what_it_takes: WhatItTakes,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "gate",
    about: "The reps of one level against a gate: each rail, and what it would take.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Checks the gate. Without reps the gate is that of the lightest ask.
///
/// # Errors
/// A rep or gate number out of bounds, or reps of more than one level.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    REPS_AT_ONCE.check_count("/reps", input.reps.len())?;
    input.gate.check().map_err(|error| error.under("/gate"))?;
    let mut ladder = Ladder::shipped().clone();
    let lightest = ladder.lightest_ask().unwrap_or_default();
    let level = input
        .reps
        .first()
        .map_or_else(|| ladder.levels[lightest].level.clone(), |rep| rep.level());
    calculator::check_reps(&input.reps, &ladder)?;
    if let Some(index) = input.reps.iter().position(|rep| rep.level() != level) {
        let found = input.reps[index].level();
        return Err(FieldError::new(
            format!("/reps/{index}/skill"),
            format!("all reps must be of one skill and rung ({level}), found {found}"),
        ));
    }
    ladder.set_gate(&level, input.gate);
    let judged = judge_reps(&ladder, &level, &input.reps, input.date)
        .ok_or_else(|| FieldError::new("/reps/0/skill", "this level is not on the ladder"))?;
    Ok(Output {
        items: judged.gate.items,
        passes: judged.gate.passes,
        verdict: judged.verdict,
        what_it_takes: judged.what_it_takes,
    })
}
