//! A whole round on the cow, as it was ridden: what the rider steered, step by step, and what it
//! came to. Whoever has the seed and the steering has the round.

use serde::{Deserialize, Serialize};

use super::cow_model::{CowRound, CowScore, CowState, begin, score, step};
use crate::bounds::{COW_STEPS, FieldError};
use crate::ground::point::at;

/// Steps of a round: a minute.
pub const ROUND_STEPS: u32 = 3_600;
/// Steering is kept in so many parts of full speed: what a thumb can do, and exact.
pub const PARTS: i16 = 8;

/// So many steps steered alike.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Steered {
    /// For how many steps.
    #[cfg_attr(feature = "schema", schema(minimum = 1, maximum = 3600))]
    pub steps: u32,
    /// To the right, in eighths of full speed.
    #[cfg_attr(feature = "schema", schema(minimum = -8, maximum = 8))]
    pub across: i16,
    /// Up the pen, in eighths of full speed.
    #[cfg_attr(feature = "schema", schema(minimum = -8, maximum = 8))]
    pub up: i16,
}

/// Rides a whole round again.
///
/// # Errors
/// Steering that is none; fewer or more steps than a round has, at `/steered`.
pub fn ridden(round: &CowRound, steered: &[Steered]) -> Result<(CowState, CowScore), FieldError> {
    COW_STEPS.check_count("/steered", steered.len())?;
    let mut state = begin(round);
    let mut left = ROUND_STEPS;
    for (index, one) in steered.iter().enumerate() {
        let field = |name: &str| format!("/steered/{index}/{name}");
        if one.steps == 0 || one.steps > left {
            return Err(FieldError::new(
                field("steps"),
                format!("must be 1 to {left}, found {}", one.steps),
            ));
        }
        for (name, part) in [("across", one.across), ("up", one.up)] {
            if !(-PARTS..=PARTS).contains(&part) {
                return Err(FieldError::new(
                    field(name),
                    format!("must be -{PARTS} to {PARTS}, found {part}"),
                ));
            }
        }
        let part = |part: i16| f64::from(part) / f64::from(PARTS);
        for _ in 0..one.steps {
            step(round, &mut state, at(part(one.across), part(one.up)));
        }
        left -= one.steps;
    }
    if left > 0 {
        return Err(FieldError::new(
            "/steered",
            format!("a round has {ROUND_STEPS} steps; {left} are missing"),
        ));
    }
    Ok((state, score(&state)))
}
