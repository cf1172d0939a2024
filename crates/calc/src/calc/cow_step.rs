//! `cow-step`: a cow to practise on, so many steps on.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{COW_STEPS, FieldError};
use crate::cattle::cow_model::{
    CowMeets, CowRound, CowScore, CowState, begin, check, meets, score, step, zone_ft,
};
use crate::ground::Point;

/// Input of `cow-step`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CowStepInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The round.
    pub round: CowRound,
    /// Where everything is; null at the begin.
    #[serde(default)]
    pub state: Option<CowState>,
    /// Where the rider steers, a step each: right and up the pen, each of -1 to 1.
    #[cfg_attr(feature = "schema", schema(min_items = 1, max_items = 3600))]
    pub steer: Vec<Point>,
}

/// Output of `cow-step`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CowStepOutput))]
pub struct Output {
    /// Where everything is now.
    pub state: CowState,
    /// Where the horse is to the cow, and so what the cow does.
    pub meets: CowMeets,
    /// The flight zone, in feet: a circle round the cow.
    pub zone_ft: f64,
    /// What the round came to so far, and what cost it.
    pub score: CowScore,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "cow-step",
    about: "A cow with a flight zone and a point of balance, 60 steps a second.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Goes on.
///
/// # Errors
/// A number that no round can have.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    COW_STEPS.check_count("/steer", input.steer.len())?;
    let mut state = match input.state {
        Some(state) => {
            check(&state)?;
            state
        }
        None => begin(&input.round),
    };
    for (index, steer) in input.steer.iter().enumerate() {
        for (place, part) in [steer.x, steer.y].into_iter().enumerate() {
            if !(part.is_finite() && part.abs() <= 1.0) {
                return Err(FieldError::new(
                    format!("/steer/{index}/{place}"),
                    format!("must be -1 to 1, found {part}"),
                ));
            }
        }
        step(&input.round, &mut state, *steer);
    }
    Ok(Output {
        meets: meets(&input.round, &state),
        zone_ft: zone_ft(&input.round),
        score: score(&state),
        state,
    })
}
