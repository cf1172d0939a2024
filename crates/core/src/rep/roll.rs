//! The rollback.

use serde::{Deserialize, Serialize};

/// What it was rolled back against.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Against {
    /// A barrel.
    Barrel,
    /// The fence.
    Fence,
    /// Nothing.
    Open,
}

/// How it left.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Exit {
    /// Soft.
    Soft,
    /// Stiff.
    Stiff,
}

/// One rollback.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Roll {
    /// What it was rolled back against.
    pub against: Against,
    /// Whether the weight was behind.
    pub weight_behind: bool,
    /// Whether it fell forward.
    pub fell_forward: bool,
    /// How it left.
    pub exit: Exit,
    /// Whether it took a full 360.
    #[serde(default)]
    pub full_turn: bool,
}

impl Roll {
    /// Weight behind, did not fall forward, left soft.
    pub fn is_soft(&self) -> bool {
        self.weight_behind && !self.fell_forward && self.exit == Exit::Soft
    }

    /// The faults that it tells of.
    pub fn faults(&self) -> &'static [&'static str] {
        match (self.fell_forward, self.exit) {
            (true, Exit::Stiff) => &["falls_forward", "stiff_exit"],
            (true, Exit::Soft) => &["falls_forward"],
            (false, Exit::Stiff) => &["stiff_exit"],
            (false, Exit::Soft) => &[],
        }
    }
}
