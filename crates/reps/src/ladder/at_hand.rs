//! What has to be at hand for some skills: cattle, barrels, obstacles.

use serde::{Deserialize, Serialize};

/// What has to be at hand, and takes its time to set up.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(rename_all = "snake_case")]
pub enum AtHand {
    /// Cattle in the pen.
    Cattle,
    /// A flag on its line.
    Flag,
    /// Barrels.
    Barrels,
    /// Poles, a bridge, a gate.
    Obstacles,
    /// Other horses to ride with.
    Company,
    /// A way out of the arena.
    Outside,
    /// A trailer, and somewhere to go.
    Haul,
}

impl AtHand {
    /// All of them.
    pub const ALL: [AtHand; 7] = [
        AtHand::Cattle,
        AtHand::Flag,
        AtHand::Barrels,
        AtHand::Obstacles,
        AtHand::Company,
        AtHand::Outside,
        AtHand::Haul,
    ];

    /// The word as it is stored and sent.
    pub fn word(self) -> &'static str {
        match self {
            AtHand::Cattle => "cattle",
            AtHand::Flag => "flag",
            AtHand::Barrels => "barrels",
            AtHand::Obstacles => "obstacles",
            AtHand::Company => "company",
            AtHand::Outside => "outside",
            AtHand::Haul => "haul",
        }
    }

    /// What is usually at hand at a place of that kind. Product default.
    pub fn usually_at(place_kind: &str) -> Vec<AtHand> {
        match place_kind {
            "arena" => vec![
                AtHand::Flag,
                AtHand::Barrels,
                AtHand::Obstacles,
                AtHand::Company,
            ],
            "cattle_pen" => vec![AtHand::Cattle, AtHand::Flag],
            "outside" => vec![AtHand::Company, AtHand::Outside],
            _ => Vec::new(),
        }
    }

    /// As it stands in a sentence: "needs ...".
    pub fn text(self) -> &'static str {
        match self {
            AtHand::Cattle => "cattle in the pen",
            AtHand::Flag => "the flag",
            AtHand::Barrels => "barrels",
            AtHand::Obstacles => "obstacles",
            AtHand::Company => "other horses to ride with",
            AtHand::Outside => "a ride outside",
            AtHand::Haul => "the trailer, and somewhere to go",
        }
    }

    /// Minutes it takes to set up: gather the herd, set the barrels. Product default.
    pub fn set_up_min(self) -> u32 {
        match self {
            AtHand::Cattle => 6,
            AtHand::Barrels => 4,
            AtHand::Obstacles | AtHand::Outside => 3,
            AtHand::Flag => 2,
            AtHand::Company | AtHand::Haul => 0,
        }
    }
}
