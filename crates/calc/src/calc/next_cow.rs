//! `next-cow`: at the pen, whether to leave, which tempo is due, and which cow is next.

use super::calculator::{self, Calculator, Cost};
use crate::bounds::FieldError;
use crate::cattle::pen::{Pen, PenAdvice, advise};

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "next-cow",
    about: "At the pen: whether to leave the cattle, which tempo is due, which cow is next.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<Pen, PenAdvice>,
};

/// Says what to do.
///
/// # Errors
/// More than anybody has; a share that is none.
pub fn calculate(pen: Pen) -> Result<PenAdvice, FieldError> {
    advise(&pen)
}
