//! `week-rules`: what a plan of a week breaks, what it is worth, what it leaves out, and
//! what it does otherwise than another.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::week::plan::{
    BrokenInWeek, LeftOutRide, PlanChange, PlannedRide, Score, WeekInstance, broken, changes,
    left_out, score, words,
};

/// Input of `week-rules`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekRulesInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// What there is.
    pub instance: WeekInstance,
    /// The plan.
    #[cfg_attr(feature = "schema", schema(max_items = 800))]
    pub plan: Vec<PlannedRide>,
    /// Another plan, to hold it against: one that is to be changed, or an older one.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 800))]
    pub other: Option<Vec<PlannedRide>>,
    /// Times in words by a clock of 24 hours.
    #[serde(default)]
    pub hours24: bool,
}

/// Output of `week-rules`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = WeekRulesOutput))]
pub struct Output {
    /// What the plan breaks.
    pub broken: Vec<BrokenInWeek>,
    /// What it breaks that the other does not.
    pub newly_broken: Vec<BrokenInWeek>,
    /// What it is worth.
    pub score: Score,
    /// What the other is worth.
    pub other_score: Option<Score>,
    /// Every soft rule that is given up, in sentences.
    pub given_up: Vec<String>,
    /// Horses that get fewer rides than wanted, with the reasons.
    pub left_out: Vec<LeftOutRide>,
    /// What it does otherwise than the other.
    pub changes: Vec<PlanChange>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "week-rules",
    about: "What a plan of a week breaks, is worth and leaves out, and how it differs from another.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Looks at the plan, and at the other.
///
/// # Errors
/// A field that does not fit.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let instance = &input.instance;
    instance.check().map_err(|error| error.under("/instance"))?;
    instance.check_rides("/plan", &input.plan)?;
    if let Some(other) = &input.other {
        instance.check_rides("/other", other)?;
    }
    let now = broken(instance, &input.plan, input.hours24);
    let before = input
        .other
        .as_ref()
        .map_or_else(Vec::new, |other| broken(instance, other, input.hours24));
    let is_new = |one: &&BrokenInWeek| {
        !before.iter().any(|old| {
            (old.day, old.broken.rule, &old.broken.text)
                == (one.day, one.broken.rule, &one.broken.text)
        })
    };
    let worth = score(instance, &input.plan);
    let terms = worth.terms.iter();
    Ok(Output {
        newly_broken: now.iter().filter(is_new).cloned().collect(),
        given_up: terms
            .map(|term| words::given_up(instance, term))
            .filter(|text| !text.is_empty())
            .collect(),
        left_out: left_out(instance, &input.plan),
        changes: input
            .other
            .as_ref()
            .map_or_else(Vec::new, |other| changes(other, &input.plan)),
        other_score: input.other.as_ref().map(|other| score(instance, other)),
        broken: now,
        score: worth,
    })
}
