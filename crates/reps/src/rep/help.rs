//! What helped most in carry and circle work.

use serde::{Deserialize, Serialize};

/// What helped most in carry and circle work. Progress is less hand and more
/// leg at the same softness.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Help {
    /// Mostly hand.
    MostlyHand,
    /// Hand and leg evenly.
    Even,
    /// Mostly leg.
    MostlyLeg,
}
