//! `soft`: whether one answer counts as soft, and the faults it tells of.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::Gait;
use crate::bounds::FieldError;
use crate::id::FaultId;
use crate::rep::{Measure, SoftRule};

/// Input of `soft`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SoftInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// What was measured.
    pub measure: Measure,
    /// The gait it was asked at.
    pub gait: Gait,
    /// When an answer counts as soft; numbers left out are the defaults.
    #[serde(default)]
    pub rule: SoftRule,
}

/// Output of `soft`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = SoftOutput))]
pub struct Output {
    /// Whether it counts as soft.
    pub soft: bool,
    /// The faults the measure tells of by itself.
    pub faults: Vec<FaultId>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "soft",
    about: "One answer: whether it counts as soft, and the faults it tells of.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Decides.
///
/// # Errors
/// A number of the measure or of the rule out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    input.rule.check().map_err(|error| error.under("/rule"))?;
    input
        .measure
        .check()
        .map_err(|error| error.under("/measure"))?;
    let faults = input.measure.faults(&input.rule).into_iter();
    Ok(Output {
        soft: input.measure.is_soft(&input.rule, input.gait),
        faults: faults.map(|id| FaultId(id.to_owned())).collect(),
    })
}
