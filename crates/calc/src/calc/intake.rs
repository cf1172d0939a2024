//! `intake`: the next ask of a horse that nobody here has ridden, and what is known by now.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, INTAKE_RIDES, MINUTES};
use crate::horse::Sex;
use crate::intake::asked::{Asked, check_asks};
use crate::intake::belief::Effort;
use crate::intake::choice::{NextAsk, Stop, next_ask};
use crate::intake::safe::Known;
use crate::intake::{BarnHorse, Belief, Found, IntakeAsk, Model, Story, found, words};
use crate::judge::BrakeLimit;
use crate::program::Program;

/// Input of `intake`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The program; the default schools and gates when left out.
    #[serde(default)]
    pub program: Program,
    /// What is said of the horse, and what the day has.
    #[serde(default)]
    pub story: Story,
    /// This barn's own horses: how long each was ridden, and what it holds.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 1000))]
    pub barn: Vec<BarnHorse>,
    /// What was asked so far, in the order of asking.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(max_items = 5000))]
    pub asks: Vec<IntakeAsk>,
    /// Which ride of the intake this is, the first is 0.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 20))]
    pub ride: u32,
    /// Minutes used so far on it.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub minutes_used: f64,
    /// What the horse's brake keeps it from, where it was lost since; left out where the intake
    /// is to find out what it can.
    #[serde(default)]
    pub brake: Option<BrakeLimit>,
    /// A sign of pain was seen.
    #[serde(default)]
    pub hurting: bool,
    /// Mare, gelding or stallion.
    #[serde(default)]
    pub sex: Option<Sex>,
    /// The seed of the draws.
    #[serde(default)]
    pub seed: u32,
}

/// Output of `intake`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = IntakeOutput))]
pub struct Output {
    /// The next ask; null when nothing more is asked.
    pub next: Option<NextAsk>,
    /// Why nothing more is asked.
    pub stop: Option<Stop>,
    /// The same in words; empty while there is a next ask.
    pub text: String,
    /// What is found by now.
    pub found: Found,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "intake",
    about: "Where a new horse stands on the ladder: the next ask, and what is known by now.",
    cost: Cost::Heavy,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Chooses the next ask, and says what is found by now.
///
/// # Errors
/// A program that does not fit the ladder, a story, a barn or an ask out of bounds.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let ladder = calculator::ladder_of(&input.program)?;
    input
        .story
        .check(&ladder)
        .map_err(|error| error.under("/story"))?;
    BarnHorse::check_all("/barn", &input.barn)?;
    check_asks("/asks", &input.asks)?;
    if let Some(brake) = &input.brake {
        brake.check().map_err(|error| error.under("/brake"))?;
    }
    INTAKE_RIDES.check("/ride", f64::from(input.ride))?;
    MINUTES.check("/minutes_used", input.minutes_used)?;
    let model = Model::new(&ladder, &input.story, &input.barn);
    let asked = Asked::of(&ladder, &input.asks, input.ride);
    let belief = Belief::draw(&model, &asked, Effort::USUAL, u64::from(input.seed));
    let known = Known {
        ladder: &ladder,
        story: &input.story,
        asked: &asked,
        belief: &belief,
        brake: input.brake.as_ref(),
    };
    let chosen = next_ask(&known, input.minutes_used, input.hurting);
    Ok(Output {
        next: chosen
            .ok()
            .map(|chosen| words::next(&known, chosen, input.sex)),
        stop: chosen.err(),
        text: chosen
            .err()
            .map_or_else(String::new, |stop| words::stop(stop, input.sex)),
        found: found(&known, input.sex),
    })
}
