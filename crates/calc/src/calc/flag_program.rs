//! `flag-program`: what the flag is to do, and where it is when.

use serde::Serialize;

use super::calculator::{self, Calculator, Cost};
use crate::Side;
use crate::bounds::FieldError;
use crate::cattle::flag::{FlagWanted, Move, pace, program};

/// Output of `flag-program`.
#[derive(Debug, Clone, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = FlagProgramOutput))]
pub struct Output {
    /// The moves, in order; at most 1000.
    pub moves: Vec<Move>,
    /// How long they last together, in seconds.
    pub lasts_s: f64,
    /// Turns to the left.
    pub left: u32,
    /// Turns to the right.
    pub right: u32,
    /// How hard the flag speeds up and slows down, in ft/s^2.
    pub acceleration_ft_s2: f64,
}

/// The calculator.
pub const CALCULATOR: Calculator = Calculator {
    name: "flag-program",
    about: "What a mechanical cow is to do: runs, fakes, pauses, by level, side and seed.",
    cost: Cost::Light,
    run: |value| calculator::run_json(value, calculate),
    #[cfg(feature = "schema")]
    schema: calculator::schemas::<FlagWanted, Output>,
};

/// Makes the program.
///
/// # Errors
/// A number out of bounds.
pub fn calculate(wanted: FlagWanted) -> Result<Output, FieldError> {
    let moves = program(&wanted)?;
    let turns = |side: Side| moves.iter().filter(|one| one.turn == Some(side)).count() as u32;
    Ok(Output {
        lasts_s: moves
            .last()
            .map_or(0.0, |last| last.begins_s + last.lasts_s),
        left: turns(Side::Left),
        right: turns(Side::Right),
        acceleration_ft_s2: pace(wanted.level).acceleration_ft_s2,
        moves,
    })
}
