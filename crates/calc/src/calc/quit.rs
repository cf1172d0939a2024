//! `quit`: whether the last ask of a block is a good place to quit.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::{FieldError, MINUTES, REPS_AT_ONCE};
use crate::evidence::SoftCount;
use crate::horse::Sex;
use crate::ride::quit::{self, Before, BlockAsk, Quit};

/// Input of `quit`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = QuitInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The asks of the level on this ride, in the order of asking.
    pub asks: Vec<BlockAsk>,
    /// The level was never asked before this ride.
    #[serde(default)]
    pub brand_new: bool,
    /// The level is not held yet.
    #[serde(default)]
    pub green: bool,
    /// Soft and asked on the last ride that asked the level.
    #[serde(default)]
    pub last_ride: SoftCount,
    /// Minutes the block has; null for a block without a budget.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 600))]
    pub budget_min: Option<f64>,
    /// Mare, gelding or stallion.
    #[serde(default)]
    pub sex: Option<Sex>,
}

/// Output of `quit`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = QuitOutput))]
pub struct Output {
    /// Why this is a good place; null where the last ask brought no reason.
    pub signal: Option<Quit>,
    /// The same in words; empty without a signal.
    pub text: String,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "quit",
    about: "Whether the last ask of a block is a good place to quit, and why.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Decides.
///
/// # Errors
/// Too many asks, or more soft ones on the last ride than were asked.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    REPS_AT_ONCE.check_count("/asks", input.asks.len())?;
    let SoftCount { soft, asked } = input.last_ride;
    if soft > asked {
        return Err(FieldError::new(
            "/last_ride/soft",
            format!("must be 0 to asked ({asked}), found {soft}"),
        ));
    }
    if let Some(minutes) = input.budget_min {
        MINUTES.check("/budget_min", minutes)?;
    }
    let before = Before {
        brand_new: input.brand_new,
        green: input.green,
        last_ride: input.last_ride,
        budget_used_at: input
            .budget_min
            .and_then(|minutes| quit::budget_used_at(&input.asks, minutes)),
    };
    let signal = quit::quit(&input.asks, &before);
    let text = signal.map(|signal| quit::words(signal, &input.asks, &before, input.sex));
    Ok(Output {
        signal,
        text: text.unwrap_or_default(),
    })
}
