//! The verdict after each day a level was asked: how stay became confirm, and
//! confirm advance.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};

use super::gate_check::{check_gate, window_of};
use super::side_drop::side_drop;
use super::verdict::{Verdict, decide};
use crate::evidence::Ask;
use crate::ladder::Gate;

/// The verdict at the end of one day.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DayVerdict {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// What the judge said that evening.
    pub verdict: Verdict,
    /// Whether every rail passed.
    pub passes: bool,
    /// Rails that passed.
    pub rails_filled: u32,
    /// Rails of the gate.
    pub rails: u32,
}

/// Judges every day on which the level was asked. `asks` are in order.
pub fn over_days(asks: &[Ask], gate: &Gate) -> Vec<DayVerdict> {
    asks.chunk_by(|a, b| a.day == b.day)
        .map(|day| {
            let on = day[0].day;
            let check = check_gate(asks, gate, on);
            let seen = window_of(asks, gate, on);
            DayVerdict {
                day: on,
                // On a day it was asked, a level is being retested, so it is not rusty.
                verdict: decide(seen, &check, side_drop(seen).is_some(), false),
                passes: check.passes,
                rails_filled: check.items.iter().filter(|item| item.passes).count() as u32,
                rails: check.items.len() as u32,
            }
        })
        .collect()
}
