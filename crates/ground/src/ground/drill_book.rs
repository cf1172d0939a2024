//! The drills as they are written down in `drill_book.toml`.
//!
//! # Source
//! Common practice of the trade, no source; the figures are product defaults.

use std::sync::LazyLock;

use serde::{Deserialize, Serialize};

use super::drill::DrillKind;
use crate::ladder::{FaultId, SkillId};

/// What is written down of a drill.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DrillAbout {
    /// Which.
    pub kind: DrillKind,
    /// What it is called.
    pub name: String,
    /// How it is ridden.
    pub how: String,
    /// What its size is: a radius, a side, a length.
    pub size_means: String,
    /// The usual size, the least and the most, in feet.
    pub size_ft: [f64; 3],
    /// Rounds as a rule.
    pub laps: u32,
    /// The skills asked in it, and how often a round on each side.
    pub asks: Vec<DrillAsk>,
    /// Faults to watch for.
    pub watch: Vec<FaultId>,
}

/// What a drill asks.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[serde(deny_unknown_fields)]
pub struct DrillAsk {
    /// The skill.
    pub skill: SkillId,
    /// Times a round to the left.
    pub left: u32,
    /// Times a round to the right.
    pub right: u32,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct DrillFile {
    #[serde(rename = "drill")]
    drills: Vec<DrillAbout>,
}

static BOOK: LazyLock<Vec<DrillAbout>> = LazyLock::new(|| {
    let file: DrillFile =
        serde_json::from_str(include_str!(concat!(env!("OUT_DIR"), "/drill_book.json")))
            .expect("the drill book can be read; a test holds it");
    file.drills
});

/// All of them, each once; `tests/it/ground/drills.rs` holds that none is missing.
pub fn book() -> &'static [DrillAbout] {
    &BOOK
}

impl DrillKind {
    /// What is written down of it.
    pub fn about(self) -> &'static DrillAbout {
        let found = BOOK.iter().find(|about| about.kind == self);
        found.unwrap_or(&BOOK[0])
    }
}
