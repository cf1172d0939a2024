//! In which units the pages speak.

use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

/// In which units the pages speak. What is stored and sent never changes with it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Units {
    /// Feet and Fahrenheit.
    Us,
    /// Meters and Celsius.
    Metric,
}

impl Units {
    /// The word as it is stored.
    pub fn word(self) -> &'static str {
        match self {
            Units::Us => "us",
            Units::Metric => "metric",
        }
    }

    /// The units of that word; those of the trade for a word of another version.
    pub fn of_word(word: &str) -> Units {
        if word == "metric" {
            Units::Metric
        } else {
            Units::Us
        }
    }
}
