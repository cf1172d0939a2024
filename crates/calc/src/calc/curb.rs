//! `curb`: a curb bit at rest under a pull, and how its strap fits.

use serde::{Deserialize, Serialize};

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::gear::strap::{check_wanted, half_strap_in};
use crate::gear::{Curb, CurbForces, Strap, StrapFit, words};

/// Input of `curb`.
#[derive(Debug, Clone, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CurbInput))]
#[serde(deny_unknown_fields)]
pub struct Input {
    /// The bit, the jaw, the pull.
    pub curb: Curb,
    /// The strap as it is buckled; left out: its fit is not looked at.
    #[serde(default)]
    pub strap: Option<Strap>,
    /// The rotation at which it is to take hold, in degrees.
    #[serde(default = "usual_take_hold")]
    #[cfg_attr(feature = "schema", schema(minimum = 0, maximum = 80))]
    pub take_hold_deg: f64,
}

fn usual_take_hold() -> f64 {
    37.5
}

/// Output of `curb`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = CurbOutput))]
pub struct Output {
    /// What holds the bit at rest, its strap taken up.
    pub forces: CurbForces,
    /// The half length of a strap that takes hold at the wanted rotation, in inches.
    pub half_strap_in: f64,
    /// How the strap fits; null without one.
    pub strap: Option<StrapFit>,
    /// Whether the strap has taken hold at this rotation; before, the rein only turns the bit.
    pub has_taken_hold: Option<bool>,
    /// What is to be looked at, in sentences.
    pub says: Vec<String>,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "curb",
    about: "Forces of a curb bit under a pull, when its strap takes hold, and which hole.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Input, Output>,
};

/// Computes forces and fit.
///
/// # Errors
/// A measure that cannot be.
pub fn calculate(input: Input) -> Result<Output, FieldError> {
    let Input { curb, strap, .. } = input;
    curb.check("/curb")?;
    let wanted = check_wanted("/take_hold_deg", input.take_hold_deg)?;
    if let Some(strap) = &strap {
        strap.check("/strap", &curb)?;
    }
    let strap = strap.map(|strap| strap.fit(&curb, wanted));
    Ok(Output {
        forces: curb.forces(),
        half_strap_in: half_strap_in(curb.purchase_in, curb.jaw_in, wanted),
        has_taken_hold: strap.map(|fit| curb.rotation_deg + 1e-9 >= fit.takes_hold_deg),
        says: strap.as_ref().map_or_else(Vec::new, words::strap),
        strap,
    })
}
