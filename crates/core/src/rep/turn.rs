//! A turn on a cow or flag.

use serde::{Deserialize, Serialize};

/// How fast the cow or flag goes.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Tempo {
    /// Walks off.
    Slow,
    /// Trots.
    Medium,
    /// Runs.
    Quick,
}

/// Where the horse stopped, seen from the cow's eye.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Position {
    /// Short of it.
    Short,
    /// Even.
    Even,
    /// Half a length long.
    Long,
    /// Past it.
    Past,
}

/// What the shoulders did.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Shoulders {
    /// Swept across.
    SweptAcross,
    /// Leaked toward the cow.
    Leaked,
}

/// Where the weight was.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Weight {
    /// Behind.
    Behind,
    /// Not behind: the head was tossed.
    HeadTossed,
}

/// Whether the cow was turned.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum TurnResult {
    /// Turned it.
    Turned,
    /// Lost it.
    Lost,
}

/// One turn; the side is the rep's.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct Turn {
    /// How fast the cow or flag went.
    pub tempo: Tempo,
    /// Where the horse stopped.
    pub position: Position,
    /// What the shoulders did.
    pub shoulders: Shoulders,
    /// Where the weight was.
    pub weight: Weight,
    /// Waited; otherwise it panicked.
    pub waited: bool,
    /// Whether the cow was turned.
    pub result: TurnResult,
}

impl Turn {
    /// Even or half a length long, swept across, weight behind, turned it.
    pub fn is_soft(&self) -> bool {
        matches!(self.position, Position::Even | Position::Long)
            && self.shoulders == Shoulders::SweptAcross
            && self.weight == Weight::Behind
            && self.result == TurnResult::Turned
    }

    /// The faults that it tells of.
    pub fn faults(&self) -> Vec<&'static str> {
        let told = [
            (self.shoulders == Shoulders::Leaked, "shoulder_leaks"),
            (self.weight == Weight::HeadTossed, "head_tossed"),
            (self.position == Position::Past, "runs_past"),
            (self.position == Position::Short, "hangs_short"),
            (!self.waited, "panics_left"),
        ];
        told.into_iter()
            .filter_map(|(told, fault)| told.then_some(fault))
            .collect()
    }
}
