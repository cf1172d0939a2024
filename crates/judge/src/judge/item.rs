//! The rails of a gate, by what they ask for.

use serde::{Deserialize, Serialize};

use crate::Side;

/// What a rail of the gate asks for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum ItemKind {
    /// What adds up, over the whole record.
    Count,
    /// Asks in the window.
    Reps,
    /// Days in the window.
    Days,
    /// Share of soft answers.
    SoftShare,
    /// What the readiness surely lies above.
    LowShare,
    /// Soft first asks among the last days.
    FirstAsk,
    /// Soft answers in a row, for a safety gate.
    NoMiss,
    /// Difference of the sides' soft shares.
    Difference,
    /// Ratio of the sides' restricted mean times.
    TimeRatio,
    /// The level below, soft on the last day it was asked: on the same side.
    LevelBelow,
}

impl ItemKind {
    /// Rails with a half for each side, from the bottom of the gate up.
    pub const PER_SIDE: [ItemKind; 8] = [
        ItemKind::Count,
        ItemKind::Reps,
        ItemKind::Days,
        ItemKind::SoftShare,
        ItemKind::LowShare,
        ItemKind::FirstAsk,
        ItemKind::NoMiss,
        ItemKind::LevelBelow,
    ];

    /// Whether the figure has to stay below what the gate names.
    pub fn at_most(self) -> bool {
        matches!(self, ItemKind::Difference | ItemKind::TimeRatio)
    }
}

/// One rail, or the half of one.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Item {
    /// What it asks for.
    pub item: ItemKind,
    /// The side, for a rail with two halves.
    pub side: Option<Side>,
    /// The least that passes; for difference and ratio, the most.
    pub needed: f64,
    /// What was found; none while there is nothing to find it from.
    pub found: Option<f64>,
    /// How far the rail is filled, 0 to 1; 1 when it passes.
    pub filled: f64,
    /// Whether it passes.
    pub passes: bool,
}
