//! `day-rules`: what a day breaks, and what a change to it would break.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::week::{Broken, DayChange, DayPlan, broken, broken_by};

/// Input of `day-rules`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = DayRulesInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The day as it stands.
    pub day: DayPlan,
    /// What is to be changed; left out, only the day is looked at.
    #[serde(default)]
    pub change: Option<DayChange>,
    /// Times in words by a clock of 24 hours.
    #[serde(default)]
    pub hours24: bool,
}

/// Output of `day-rules`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = DayRulesOutput))]
pub struct Output {
    /// What the day breaks as it stands.
    pub broken: Vec<Broken>,
    /// What the change would break beside that.
    pub by_change: Vec<Broken>,
    /// The day after the change.
    pub after: Option<DayPlan>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "day-rules",
    about: "What a day of bookings breaks, and what a change to it would break.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Looks at the day and at the change.
///
/// # Errors
/// A field that does not fit.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    input.day.check().map_err(|error| error.under("/day"))?;
    let after = input.change.map(|change| change.after(&input.day));
    if let Some(after) = &after {
        after.check().map_err(|error| error.under("/change"))?;
    }
    let by_change = input.change.map_or_else(Vec::new, |change| {
        broken_by(&input.day, &change, input.hours24)
    });
    Ok(Output {
        broken: broken(&input.day, input.hours24),
        by_change,
        after,
    })
}
