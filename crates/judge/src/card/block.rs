//! What a card and its parts hold.

use serde::{Deserialize, Serialize};

use crate::ground::drill::DrillKind;
use crate::ladder::Level;
use crate::{Gait, Side};

/// A card for one horse and day.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Card {
    /// Minutes of all its blocks in the saddle or in hand, the check-over apart.
    pub minutes: u32,
    /// Minutes it may have at most.
    pub most_minutes: u32,
    /// Nothing on it is faster.
    pub fastest: Gait,
    /// What limits it, in a sentence each: age, heat, lay-off, brake.
    pub limits: Vec<String>,
    /// What to look out for so that nobody is hurt.
    pub cautions: Vec<String>,
    /// Its parts, in order.
    pub blocks: Vec<Block>,
    /// What would have been worth more, and why it is not on the card.
    pub left_out: Vec<LeftOut>,
    /// What the choice is worth; cards of the same horse and day can be compared by it.
    pub worth: f64,
}

/// A level that is not on the card, and why.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LeftOut {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
    /// Why it is not on the card.
    pub why: String,
}

/// What a part of the card is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum Part {
    /// Led and moved about until quiet.
    CheckOver,
    /// Mount, and ask the brake on both sides.
    Brake,
    /// First asks, one a side.
    Cold,
    /// Loosen.
    Loosen,
    /// Something known.
    Review,
    /// The one new or limiting thing.
    Work,
    /// Rest on a loose rein.
    Breather,
    /// Gather the herd, set the barrels.
    SetUp,
    /// What the work is for.
    Use,
    /// Something easy.
    Finish,
    /// Walk out.
    WalkOut,
}

/// A part of the card.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = BlockOfCard))]
pub struct Block {
    /// What it is.
    pub part: Part,
    /// What it is called.
    pub name: String,
    /// The levels asked in it, in order; none where nothing is asked.
    pub levels: Vec<NamedLevel>,
    /// Asks a side, in the order of asking.
    pub asks: Vec<BlockAsks>,
    /// Its minutes.
    pub minutes: u32,
    /// How it is done.
    pub exercise: String,
    /// Why it is on the card.
    pub why: String,
    /// What counts as soft; empty where nothing is asked.
    pub soft: String,
    /// When to quit.
    pub quit: String,
    /// What to do if it goes wrong; empty where nothing is asked.
    pub if_wrong: String,
    /// Who has to be there; empty for the rider alone.
    pub who: String,
    /// What could be asked in its place, best first.
    pub instead: Vec<NamedLevel>,
    /// A drill to ask it in; left out where there is none.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub drill: Option<NamedDrill>,
}

/// A drill by name.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NamedDrill {
    /// The drill.
    pub kind: DrillKind,
    /// What it is called.
    pub name: String,
}

/// A level by name.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NamedLevel {
    /// The level.
    pub level: Level,
    /// What it is called.
    pub name: String,
}

/// Asks of one side.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlockAsks {
    /// The side.
    pub side: Side,
    /// How many.
    pub asks: u32,
}
