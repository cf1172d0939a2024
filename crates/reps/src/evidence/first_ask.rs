//! The first ask: the first rep of a skill and side on a day, before any
//! warming. The most honest test, judged on its own.

use jiff::civil::Date;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::Ask;
use crate::Side;

/// The first ask of one day on one side.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FirstAsk {
    /// The day.
    #[cfg_attr(feature = "schema", schema(value_type = String, format = Date))]
    pub day: Date,
    /// Whether it was soft.
    pub soft: bool,
    /// The rep.
    pub rep_id: Uuid,
}

/// The first asks of `side`, one a day, oldest first. `asks` are in order.
pub fn first_asks(asks: &[Ask], side: Side) -> Vec<FirstAsk> {
    let mut found: Vec<FirstAsk> = Vec::new();
    for ask in asks.iter().filter(|ask| ask.side == side) {
        if found.last().is_none_or(|first| first.day != ask.day) {
            found.push(FirstAsk {
                day: ask.day,
                soft: ask.soft,
                rep_id: ask.rep_id,
            });
        }
    }
    found
}
