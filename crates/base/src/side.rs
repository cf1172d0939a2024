//! Left, right and both, as the rider sits.

use serde::{Deserialize, Serialize};

/// The side of the horse an ask was made on, from the rider's seat.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Side {
    /// The left rein or leg.
    Left,
    /// The right rein or leg.
    Right,
    /// Both at once, or neither in particular.
    Both,
}

impl Side {
    /// Left and right, left first, as every table of the product lists them.
    pub const EACH: [Side; 2] = [Side::Left, Side::Right];

    /// Every word for a side.
    pub const ALL: [Side; 3] = [Side::Left, Side::Right, Side::Both];

    /// The other side; both has none but itself.
    pub fn other(self) -> Side {
        match self {
            Side::Left => Side::Right,
            Side::Right => Side::Left,
            Side::Both => Side::Both,
        }
    }

    /// The side of that word, if there is one.
    pub fn from_word(word: &str) -> Option<Side> {
        Side::ALL.into_iter().find(|side| side.word() == word)
    }

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            Side::Left => "left",
            Side::Right => "right",
            Side::Both => "both",
        }
    }
}

/// Whether left and right are asked each on its own.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Sides {
    /// Left and right, each judged on its own.
    #[default]
    Each,
    /// Both at once, or neither in particular.
    Both,
}

impl Sides {
    /// The sides a rep of such a skill may name.
    pub fn asked(self) -> &'static [Side] {
        match self {
            Sides::Each => &Side::EACH,
            Sides::Both => &[Side::Both],
        }
    }
}
